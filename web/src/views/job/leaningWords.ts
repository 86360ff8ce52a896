import type { Job, Plan } from '../../api/types';

/** Courses as a sentence has them: "Recover the data, then replace the part". */
export function inOrder(words: readonly string[]): string {
  return words
    .map((w, i) => (i === 0 ? w : w.charAt(0).toLowerCase() + w.slice(1)))
    .join(', then ');
}

/** The courses that usually follow from the likeliest cause, in a sentence; null if none leans. */
export function leaningWords(job: Job): string | null {
  if (job.leaning.length === 0) return null;
  return inOrder(
    job.leaning.map((course) => job.courses.find((c) => c.course === course)?.words ?? course),
  );
}

/** "55 min of work, parts for 70; fails in 4 of 100": everything in minutes of work. */
export function costWords(plan: Plan): string {
  const parts = plan.parts > 0 ? `, parts worth ${Math.round(plan.parts)} min` : '';
  const owner =
    plan.owner >= 1 ? `, ${Math.round(plan.owner)} min for the owner to set up again` : '';
  const fails = 100 * plan.fails;
  const often = fails < 1 ? 'fewer than 1' : String(Math.round(fails));
  return `${Math.round(plan.minutes)} min of work${parts}${owner}; does not mend it in ${often} of 100`;
}
