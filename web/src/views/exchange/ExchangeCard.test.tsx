import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { answering, choose, show } from '../../test-data';
import { ExchangeCard } from './ExchangeCard';

it('sends captured pages and says what became of each', async () => {
  const sent = answering(() => [
    200,
    [
      { name: 'a.bin', taken: true, words: 'IDENTIFY DEVICE' },
      { name: 'b.bin', taken: false, words: 'nothing that is known here' },
    ],
  ]);
  const { container } = show(<ExchangeCard number="J-2291" />);
  await choose('Loose pages are of', 'Drive B');
  const input = container.querySelector<HTMLInputElement>('input[type=file]');
  if (input === null) throw new Error('no file input');
  await userEvent.upload(input, [new File([new Uint8Array([1, 2])], 'a.bin')]);

  const taken = await screen.findByRole('list', { name: 'What became of the files' });
  expect(taken.textContent).toContain('a.bin: IDENTIFY DEVICE');
  expect(taken.textContent).toContain('b.bin: not taken, nothing that is known here');
  expect(sent.find((s) => s.method === 'POST')).toEqual({
    method: 'POST',
    path: '/api/jobs/J-2291/captures',
    body: { partKey: 'drive-b', files: [{ name: 'a.bin', content: 'AQI=' }] },
  });
  expect(screen.getByRole('link', { name: 'The whole job as an archive' })).toBeTruthy();
});
