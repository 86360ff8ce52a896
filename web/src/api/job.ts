import { api, told } from './client';
import type { Job, JobAspect } from './types';

const ALL: readonly JobAspect[] = ['CASE', 'CUSTODY', 'EVIDENCE', 'DIAGNOSIS', 'PLAN', 'HISTORY'];

/** What a change names; everything if it names nothing or what is not known here. */
export function aspectsOf(body: string): readonly JobAspect[] {
  const named = body.split(',').filter((word) => word !== '');
  const known = ALL.filter((aspect) => named.includes(aspect));
  return known.length === 0 || known.length < named.length ? ALL : known;
}

/** By job, while a fetch is begun for a change that names less than everything. */
const only = new Map<string, readonly JobAspect[]>();

/** Lets a fetch of the job that is begun in {@code fetch} ask for these alone. */
export function onlyAspects(
  number: string,
  aspects: readonly JobAspect[],
  fetch: () => Promise<void>,
): Promise<void> {
  only.set(number, aspects);
  try {
    return fetch();
  } finally {
    only.delete(number);
  }
}

/**
 * The job as it is; of what is on the screen already, only what a change named. Both are one answer
 * of one moment, put in place at once: a decision is never signed on parts of different moments.
 */
export async function fetchJob(number: string, before: Job | undefined): Promise<Job> {
  const of = only.get(number) ?? ALL;
  const params = { path: { number } };
  if (before === undefined || of.length === ALL.length) {
    return told(api.GET('/api/jobs/{number}', { params }));
  }
  const changed = await told(
    api.GET('/api/jobs/{number}/aspects', { params: { ...params, query: { of: [...of] } } }),
  );
  const { jobCase, custody, evidence, diagnosis, plan, history } = changed;
  return { ...before, ...jobCase, ...custody, ...evidence, ...diagnosis, ...plan, ...history };
}
