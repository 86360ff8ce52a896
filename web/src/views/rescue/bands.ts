import { t } from '../../words/words';
/** A stretch of neighbouring cells with one symbol. */
export interface Span {
  symbol: string;
  from: number;
  to: number;
}

/** Neighbours of one symbol become one stretch. */
export function spans(cells: string): Span[] {
  const all: Span[] = [];
  [...cells].forEach((symbol, i) => {
    const last = all[all.length - 1];
    if (last?.symbol === symbol) last.to = i + 1;
    else all.push({ symbol, from: i, to: i + 1 });
  });
  return all;
}

/** "3 h 20 min", "4 min", "40 s". */
export function duration(seconds: number): string {
  if (seconds < 90) return `${Math.max(1, Math.round(seconds))} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 90) return t('web.rescue.bands.min', { minutes });
  const hours = Math.floor(minutes / 60);
  const rest = Math.round((minutes % 60) / 10) * 10;
  return rest === 0 || hours >= 10 ? `${hours} h` : t('web.rescue.bands.h-min', { hours, rest });
}

/** Bytes a second that a copy of files makes at worst and at best: a spinning disk, a fast one. */
const SLOW = 40e6;
const FAST = 130e6;

/** "1 to 4 min": before a copy begins nobody knows it better. */
export function copyTime(bytes: number): string {
  const fast = duration(bytes / FAST);
  const slow = duration(bytes / SLOW);
  return fast === slow
    ? t('web.rescue.bands.about', { fast })
    : t('web.rescue.bands.to', { fast, slow });
}
