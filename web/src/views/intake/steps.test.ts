import { expect, it } from 'vitest';
import type { Answers } from '../../api/types';
import { intake, question, script } from '../../test-data';
import { listed } from '../../ui/format';
import { isDone, nextOpen, phraseOf, stepsOf } from './steps';

const asked = script(
  question('boot-stage'),
  question('noise'),
  question('battery', { families: ['battery'] }),
  question('drive', { of: ['DRIVE'] }),
);

it('asks the question that tells most first, and only those that fit', () => {
  const steps = stepsOf(intake(), asked, {});

  expect(steps.filter((s) => s.startsWith('q:'))).toEqual(['q:noise', 'q:boot-stage']);
  expect(stepsOf(intake({ families: ['battery'] }), asked, {})).toContain('q:battery');
  expect(stepsOf(intake(), asked, { subject: 'DRIVE' })).toContain('q:drive');
});

it('leaves a skipped question open and goes on', () => {
  const steps = stepsOf(intake(), asked, {});
  const answers: Answers = { customerName: 'Haas', model: 'mini' };

  expect(nextOpen(steps, null, answers, intake())).toBe('complaint');
  expect(nextOpen(steps, 'complaint', answers, intake())).toBe('error');
});

it('counts "does not know" as asked, and "none of these" as an answer', () => {
  expect(isDone('q:noise', { unknown: ['noise'] }, intake())).toBe(true);
  expect(isDone('q:noise', { said: { noise: [] } }, intake())).toBe(true);
  expect(isDone('q:noise', {}, intake())).toBe(false);
});

it('says an answer as a phrase', () => {
  const noise = question('noise');

  expect(phraseOf(noise, {})).toBeUndefined();
  expect(phraseOf(noise, { unknown: ['noise'] })).toBe('not known');
  expect(phraseOf(noise, { said: { noise: [] } })).toBe('nothing');
  expect(phraseOf(noise, { said: { noise: ['a', 'b'] } })).toBe('it clicks and it is hot');
  expect(listed(['a', 'b', 'c'])).toBe('a, b and c');
});
