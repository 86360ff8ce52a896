import { expect, it } from 'vitest';
import type { Floor, FloorJob } from '../../api/types';
import { axisOf, groupsOf, share } from './lanes';

const NOW = Date.UTC(2026, 10, 23, 12);
const HOUR = 3_600_000;

const job = (acts: FloorJob['acts'], takenIn: number, promised: number | null): FloorJob => ({
  number: 'J-1',
  machine: 'Ostrel 17 laptop',
  customer: 'Bakery on the quay',
  tilt: 'UNKNOWN',
  headline: '',
  acts,
  line: '',
  takenInAt: new Date(takenIn).toISOString(),
  promisedAt: promised === null ? null : new Date(promised).toISOString(),
  bay: null,
});

const floor = (...jobs: FloorJob[]): Floor => ({
  now: new Date(NOW).toISOString(),
  bays: [],
  jobs,
});

it('shows what came in, now and what is promised', () => {
  const axis = axisOf(floor(job('PERSON', NOW - 6 * HOUR, NOW + 20 * HOUR)));

  expect(axis.from).toBe(NOW - 7 * HOUR);
  expect(axis.to).toBe(NOW + 23 * HOUR);
  expect(share(axis, NOW)).toBeCloseTo(7 / 30, 10);
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

it('groups by who must act and leaves out empty groups', () => {
  const groups = groupsOf([job('RULED', NOW, null), job('PERSON', NOW, null)]);

  expect(groups.map((group) => group.title)).toEqual(['Needs a person now', 'Ruled, work to do']);
});
