import { group, median } from 'd3-array';
import type { RecordRow } from '../../api/types';
import { ofHundred } from '../../ui/format';

const DAY_MS = 86_400_000;

export interface Group {
  name: string;
  jobs: number;
  /** Of those of which it can be told. */
  held: number;
  back: number;
  /** From taking in to the end, half took longer. */
  medianDays: number;
}

export interface Month {
  /** Its first moment, ms since 1970. */
  at: number;
  jobs: number;
  back: number;
}

const daysOf = (job: RecordRow) =>
  (new Date(job.endedAt).getTime() - new Date(job.takenInAt).getTime()) / DAY_MS;

/** The same of what shares a name, the most jobs first. */
export function grouped(jobs: readonly RecordRow[], nameOf: (job: RecordRow) => string): Group[] {
  return [...group(jobs, nameOf)]
    .map(([name, of]) => ({
      name,
      jobs: of.length,
      held: of.filter((job) => job.held === true).length,
      back: of.filter((job) => job.held === false).length,
      medianDays: median(of, daysOf) ?? 0,
    }))
    .sort((a, b) => b.jobs - a.jobs || a.name.localeCompare(b.name));
}

/** Months in which jobs ended, oldest first. */
export function byMonth(jobs: readonly RecordRow[]): Month[] {
  const monthOf = (job: RecordRow) => {
    const at = new Date(job.endedAt);
    return new Date(at.getFullYear(), at.getMonth(), 1).getTime();
  };
  return [...group(jobs, monthOf)]
    .map(([at, of]) => ({
      at,
      jobs: of.length,
      back: of.filter((job) => job.held === false).length,
    }))
    .sort((a, b) => a.at - b.at);
}

/** "97 of 100"; "–" while nothing can be told. */
export const heldShare = ({ held, back }: Group) =>
  held + back === 0 ? '–' : ofHundred(held / (held + back));
