import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { useCall } from '../../api/queries';
import type { Answers, Intake, Question, Script } from '../../api/types';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Card } from './Card';
import { Choices } from './Choices';
import { Signature } from './Signature';
import type { StepProps } from './stepProps';
import type { IntakeState } from './useIntake';
import { Row } from '../../ui/Layout';
import { sentence } from '../../ui/format';
import { shopNow } from '../../ui/now';

/** What is wrong, in the owner's words; families are heard in them and can be corrected. */
export function ComplaintCard({
  script,
  intake,
  answers,
  change,
  onNext,
  onSkip,
}: StepProps & { script: Script }) {
  const heard = answers.families == null;
  return (
    <Card
      title={t('web.intake.cards.what-is-wrong-with-it')}
      hint={t('web.intake.cards.in-the-owner-s-words')}
      next={t('web.intake.cards.that-is-it')}
      onNext={onNext}
      onSkip={onSkip}
      isNextDisabled={(answers.complaint ?? '').trim() === ''}
    >
      <Field
        label={t('web.intake.cards.the-owner-says')}
        area
        value={answers.complaint ?? ''}
        onChange={(value) => change({ complaint: value === '' ? null : value })}
      />
      <p>
        {heard
          ? intake.families.length === 0
            ? t('web.intake.cards.no-known-complaint-is-heard-in')
            : t('web.intake.cards.heard-in-these-words-choose-others')
          : t('web.intake.cards.chosen-by-you')}
      </p>
      <Choices
        label={t('web.intake.cards.known-complaints')}
        second
        several
        options={script.families.map((f) => ({ id: f.id, name: f.name, hint: '' }))}
        chosen={intake.families}
        onChoose={(families) => change({ families })}
      />
    </Card>
  );
}

export function ErrorCard({ answers, change, onNext, onSkip }: StepProps) {
  const none = () => {
    change({ unknown: [...(answers.unknown ?? []), 'error'] });
    onNext();
  };
  return (
    <Card
      title={t('web.intake.cards.what-exactly-does-the-screen-say')}
      hint={t('web.intake.cards.error-text-or-stop-code-letter')}
      next={t('web.intake.cards.that-is-what-it-says')}
      onNext={onNext}
      onSkip={onSkip}
      onUnknown={none}
    >
      <Field
        label={t('web.intake.cards.error-text-or-stop-code')}
        area
        value={answers.errorText ?? ''}
        onChange={(value) => change({ errorText: value === '' ? null : value })}
      />
    </Card>
  );
}

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
      isNextDisabled={!several && chosen.length === 0}
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

const WANTED = [
  { id: 'yes', name: t('web.intake.cards.the-data-is-wanted'), hint: '' },
  { id: 'no', name: t('web.intake.cards.it-is-not-wanted'), hint: '' },
];
const BACKUPS = [
  { id: 'never', name: t('web.intake.cards.no-backup'), hint: '' },
  { id: 'days', name: t('web.intake.cards.days-old'), hint: '' },
  { id: 'weeks', name: t('web.intake.cards.weeks-old'), hint: '' },
  { id: 'months', name: t('web.intake.cards.months-old'), hint: '' },
  { id: 'longer', name: t('web.intake.cards.older'), hint: '' },
];
const LOCKED = [
  { id: 'no', name: t('web.intake.cards.not-encrypted'), hint: '' },
  { id: 'owner', name: t('web.intake.cards.encrypted-owner-has-the-key'), hint: '' },
  { id: 'work', name: t('web.intake.cards.encrypted-their-work-has-it'), hint: '' },
  { id: 'nobody', name: t('web.intake.cards.encrypted-nobody-has-it'), hint: '' },
];

/** Whether the data is wanted, and what the owner signs if not. */
export function DataCard({
  script,
  intake,
  answers,
  change,
  flush,
  onNext,
  onSkip,
}: StepProps & { script: Script; flush: IntakeState['flush'] }) {
  const finding = useCall<Intake>(['intake', intake.id]);
  const locked =
    answers.encrypted == null ? [] : answers.encrypted ? [answers.keyHolder ?? 'owner'] : ['no'];
  return (
    <Card
      title={t('web.intake.cards.is-the-data-on-it-wanted')}
      hint={t('web.intake.cards.until-it-is-said-it-counts')}
      next={t('web.intake.cards.that-is-said')}
      onNext={onNext}
      onSkip={onSkip}
      onUnknown={() => {
        change({ dataWanted: null, waiver: null, unknown: [...(answers.unknown ?? []), 'data'] });
        onNext();
      }}
    >
      <Choices
        label={t('web.intake.cards.whether-the-data-is-wanted')}
        options={WANTED}
        chosen={answers.dataWanted == null ? [] : [answers.dataWanted ? 'yes' : 'no']}
        onChoose={([id]) =>
          change({ dataWanted: id === undefined ? null : id === 'yes', waiver: null })
        }
      />
      {answers.dataWanted === false && answers.waiver == null && (
        <Signature
          wording={script.waiver}
          isPending={finding.isPending}
          onSign={(name, strokes) => {
            void flush().then((view) =>
              finding.mutate(() =>
                api.POST('/api/intakes/{id}/waiver', {
                  params: { path: { id: intake.id } },
                  body: { version: view.version, name, strokes },
                }),
              ),
            );
          }}
        />
      )}
      {answers.waiver != null && (
        <p>
          {say('web.intake.cards.signed-by', {
            name: answers.waiver.name,
            q: (words: ReactNode) => <q>{words}</q>,
            wording: answers.waiver.wording,
          })}
        </p>
      )}
      {finding.isError && <ProblemNote error={finding.error} />}
      <Choices
        label={t('web.intake.cards.last-backup')}
        second
        options={BACKUPS}
        chosen={answers.lastBackup == null ? [] : [answers.lastBackup]}
        onChoose={([id]) => change({ lastBackup: id ?? null })}
      />
      <Choices
        label={t('web.intake.cards.encryption')}
        second
        options={LOCKED}
        chosen={locked}
        onChoose={([id]) =>
          change(
            id === undefined
              ? { encrypted: null, keyHolder: null }
              : { encrypted: id !== 'no', keyHolder: id === 'no' ? null : id },
          )
        }
      />
    </Card>
  );
}

const LEFT = [
  'Adapter',
  'Bag',
  'Mouse',
  t('web.intake.cards.outside-drive'),
  t('web.intake.cards.paper-with-notes'),
].map((name) => ({
  id: name,
  name,
  hint: '',
}));

export function LeftCard({ answers, change, onNext, onSkip }: StepProps) {
  const left = answers.leftWithUs ?? [];
  const named = LEFT.map((l) => l.id);
  const other = left.filter((l) => !named.includes(l)).join(', ');
  return (
    <Card
      title={t('web.intake.cards.what-stays-here-with-it')}
      hint={t('web.intake.cards.the-owner-gets-it-back-with')}
      next={
        left.length === 0 ? t('web.intake.cards.nothing-else') : t('web.intake.cards.that-is-all')
      }
      onNext={() => {
        if (answers.leftWithUs == null) change({ leftWithUs: [] });
        onNext();
      }}
      onSkip={onSkip}
    >
      <Choices
        label={t('web.intake.cards.what-stays-here')}
        several
        options={LEFT}
        chosen={left}
        onChoose={(ids) => change({ leftWithUs: ids })}
      />
      <Field
        label={t('web.intake.cards.something-else')}
        value={other}
        onChange={(value) => {
          const kept = left.filter((l) => named.includes(l));
          change({ leftWithUs: value === '' ? kept : [...kept, value.slice(0, 60)] });
        }}
      />
    </Card>
  );
}

export function PasswordCard({ intake, answers, change, onNext, onSkip }: StepProps) {
  const call = useCall(['intake', intake.id]);
  const [secret, setSecret] = useState('');
  const keep = () => {
    if (secret === '') {
      change({ unknown: [...(answers.unknown ?? []).filter((u) => u !== 'password'), 'password'] });
      onNext();
      return;
    }
    call.mutate(
      () =>
        api.PUT('/api/intakes/{id}/secret', {
          params: { path: { id: intake.id } },
          body: { secret },
        }),
      {
        onSuccess: () => {
          setSecret('');
          onNext();
        },
      },
    );
  };
  return (
    <Card
      title={t('web.intake.cards.does-it-need-a-password')}
      hint={t('web.intake.cards.sealed-at-once-a-technician-on')}
      next={secret === '' ? t('web.intake.cards.none-is-needed') : t('web.intake.cards.seal-it')}
      onNext={keep}
      onSkip={onSkip}
      isNextDisabled={call.isPending}
    >
      {intake.secretKept && (
        <Row>
          <p>{t('web.intake.cards.a-password-is-kept-sealed')}</p>
          <Button
            data-do
            onPress={() =>
              call.mutate(() =>
                api.DELETE('/api/intakes/{id}/secret', { params: { path: { id: intake.id } } }),
              )
            }
          >
            {t('web.intake.cards.forget-it')}
          </Button>
        </Row>
      )}
      <Field
        label={t('web.intake.cards.password-or-pin-of-the-machine')}
        type="password"
        value={secret}
        onChange={setSecret}
        autoComplete="off"
      />
      {call.isError && <ProblemNote error={call.error} />}
    </Card>
  );
}

/** A moment of the shop's day, some days on. */
function at(days: number, hour: number): Date {
  const day = shopNow();
  day.setDate(day.getDate() + days);
  day.setHours(hour, 0, 0, 0);
  return day;
}

/** Times that are often promised, from now on. */
function promiseOffers() {
  const offers: [Date, string][] = [
    [at(0, 17), t('web.intake.cards.today-17-00')],
    [at(1, 12), t('web.intake.cards.tomorrow-12-00')],
    [at(1, 17), t('web.intake.cards.tomorrow-17-00')],
    [at(3, 17), t('web.intake.cards.in-three-days')],
    [at(7, 17), t('web.intake.cards.in-a-week')],
  ];
  return offers
    .filter(([time]) => time.getTime() > shopNow().getTime())
    .map(([time, name]) => ({ id: time.toISOString(), name, hint: '' }));
}

const local = (iso: string) => {
  const at = new Date(iso);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
};

export function PromiseCard({ answers, change, onNext, onSkip }: StepProps) {
  const [offers] = useState(promiseOffers);
  return (
    <Card
      title={t('web.intake.cards.when-shall-it-be-ready')}
      hint={t('web.intake.cards.what-is-promised-stands-on-the')}
      next={
        answers.promisedAt == null
          ? t('web.intake.cards.nothing-is-promised')
          : t('web.intake.cards.promised')
      }
      onNext={() => {
        if (answers.promisedAt == null)
          change({ unknown: [...(answers.unknown ?? []), 'promise'] });
        onNext();
      }}
      onSkip={onSkip}
    >
      <Choices
        label={t('web.intake.cards.promised-for')}
        options={offers}
        chosen={answers.promisedAt == null ? [] : [new Date(answers.promisedAt).toISOString()]}
        onChoose={([id]) => change({ promisedAt: id ?? null })}
      />
      <Field
        label={t('web.intake.cards.another-time')}
        type="datetime-local"
        value={answers.promisedAt == null ? '' : local(answers.promisedAt)}
        onChange={(value) =>
          change({ promisedAt: value === '' ? null : new Date(value).toISOString() })
        }
      />
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
