import { t } from '../../words/words';
import styled from 'styled-components';
import type { Answers, Question } from '../../api/types';
import { Field } from '../../ui/Field';
import { sentence } from '../../ui/format';
import { Card } from './Card';
import { Choices } from './Choices';
import type { StepProps } from './stepProps';
import { missing } from '../../ui/missing';

const PER = [
  { id: 'start', name: t('web.intake.cards.start'), hint: '' },
  { id: 'hour', name: t('web.intake.cards.hour'), hint: '' },
  { id: 'day', name: t('web.intake.cards.day'), hint: '' },
  { id: 'week', name: t('web.intake.cards.week'), hint: '' },
  { id: 'month', name: t('web.intake.cards.month'), hint: '' },
];

/** The answers with one of them changed, or taken back. */
function withAnswer(answers: Answers, id: string, chosen: string[] | null) {
  const others = Object.entries(answers.said ?? {}).filter(([key]) => key !== id);
  return Object.fromEntries(chosen === null ? others : [...others, [id, chosen]]);
}

/** One of the know-how's questions. */
export function QuestionCard({
  question,
  answers,
  change,
  onNext,
  onSkip,
}: StepProps & { question: Question }) {
  const chosen = answers.said?.[question.id] ?? [];
  const several = question.kind === 'SOME';
  const answered = answers.said?.[question.id] != null;
  const known = (answers.unknown ?? []).filter((id) => id !== question.id);
  const say = (ids: string[] | null) => {
    change({ said: withAnswer(answers, question.id, ids), unknown: known });
  };
  return (
    <Card
      title={question.ask}
      hint={question.hint}
      next={
        several && chosen.length === 0
          ? sentence(question.nothing)
          : t('web.intake.cards.that-is-it')
      }
      onNext={() => {
        if (several && !answered) say([]);
        onNext();
      }}
      missing={missing([several || chosen.length > 0, t('web.missing.an-answer')])}
      onSkip={onSkip}
      onUnknown={() => {
        change({
          said: withAnswer(answers, question.id, null),
          unknown: [...known, question.id],
        });
        onNext();
      }}
    >
      <Choices
        label={question.ask}
        options={question.options}
        chosen={chosen}
        several={several}
        ladder={question.kind === 'LADDER'}
        onChoose={(ids) => say(!several && ids.length === 0 ? null : ids)}
      />
      {question.kind === 'OFTEN' && (
        <Times>
          <Field
            label={t('web.intake.cards.how-many-times')}
            inputMode="numeric"
            value={answers.times == null ? '' : String(answers.times)}
            onChange={(value) => {
              const times = Number(value.replace(/\D/g, ''));
              change({ times: times >= 1 && times <= 999 ? times : null });
            }}
          />
          <Choices
            label={t('web.intake.cards.in-a')}
            second
            options={PER.map((p) => ({ ...p }))}
            chosen={answers.per == null ? [] : [answers.per]}
            onChoose={([id]) => change({ per: id ?? null })}
          />
        </Times>
      )}
    </Card>
  );
}

const Times = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
  & > :first-child {
    width: 150px;
  }
  span {
    padding-bottom: 10px;
  }
`;
