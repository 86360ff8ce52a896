import { expect, it } from 'vitest';
import type { Answers, Intake, Question, Script } from '../../api/types';
import { isDone, listed, nextOpen, phraseOf, stepsOf } from './steps';

const question = (id: string, more: Partial<Question> = {}): Question => ({
  id,
  ask: `${id}?`,
  hint: '',
  says: `It is {answer}.`,
  open: `${id}?`,
  kind: 'SOME',
  nothing: 'nothing',
  of: ['MACHINE'],
  families: [],
  options: [
    { id: 'a', name: 'A', hint: '', phrase: 'it clicks', signs: {} },
    { id: 'b', name: 'B', hint: '', phrase: 'it is hot', signs: {} },
  ],
  ...more,
});

const script: Script = {
  families: [],
  questions: [
    question('reach'),
    question('noise'),
    question('battery', { families: ['battery'] }),
    question('drive', { of: ['DRIVE'] }),
  ],
  waiver: '',
};

const intake = (more: Partial<Intake> = {}): Intake => ({
  id: 'i',
  version: 0,
  answers: {} as Intake['answers'],
  heard: [],
  families: [],
  causes: [],
  none: 1,
  ask: [
    { question: 'reach', bits: 0.1 },
    { question: 'noise', bits: 0.4 },
  ],
  secretKept: false,
  missing: null,
  job: null,
  corrected: false,
  ...more,
});

it('asks the question that tells most first, and only those that fit', () => {
  const steps = stepsOf(intake(), script, {});

  expect(steps.filter((s) => s.startsWith('q:'))).toEqual(['q:noise', 'q:reach']);
  expect(stepsOf(intake({ families: ['battery'] }), script, {})).toContain('q:battery');
  expect(stepsOf(intake(), script, { subject: 'DRIVE' })).toContain('q:drive');
});

it('leaves a skipped question open and goes on', () => {
  const steps = stepsOf(intake(), script, {});
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
