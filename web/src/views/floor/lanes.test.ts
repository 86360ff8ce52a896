import { expect, it } from 'vitest';
import type { FloorJob } from '../../api/types';
import { floor, floorJob } from '../../test-data';
import { axisOf, groupsOf, NO_FILTER, passes, promiseWords, share } from './lanes';

const NOW = Date.UTC(2026, 10, 23, 12);
const HOUR = 3_600_000;

const iso = (time: number) => new Date(time).toISOString();

const job = (acts: FloorJob['acts'], takenIn: number, promised: number | null): FloorJob =>
  floorJob({
    acts,
    takenInAt: iso(takenIn),
    promisedAt: promised === null ? null : iso(promised),
    promise: promised === null ? 'NONE' : 'KEPT',
  });

it('shows what came in, now and what is promised', () => {
  const axis = axisOf(floor(job('PERSON', NOW - 6 * HOUR, NOW + 20 * HOUR)));

  expect(axis.from).toBe(NOW - 7 * HOUR);
  expect(axis.to).toBe(NOW + 22 * HOUR);
  expect(share(axis, NOW)).toBeCloseTo(7 / 29, 10);
});

it('never lets a job of last month squeeze the day', () => {
  const axis = axisOf(floor(job('PERSON', NOW - 700 * HOUR, null)));

  expect(axis.from).toBe(NOW - 24 * HOUR);
  expect(share(axis, NOW - 700 * HOUR)).toBe(0);
});

it('has an axis for an empty floor', () => {
  const axis = axisOf(floor());

  expect(axis.to).toBeGreaterThan(axis.from);
  expect(axis.ticks.length).toBeGreaterThan(2);
});

it('puts what is promised soonest first and what is not promised last', () => {
  const jobs = [
    { ...job('PERSON', NOW - 3 * HOUR, null), number: 'J-3' },
    { ...job('PERSON', NOW - 2 * HOUR, NOW + 9 * HOUR), number: 'J-2' },
    { ...job('PERSON', NOW - 1 * HOUR, NOW + 4 * HOUR), number: 'J-1' },
  ];

  expect(groupsOf(jobs)[0]?.jobs.map((j) => j.number)).toEqual(['J-1', 'J-2', 'J-3']);
});

it('puts mine before nobody’s before others’, and late ones first among them', () => {
  const jobs: FloorJob[] = [
    { ...job('PERSON', NOW, NOW + 3 * HOUR), number: 'theirs', holder: 'Bo K.' },
    { ...job('PERSON', NOW, NOW + 2 * HOUR), number: 'free' },
    { ...job('PERSON', NOW, NOW + 9 * HOUR), number: 'free, late', promise: 'LIKELY_LATE' },
    { ...job('PERSON', NOW, null), number: 'mine', holder: 'Ines R.', mine: true },
  ];

  expect(groupsOf(jobs)[0]?.jobs.map((j) => j.number)).toEqual([
    'mine',
    'free, late',
    'free',
    'theirs',
  ]);
});

it('groups by who must act and leaves out empty groups', () => {
  const groups = groupsOf([job('OUTSIDE', NOW, null), job('PERSON', NOW, null)]);

  expect(groups.map((group) => group.title)).toEqual([
    'Needs a person now',
    'Waiting for a part or an answer',
  ]);
});

it('filters by person, family and dataStatus', () => {
  const bos: FloorJob = { ...job('PERSON', NOW, null), holder: 'Bo K.', dataStatus: 'WANTED' };

  expect(passes(bos, NO_FILTER)).toBe(true);
  expect(passes(bos, { ...NO_FILTER, whose: 'Bo K.' })).toBe(true);
  expect(passes(bos, { ...NO_FILTER, whose: 'mine' })).toBe(false);
  expect(passes(bos, { ...NO_FILTER, whose: 'nobody' })).toBe(false);
  expect(passes(bos, { ...NO_FILTER, family: 'slow', dataStatus: 'WANTED' })).toBe(true);
  expect(passes(bos, { ...NO_FILTER, family: 'dead' })).toBe(false);
});

it('says in words what is late before it is', () => {
  const at = (promise: FloorJob['promise']) =>
    promiseWords({ ...job('PERSON', NOW, NOW), promise });

  expect([at('OVERDUE'), at('LIKELY_LATE'), at('AT_RISK'), at('KEPT'), at('NONE')]).toEqual([
    'promised time has passed',
    'likely late',
    'may be late',
    undefined,
    undefined,
  ]);
});
