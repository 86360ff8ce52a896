import { t } from '../../words/words';
import type { Floor, FloorJob } from '../../api/types';

const HOUR = 3_600_000;

/** The time axis of the floor: everything as a share of its width, 0 to 1. */
export interface Axis {
  from: number;
  to: number;
  now: number;
  ticks: readonly number[];
}

/** Wide enough for what came in, likely ends and promises, within a day back and two days ahead. */
export function axisOf(floor: Floor): Axis {
  const now = Date.parse(floor.now);
  const began = floor.jobs.map((job) => Date.parse(job.takenInAt));
  const ends = floor.jobs.flatMap((job) => [
    Date.parse(job.likelyEnd.late),
    ...(job.promisedAt === null ? [] : [Date.parse(job.promisedAt)]),
  ]);
  const from = Math.max(now - 24 * HOUR, Math.min(now - 4 * HOUR, ...began.map((t) => t - HOUR)));
  const to = Math.min(now + 54 * HOUR, Math.max(now + 6 * HOUR, ...ends.map((t) => t + 2 * HOUR)));
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

/** Whether a time lies on the axis at all. */
export const isOn = (axis: Axis, time: number) => time >= axis.from && time <= axis.to;

export interface Group {
  title: string;
  jobs: FloorJob[];
}

const URGENCY: Record<FloorJob['promise'], number> = {
  OVERDUE: 0,
  LIKELY_LATE: 1,
  AT_RISK: 2,
  KEPT: 3,
  NONE: 4,
};

/** Mine and nobody's before others'; then what is late or will be; then what is promised soonest. */
export function inOrder(a: FloorJob, b: FloorJob): number {
  const whose = (job: FloorJob) => (job.mine ? 0 : job.holder === null ? 1 : 2);
  const promised = (job: FloorJob) =>
    job.promisedAt === null ? Number.MAX_SAFE_INTEGER : Date.parse(job.promisedAt);
  return (
    whose(a) - whose(b) ||
    URGENCY[a.promise] - URGENCY[b.promise] ||
    promised(a) - promised(b) ||
    Date.parse(a.takenInAt) - Date.parse(b.takenInAt)
  );
}

/** By who must act; empty groups are left out. */
export function groupsOf(jobs: readonly FloorJob[]): Group[] {
  const of = (title: string, acts: FloorJob['acts']) => ({
    title,
    jobs: jobs.filter((job) => job.acts === acts).sort(inOrder),
  });
  return [
    of(t('web.floor.lanes.needs-a-person-now'), 'PERSON'),
    of(t('web.floor.lanes.running-by-themselves'), 'RUNNING'),
    of(t('web.floor.lanes.waiting-for-a-part-or-an'), 'OUTSIDE'),
  ].filter((group) => group.jobs.length > 0);
}

export interface Filter {
  /** "all", "mine", "nobody" or somebody's name. */
  whose: string;
  family: string;
  dataStatus: string;
}

export const NO_FILTER: Filter = {
  whose: 'all',
  family: 'all',
  dataStatus: 'all',
};

export const passes = (job: FloorJob, filter: Filter) =>
  (filter.whose === 'all' ||
    (filter.whose === 'mine' && job.mine) ||
    (filter.whose === 'nobody' && job.holder === null) ||
    filter.whose === job.holder) &&
  (filter.family === 'all' || job.families.includes(filter.family)) &&
  (filter.dataStatus === 'all' || filter.dataStatus === job.dataStatus);

/** How a promise stands, in words; undefined if there is nothing to say. */
export function promiseWords(job: FloorJob): string | undefined {
  switch (job.promise) {
    case 'OVERDUE':
      return t('web.floor.lanes.promised-time-has-passed');
    case 'LIKELY_LATE':
      return t('web.floor.lanes.likely-late');
    case 'AT_RISK':
      return t('web.floor.lanes.may-be-late');
    default:
      return undefined;
  }
}
