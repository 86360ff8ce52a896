import { expect, it } from 'vitest';
import { between, lostWords } from './planWords';

/** A Monday, in the browser's own zone, as the words are. */
const at = (day: number, hour: number, minute = 0) =>
  new Date(2026, 10, day, hour, minute).toISOString();
const NOW = new Date(2026, 10, 30, 10, 0);

it('says a day once where both ends are on it', () => {
  expect(between(at(31, 13), at(31, 16, 30), NOW)).toBe('Tue 13:00–16:30');
  expect(between(at(31, 16, 30), at(32, 10, 15), NOW)).toBe('Tue 16:30 – Wed 10:15');
});

it('names one moment as one, and dates what is a week away', () => {
  expect(between(at(31, 9), at(31, 9), NOW)).toBe('Tue 09:00');
  expect(between(at(30, 10), at(30, 10), NOW)).toBe('at once');
  expect(between(at(38, 9), at(38, 12), NOW)).toBe('Tue 8 Dec 09:00–12:00');
});

it('never rounds what may be lost to none or all', () => {
  expect(lostWords(0)).toBe('none');
  expect(lostWords(0.001)).toBe('<1 in 100');
  expect(lostWords(0.97)).toBe('97 in 100');
  expect(lostWords(1)).toBe('all');
});
