import { t } from '../../words/words';
import type { Job, Plan } from '../../api/types';
import { ofHundred } from '../../ui/format';

/** Courses as a sentence has them: "Recover the data, then replace the part". */
export function inOrder(words: readonly string[]): string {
  return words
    .map((w, i) => (i === 0 ? w : w.charAt(0).toLowerCase() + w.slice(1)))
    .join(`${t('web.job.leaning-words.then')} `);
}

/** The courses that usually follow from the likeliest cause, in a sentence; null if none leans. */
export function leaningWords(job: Job): string | null {
  if (job.leaning.length === 0) return null;
  return inOrder(
    job.leaning.map((course) => job.courses.find((c) => c.course === course)?.words ?? course),
  );
}

/** "Complaint gone in 96 of 100 · 55 min of work": the rest is in the decision's view. */
export function costWords(plan: Plan): string {
  const minutes = t('web.job.leaning-words.min-of-work', { minutes: Math.round(plan.minutes) });
  return t('web.job.leaning-words.complaint-gone-in-of-100', {
    ofHundred: ofHundred(1 - plan.fails),
    minutes,
  });
}
