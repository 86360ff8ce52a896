import { t } from '../../words/words';
import type { PlanRow } from '../../api/types';
import { clock, dated, ofHundred, sameDay } from '../../ui/format';
import { shopNow } from '../../ui/now';

const WEEKDAY = { weekday: 'short' } as const;
const DATE = { weekday: 'short', day: 'numeric', month: 'short' } as const;
const HOUR_MS = 3600 * 1000;
const WEEK_MS = 6 * 24 * 3600 * 1000;

/** "Tue 13:00–16:30", "Tue 16:30 – Wed 10:15", "Tue 9:00", with dates once they are a week away. */
export function between(early: string, late: string, now = shopNow()): string {
  const from = new Date(early);
  const to = new Date(late);
  if (early === late && from.getTime() - now.getTime() < HOUR_MS)
    return t('web.decision.plan-words.at-once');
  const day = to.getTime() - now.getTime() > WEEK_MS ? DATE : WEEKDAY;
  const first = `${dated(from, day)} ${clock(from)}`;
  if (early === late) return first;
  return sameDay(from, to) ? `${first}–${clock(to)}` : `${first} – ${dated(to, day)} ${clock(to)}`;
}

/** "97", with "92–99" for its range. */
export const rangeWords = (low: number, high: number) =>
  ofHundred(low) === ofHundred(high) ? '' : `${ofHundred(low)}–${ofHundred(high)}`;

/** Of data that is wanted: "none", "3 in 100", "all". */
export function lostWords(share: number): string {
  if (share === 0) return t('web.decision.plan-words.none');
  return share >= 0.995
    ? t('web.decision.plan-words.all')
    : t('web.decision.plan-words.in-100', { ofHundred: ofHundred(share) });
}

/** "84 min", "84–110 min" where a part of it is needed only perhaps. */
export function minutesWords(row: PlanRow): string {
  if (row.mostMinutes === 0) return t('web.decision.plan-words.none');
  const expected = Math.round(row.handsOnMinutes);
  return row.mostMinutes - expected < 2
    ? t('web.decision.plan-words.min', { expected })
    : t('web.decision.plan-words.min-2', { expected, mostMinutes: row.mostMinutes });
}
