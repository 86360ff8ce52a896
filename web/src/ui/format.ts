import { shopNow } from './now';
/** Times in the browser's own zone, 24 hours, as a shop writes them. */
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });

const dayAndYear = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
});

export const sameDay = (a: Date, b: Date) => a.toDateString() === b.toDateString();

/** "12:04" today, "Mon 14 Mar, 12:04" this year, "14 Mar 2025, 12:04" before. */
export function when(iso: string, now = shopNow()): string {
  const at = new Date(iso);
  if (sameDay(at, now)) return time.format(at);
  const date = at.getFullYear() === now.getFullYear() ? day : dayAndYear;
  return `${date.format(at)}, ${time.format(at)}`;
}

export const clock = (at: Date) => time.format(at);

/** A share as "of 100": never 0 or 100, for a weighing is no proof. */
export function ofHundred(probability: number): string {
  const rounded = Math.round(100 * probability);
  if (rounded <= 0) return '<1';
  return rounded >= 100 ? '>99' : String(rounded);
}

/** A likelihood out of a hundred, with one decimal where it is under ten: "0.3", "60". */
export const likelihood = (p: number) => (100 * p).toFixed(p < 0.0995 ? 1 : 0);

/** A weight with its sign: "+16", "-2.4". */
export function decibans(weight: number): string {
  const rounded = Math.abs(weight) >= 10 ? weight.toFixed(0) : weight.toFixed(1);
  const plain = Number(rounded) === 0 ? '0' : rounded;
  return Number(plain) > 0 ? `+${plain}` : plain.replace('-', '−');
}

export const count = (n: number) => n.toLocaleString('en-GB');

/** "1 job", "1,204 jobs". */
export const counted = (n: number, one: string, many = `${one}s`) =>
  `${count(n)} ${n === 1 ? one : many}`;

/** The same, as a sentence begins. */
export const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** "One machine", "Three machines": small numbers in words at the start of a sentence. */
const WORDS = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];
export const inWords = (n: number) => WORDS[n] ?? String(n);

/** "265 GB", "1.5 GB", "40 MB". */
export function bytes(n: number): string {
  if (n === 0) return '0';
  const units: [number, string][] = [
    [1e12, 'TB'],
    [1e9, 'GB'],
    [1e6, 'MB'],
    [1e3, 'kB'],
  ];
  const [unit, name] = units.find(([u]) => n >= u) ?? [1, 'bytes'];
  const value = n / unit;
  return `${value >= 100 ? value.toFixed(0) : Number(value.toPrecision(3)).toString()} ${name}`;
}
