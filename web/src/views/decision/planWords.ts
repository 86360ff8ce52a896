import type { PlanRow } from '../../api/types';
import { ofHundred } from '../../ui/format';
import { shopNow } from '../../ui/now';

const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short' });
const date = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
const HOUR_MS = 3600 * 1000;
const WEEK_MS = 6 * 24 * 3600 * 1000;

/** "Tue 13:00–16:30", "Tue 16:30 – Wed 10:15", "Tue 9:00", with dates once they are a week away. */
export function between(early: string, late: string, now = shopNow()): string {
  const from = new Date(early);
  const to = new Date(late);
  if (early === late && from.getTime() - now.getTime() < HOUR_MS) return 'at once';
  const day = to.getTime() - now.getTime() > WEEK_MS ? date : weekday;
  const first = `${day.format(from)} ${time.format(from)}`;
  if (early === late) return first;
  return from.toDateString() === to.toDateString()
    ? `${first}–${time.format(to)}`
    : `${first} – ${day.format(to)} ${time.format(to)}`;
}

/** "97", with "92–99" for its range. */
export const rangeWords = (low: number, high: number) =>
  ofHundred(low) === ofHundred(high) ? '' : `${ofHundred(low)}–${ofHundred(high)}`;

/** Of data that is wanted: "none", "3 in 100", "all". */
export function lostWords(share: number): string {
  if (share === 0) return 'none';
  return share >= 0.995 ? 'all' : `${ofHundred(share)} in 100`;
}

export const money = (amount: number, currency: string) =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(amount);

/** "84 min", "84–110 min" where a part of it is needed only perhaps. */
export function minutesWords(row: PlanRow): string {
  if (row.mostMinutes === 0) return 'none';
  const expected = Math.round(row.handsOnMinutes);
  return row.mostMinutes - expected < 2 ? `${expected} min` : `${expected}–${row.mostMinutes} min`;
}
