import type { Floor, FloorJob } from '../../api/types';

const HOUR = 3_600_000;

/** The time axis of the floor: everything as a share of its width, 0 to 1. */
export interface Axis {
  from: number;
  to: number;
  now: number;
  ticks: readonly number[];
}

/** Wide enough for what came in and what is promised, within a day back and two days ahead. */
export function axisOf(floor: Floor): Axis {
  const now = Date.parse(floor.now);
  const began = floor.jobs.map((job) => Date.parse(job.takenInAt));
  const promised = floor.jobs.flatMap((job) =>
    job.promisedAt === null ? [] : [Date.parse(job.promisedAt)],
  );
  const from = Math.max(now - 24 * HOUR, Math.min(now - 4 * HOUR, ...began.map((t) => t - HOUR)));
  const to = Math.min(
    now + 54 * HOUR,
    Math.max(now + 6 * HOUR, ...promised.map((t) => t + 3 * HOUR)),
  );
  const step = to - from > 30 * HOUR ? 6 * HOUR : to - from > 14 * HOUR ? 3 * HOUR : HOUR;
  const ticks: number[] = [];
  const zone = new Date(now).getTimezoneOffset() * 60_000;
  for (let t = Math.ceil((from - zone) / step) * step + zone; t < to; t += step) ticks.push(t);
  return { from, to, now, ticks };
}

/** Where a time lies on the axis; outside times stay at the ends. */
export function share(axis: Axis, time: number): number {
  return Math.min(1, Math.max(0, (time - axis.from) / (axis.to - axis.from)));
}

export interface Group {
  title: string;
  jobs: FloorJob[];
}

/** What is promised soonest first, what nothing is promised for last; then what came in first. */
function soonestFirst(a: FloorJob, b: FloorJob): number {
  const promised = (job: FloorJob) =>
    job.promisedAt === null ? Number.MAX_SAFE_INTEGER : Date.parse(job.promisedAt);
  return promised(a) - promised(b) || Date.parse(a.takenInAt) - Date.parse(b.takenInAt);
}

/** By who must act; empty groups are left out. */
export function groupsOf(jobs: readonly FloorJob[]): Group[] {
  const of = (title: string, acts: FloorJob['acts']) => ({
    title,
    jobs: jobs.filter((job) => job.acts === acts).sort(soonestFirst),
  });
  return [
    of('Needs a person now', 'PERSON'),
    of('Running by themselves', 'RUNNING'),
    of('Ruled, work to do', 'RULED'),
  ].filter((group) => group.jobs.length > 0);
}
