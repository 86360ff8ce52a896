import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { LoadResult, Work } from '../../api/types';
import { answering, runData, show } from '../../test-data';
import { WorkView, titleOf } from './WorkView';

const load = (busy: number): LoadResult => ({
  kind: 'load',
  secondsEach: 1,
  series: { 'drive sda': [busy, busy], cpu: [0.3, 0.2] },
  programs: [{ name: 'file indexer', cpu: 0.31, bytesPerSecond: null }],
  drives: { sda: { busy, queue: 3.1, latencyMs: 46, bytesPerSecond: 6e6 } },
  memoryLeft: 0.36,
  swappedPerSecond: null,
  latenessMicros: [60, 240, 1900],
});

const work = (more: Partial<Work> = {}): Work => ({
  number: 'J-1',
  version: 3,
  machine: 'Ostrel 14 laptop',
  runs: [
    runData({
      kind: 'LOAD_SAMPLE',
      partKey: 'board',
      name: 'Sample of its work',
      result: load(0.97),
    }),
  ],
  shifts: [],
  between: [],
  canSample: 'No probe is connected in bay 9.',
  ...more,
});

const fell = {
  what: 'drive sda',
  words: 'drive sda fell from 97 to 11 %, certain',
  before: 0.97,
  after: 0.11,
  low: -0.89,
  high: -0.83,
  certain: true,
};

it('has the finding as its title', () => {
  expect(titleOf(work())).toBe(
    'Drive sda is busy for 97 % of the time; file indexer takes 31 % of the processors',
  );
  expect(titleOf(work({ shifts: [fell] }))).toBe('Drive sda fell from 97 to 11 %, certain');
  expect(titleOf(work({ shifts: [{ ...fell, certain: false }] }))).toBe(
    'Nothing changed for certain between the two samples',
  );
  expect(titleOf(work({ runs: [] }))).toBe('What keeps it busy?');
});

it('sets before beside after, and says what was done between', async () => {
  answering(() => [
    200,
    work({
      shifts: [fell],
      between: [{ what: 'Changed: indexing off', at: '2026-11-23T08:00:00Z' }],
    }),
  ]);
  show(<WorkView />, '/work/J-1', '/work/:number');

  expect(await screen.findByText('97 % → 11 %')).toBeVisible();
  expect(screen.getByText('certain: −89 to −83 points of 100')).toBeVisible();
  expect(screen.getByText('Changed: indexing off, between the two samples.')).toBeVisible();
  expect(screen.getByText('swapping: not told')).toBeVisible();
  expect(screen.getByText('Not now: No probe is connected in bay 9.')).toBeVisible();
});
