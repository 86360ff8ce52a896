import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Tilt } from '../api/types';
import { TiltMark } from './TiltMark';

const STATES: [Tilt, string][] = [
  ['UNKNOWN', 'nothing known'],
  ['CLEARED', 'cleared'],
  ['LEANING_CLEAR', 'leaning clear'],
  ['OPEN', 'open: something found, nothing decided'],
  ['LEANING', 'leaning to fault'],
  ['IMPLICATED', 'implicated'],
];

it.each(STATES)('says %s in words, not only by colour', (tilt, words) => {
  render(<TiltMark tilt={tilt} />);

  expect(screen.getByRole('img', { name: words })).toBeInTheDocument();
});

it('draws every state in a shape of its own', () => {
  const shapes = STATES.map(([tilt]) => {
    const { container, unmount } = render(<TiltMark tilt={tilt} />);
    const beam = container.querySelector('g');
    const shape = `${beam?.getAttribute('style')} ${[...(beam?.children ?? [])].map((c) => c.tagName)} ${beam?.lastElementChild?.getAttribute('fill') === 'none'}`;
    unmount();
    return shape;
  });

  expect(new Set(shapes).size).toBe(STATES.length);
});
