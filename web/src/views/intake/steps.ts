import { listed } from '../../ui/format';
import { t } from '../../words/words';
import type { Answers, Intake, Question, Script } from '../../api/types';

/** A thing to ask: fixed ones by name, the others by the id of their question. */
export type Step =
  | 'who'
  | 'which'
  | 'complaint'
  | 'error'
  | 'data'
  | 'left'
  | 'password'
  | 'promise'
  | `q:${string}`;

/** The order of the counter: who, which, what; then what tells most; then data and promise. */
export function stepsOf(intake: Intake, script: Script, answers: Answers): Step[] {
  const subject = answers.subject ?? 'MACHINE';
  const fitting = script.questions.filter(
    (q) =>
      q.of.includes(subject) &&
      (q.families.length === 0 || q.families.some((f) => intake.families.includes(f))),
  );
  const bits = new Map(intake.ask.map((a) => [a.question, a.bits]));
  const open = fitting
    .filter((q) => bits.has(q.id))
    .sort((a, b) => (bits.get(b.id) ?? 0) - (bits.get(a.id) ?? 0));
  const answered = fitting.filter((q) => !bits.has(q.id));
  const questions = [...answered, ...open].map((q): Step => `q:${q.id}`);
  return [
    'who',
    'which',
    'complaint',
    'error',
    ...questions,
    'data',
    'left',
    'password',
    'promise',
  ];
}

export const questionOf = (step: Step, script: Script): Question | undefined =>
  step.startsWith('q:') ? script.questions.find((q) => q.id === step.slice(2)) : undefined;

/** Whether somebody has answered, or said that the owner does not know. */
export function isDone(step: Step, answers: Answers, intake: Intake): boolean {
  const unknown = answers.unknown ?? [];
  if (unknown.includes(step)) return true;
  switch (step) {
    case 'who':
      return filled(answers.customerName);
    case 'which':
      return answers.machineId != null || filled(answers.maker) || filled(answers.model);
    case 'complaint':
      return filled(answers.complaint);
    case 'error':
      return filled(answers.errorText);
    case 'data':
      return answers.dataWanted != null;
    case 'left':
      return answers.leftWithUs != null;
    case 'password':
      return intake.secretKept;
    case 'promise':
      return answers.promisedAt != null;
    default: {
      const id = step.slice(2);
      return answers.said?.[id] != null || unknown.includes(id);
    }
  }
}

const filled = (text: string | null | undefined) => text != null && text.trim() !== '';

/** The next one after a step that nobody has answered; undefined when all is asked. */
export function nextOpen(
  steps: readonly Step[],
  after: Step | null,
  answers: Answers,
  intake: Intake,
): Step | undefined {
  const from = after === null ? 0 : steps.indexOf(after) + 1;
  const isOpen = (step: Step) => !isDone(step, answers, intake);
  const skipped = after === null ? [] : [after];
  return (
    steps.slice(from).find(isOpen) ??
    steps.slice(0, from).find((s) => isOpen(s) && !skipped.includes(s))
  );
}

/** What the running text says for a question; undefined while it is open. */
export function phraseOf(question: Question, answers: Answers): string | undefined {
  if ((answers.unknown ?? []).includes(question.id)) return t('web.intake.steps.not-known');
  const chosen = answers.said?.[question.id];
  if (chosen == null) return undefined;
  if (chosen.length === 0)
    return question.nothing === '' ? t('web.intake.steps.none-of-these') : question.nothing;
  const phrases = question.options.filter((o) => chosen.includes(o.id)).map((o) => o.phrase);
  const often =
    question.kind === 'OFTEN' && answers.times != null && answers.per != null
      ? t('web.intake.steps.times-a', { times: answers.times, per: answers.per })
      : '';
  return listed(phrases) + often;
}
