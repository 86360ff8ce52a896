import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, onTestFinished, vi } from 'vitest';
import type { RecordRow, RecordsData } from '../../api/types';
import { answering, show } from '../../test-data';
import { byMonth, grouped, heldShare } from './recordGroups';
import { RecordsView } from './RecordsView';

const row = (number: string, more: Partial<RecordRow> = {}): RecordRow => ({
  number,
  machine: 'Ostrel 14 laptop',
  maker: 'Ostrel',
  customerId: 3,
  customer: 'Music school',
  takenInAt: '2026-05-04T08:00:00Z',
  endedAt: '2026-05-06T08:00:00Z',
  endedHow: 'HANDED_BACK',
  cause: 'Failing drive',
  plan: 'Replace drive A',
  stated: 0.92,
  held: true,
  decidedBy: 'Ines R.',
  handsMinutes: 41.6,
  moves: 4,
  vainMoves: 1,
  ...more,
});

const ROWS = [
  row('J-3', { endedAt: '2026-06-20T08:00:00Z', held: null, cause: null, stated: null }),
  row('J-2', { machine: 'Norrvik mini', maker: 'Norrvik', held: false }),
  row('J-1'),
];

const records: RecordsData = {
  jobs: ROWS,
  inAll: 3,
  reliability: {
    bins: [{ said: 0.92, held: 0.5, low: 0.1, high: 0.9, jobs: 2 }],
    brier: 0.426,
    jobs: 2,
  },
};

it('groups by what is asked, and holds for nothing that is too early to tell', () => {
  expect(grouped(ROWS, (job) => job.maker)).toEqual([
    // Taken in on 4 May, ended after 2 and after 47 days: the middle of both is 24.5.
    { name: 'Ostrel', jobs: 2, held: 1, back: 0, medianDays: 24.5 },
    { name: 'Norrvik', jobs: 1, held: 0, back: 1, medianDays: 2 },
  ]);
  expect(heldShare({ name: 'x', jobs: 3, held: 0, back: 0, medianDays: 1 })).toBe('–');
  expect(byMonth(ROWS).map((m) => [new Date(m.at).getMonth() + 1, m.jobs, m.back])).toEqual([
    [5, 2, 1],
    [6, 1, 0],
  ]);
});

it('says what came back, and sets what was stated beside it', async () => {
  answering(() => [200, records]);
  show(<RecordsView />, '/records', '/records');

  expect(
    await screen.findByRole('heading', {
      level: 1,
      name: '3 jobs ended, 1 came back with the same complaint',
    }),
  ).toBeVisible();
  expect(
    screen.getByRole('slider', { name: 'said 92 in 100, 50 held, 2 jobs' }),
  ).toBeInTheDocument();
  expect(screen.getByText(/Mean squared error: 0.426/)).toBeVisible();
});

it('sorts and filters every job', async () => {
  // jsdom lays nothing out; only rows in sight are drawn.
  const high = vi.spyOn(Element.prototype, 'clientHeight', 'get').mockReturnValue(480);
  onTestFinished(() => high.mockRestore());
  answering(() => [200, records]);
  show(<RecordsView />, '/records', '/records');
  const table = await screen.findByRole('table', { name: 'Every job' });
  const numbers = () =>
    within(table)
      .getAllByRole('link', { name: /^J-/ })
      .map((a) => a.textContent);
  expect(numbers()).toEqual(['J-3', 'J-2', 'J-1']);

  await userEvent.click(within(table).getByRole('button', { name: /^Job/ }));
  expect(numbers()).toEqual(['J-1', 'J-2', 'J-3']);
  await userEvent.type(screen.getByLabelText('Filter'), 'norrvik');
  expect(numbers()).toEqual(['J-2']);
  expect(screen.getByText('1 of 3')).toBeVisible();

  await userEvent.click(screen.getByRole('button', { name: 'Columns' }));
  await userEvent.click(screen.getByRole('checkbox', { name: 'Machine' }));
  expect(within(table).queryByRole('columnheader', { name: /Machine/ })).toBeNull();
});
