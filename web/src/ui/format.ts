import { locale, t } from '../words/words';
import { shopNow } from './now';
/** Formats are dear to make, and few: by locale and options. */
const made = new Map<string, Intl.DateTimeFormat | Intl.NumberFormat | Intl.ListFormat>();

function once<T extends Intl.DateTimeFormat | Intl.NumberFormat | Intl.ListFormat>(
  key: string,
  make: () => T,
): T {
  const known = made.get(key) as T | undefined;
  if (known !== undefined) return known;
  const next = make();
  made.set(key, next);
  return next;
}

/** A date as the reader's language writes it, 24 hours. */
export function dated(at: Date, options: Intl.DateTimeFormatOptions): string {
  return once(`date ${locale()} ${JSON.stringify(options)}`, () => {
    return new Intl.DateTimeFormat(locale(), options);
  }).format(at);
}

const TIME = { hour: '2-digit', minute: '2-digit' } as const;
const DAY = { weekday: 'short', day: 'numeric', month: 'short' } as const;
const DAY_AND_YEAR = { day: 'numeric', month: 'short', year: 'numeric' } as const;

export const sameDay = (a: Date, b: Date) => a.toDateString() === b.toDateString();

/** "12:04" today, "Mon 14 Mar, 12:04" this year, "14 Mar 2025, 12:04" before. */
export function when(iso: string, now = shopNow()): string {
  const at = new Date(iso);
  if (sameDay(at, now)) return clock(at);
  const day = at.getFullYear() === now.getFullYear() ? DAY : DAY_AND_YEAR;
  return `${dated(at, day)}, ${clock(at)}`;
}

/** "14 Mar 2025". */
export const day = (iso: string) => dated(new Date(iso), DAY_AND_YEAR);

export const clock = (at: Date) => dated(at, TIME);

/** A share as "of 100": never 0 or 100, for a weighing is no proof. */
export function ofHundred(probability: number): string {
  const rounded = Math.round(100 * probability);
  if (rounded <= 0) return '<1';
  return rounded >= 100 ? '>99' : String(rounded);
}

/** A likelihood out of a hundred, with one decimal where it is under ten: "0.3", "60". */
export const likelihood = (p: number) => fixed(100 * p, p < 0.0995 ? 1 : 0);

/** A weight with its sign: "+16", "-2.4". */
export function decibans(weight: number): string {
  const digits = Math.abs(weight) >= 10 ? 0 : 1;
  const rounded = Number(weight.toFixed(digits));
  if (rounded === 0) return '0';
  return `${rounded > 0 ? '+' : '−'}${fixed(Math.abs(rounded), digits)}`;
}

/** A number with so many digits after the comma. */
export function fixed(n: number, digits: number): string {
  return once(`number ${locale()} ${digits}`, () => {
    return new Intl.NumberFormat(locale(), {
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
  }).format(n);
}

export const count = (n: number) => fixed(n, Number.isInteger(n) ? 0 : 1);

/** An amount in a currency, by its code. */
export const money = (amount: number, currency: string) =>
  once(`money ${locale()} ${currency}`, () => {
    return new Intl.NumberFormat(locale(), { style: 'currency', currency });
  }).format(amount);

/** "a, b and c". */
export const listed = (words: readonly string[]) =>
  once(`list ${locale()}`, () => new Intl.ListFormat(locale(), { type: 'conjunction' })).format(
    words,
  );

/** The same, as a sentence begins. */
export const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** "One machine", "Three machines": small numbers in words at the start of a sentence. */
export const inWords = (n: number) => t('web.ui.format.small-numbers').split(', ')[n] ?? count(n);

/** At most so many digits after the comma, none that is 0. */
const shortly = (n: number, digits: number) =>
  fixed(Number(n.toFixed(digits)), decimals(n, digits));

const decimals = (n: number, most: number) =>
  (Number(n.toFixed(most)).toString().split('.')[1] ?? '').length;

/** "265 GB", "1.5 GB", "40 MB". */
export function bytes(n: number): string {
  if (n === 0) return '0';
  const units: [number, string][] = [
    [1e12, 'TB'],
    [1e9, 'GB'],
    [1e6, 'MB'],
    [1e3, 'kB'],
  ];
  const [unit, name] = units.find(([u]) => n >= u) ?? [1, t('web.ui.format.bytes')];
  const value = n / unit;
  const digits = value >= 100 ? 0 : value >= 10 ? 1 : 2;
  return `${shortly(value, digits)} ${name}`;
}
