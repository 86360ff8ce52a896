import { expect, it } from 'vitest';
import { decibans, ofHundred, when, bytes } from './format';

it.each([
  [0.9993, '>99'],
  [0.96, '96'],
  [0.03, '3'],
  [0.0004, '<1'],
])('says %f as %s of 100', (probability, words) => {
  expect(ofHundred(probability)).toBe(words);
});

it.each([
  [16.21, '+16'],
  [9.24, '+9.2'],
  [-2.41, '−2.4'],
  [0.01, '0'],
  [-0.04, '0'],
])('writes the weight %f as %s', (weight, words) => {
  expect(decibans(weight)).toBe(words);
});

it('names the day only when it is another one', () => {
  const now = new Date(2026, 10, 23, 18, 0);

  expect(when(new Date(2026, 10, 23, 12, 4).toISOString(), now)).toBe('12:04');
  expect(when(new Date(2026, 10, 20, 12, 4).toISOString(), now)).toBe('Fri 20 Nov, 12:04');
  expect(when(new Date(2025, 10, 20, 12, 4).toISOString(), now)).toBe('20 Nov 2025, 12:04');
});

it.each([
  [0, '0'],
  [512, '512 bytes'],
  [1_500_000_000, '1.5 GB'],
  [265_000_000_000, '265 GB'],
  [2_000_000_000_000, '2 TB'],
])('writes %i bytes as %s', (n, words) => {
  expect(bytes(n)).toBe(words);
});
