import { expect, it } from 'vitest';
import { patternOf, type Beep } from './beeps';

/** Lengths of beeps and of the pauses between them, in turn [ms]. */
function tapped(...lengths: number[]): Beep[] {
  const beeps: Beep[] = [];
  let at = 0;
  lengths.forEach((length, i) => {
    if (i % 2 === 0) beeps.push({ down: at, up: at + length });
    at += length;
  });
  return beeps;
}

it('tells long from short, and where a pause begins a new group', () => {
  expect(patternOf(tapped(700, 200, 150, 200, 160))).toBe('1 long, 2 short');
  expect(patternOf(tapped(150, 200, 160, 200, 150))).toBe('3 short');
  expect(patternOf(tapped(600, 250, 640))).toBe('2 long');
  expect(patternOf(tapped(700, 200, 150, 1200, 150, 200, 140))).toBe('1 long, 1 short; 2 short');
  expect(patternOf([])).toBe('');
});
