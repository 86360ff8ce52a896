import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Suspicion } from '../api/types';
import { SuspicionMark } from './SuspicionMark';

const STATES: [Suspicion, string][] = [
  ['UNKNOWN', 'nothing known'],
  ['CLEARED', 'cleared'],
  ['LEANING_CLEAR', 'leaning clear'],
  ['OPEN', 'open: something found, nothing decided'],
  ['LEANING', 'leaning to fault'],
  ['IMPLICATED', 'implicated'],
];

it.each(STATES)('says %s in words, not only by colour', (suspicion, words) => {
  render(<SuspicionMark suspicion={suspicion} />);

  expect(screen.getByRole('img', { name: words })).toBeInTheDocument();
});

it('draws every state in a shape of its own', () => {
  const shapes = STATES.map(([suspicion]) => {
    const { container, unmount } = render(<SuspicionMark suspicion={suspicion} />);
    const beam = container.querySelector('g');
    const shape = `${beam?.getAttribute('style')} ${[...(beam?.children ?? [])].map((c) => c.tagName)} ${beam?.lastElementChild?.getAttribute('fill') === 'none'}`;
    unmount();
    return shape;
  });

  expect(new Set(shapes).size).toBe(STATES.length);
});
