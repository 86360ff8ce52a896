import { t } from '../../words/words';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Script } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { ComplaintCard, ErrorCard } from './ComplaintCard';
import { DataCard } from './DataCard';
import { LeftCard } from './LeftCard';
import { PasswordCard } from './PasswordCard';
import { PromiseCard } from './PromiseCard';
import { QuestionCard } from './QuestionCard';
import { Side } from './Side';
import { SoFar } from './SoFar';
import { isDone, nextOpen, questionOf, stepsOf, type Step } from './steps';
import { useIntake, type IntakeState } from './useIntake';
import { WhichCard } from './WhichCard';
import { WhoCard } from './WhoCard';
import { Row, Stack, TwoColumns } from '../../ui/Layout';

const useScript = () =>
  useQuery({
    queryKey: ['script'],
    queryFn: () => told(api.GET('/api/questions')),
    staleTime: Infinity,
  });

/** Taking in as a conversation: one question at a time, in the order that tells most. */
export function IntakeView() {
  const { id = '' } = useParams();
  const intake = useIntake(id);
  const script = useScript();
  if (intake.view === undefined || script.data === undefined) {
    const error = intake.error ?? script.error;
    return <Page aria-busy={error == null}>{error != null && <ProblemNote error={error} />}</Page>;
  }
  return <Conversation key={id} state={intake} script={script.data} />;
}

function Conversation({ state, script }: { state: IntakeState; script: Script }) {
  const { view, answers } = state;
  const steps = stepsOf(view, script, answers);
  const [current, setCurrent] = useState<Step | null>(() =>
    view.job === null ? (nextOpen(steps, null, answers, view) ?? null) : null,
  );
  const [skipped, setSkipped] = useState<readonly Step[]>([]);
  const go = setCurrent;
  const next = (skip: boolean) => {
    if (current === null) return;
    const passed = skip ? [...skipped, current] : skipped.filter((s) => s !== current);
    setSkipped(passed);
    const open = steps.filter((s) => s !== current && !passed.includes(s));
    const after = open.slice(0).sort((a, b) => order(a, current, steps) - order(b, current, steps));
    go(after.find((s) => !isDone(s, answers, view)) ?? null);
  };
  const rest = steps.filter((s) => s !== current && !isDone(s, answers, view));
  return (
    <Page>
      <Head>
        <Title>{titleOf(state)}</Title>
        <Sub role="status">{savedWords(state)}</Sub>
      </Head>
      {state.error != null && <ProblemNote error={state.error} />}
      <TwoColumns $side="350px" $gapAbove={false}>
        <Stack>
          <SoFar intake={view} script={script} answers={answers} steps={steps} onGo={go} />
          {current !== null && (
            <Asked
              key={current}
              step={current}
              script={script}
              state={state}
              onNext={() => next(false)}
              onSkip={() => next(true)}
            />
          )}
          {current === null && <Finish state={state} rest={rest.length} />}
          {rest.length > 0 && (
            <Still>
              <b>{t('web.intake.intake-view.still-to-ask')}</b>
              {rest.map((step) => (
                <StillButton key={step} onPress={() => go(step)}>
                  {stepName(step, script)}
                </StillButton>
              ))}
            </Still>
          )}
        </Stack>
        <Stack>
          <Side intake={view} script={script} answers={answers} current={current} onGo={go} />
          {current !== null && <TakeIn state={state} />}
        </Stack>
      </TwoColumns>
      {state.conflict !== null && (
        <Modal
          title={t('web.intake.intake-view.two-people-changed-the-same-answer')}
          isOpen
          onClose={() => state.settle(false)}
        >
          <ProblemNote error={state.conflict.problem} />
          {Object.entries(state.conflict.mine).map(([name, mine]) => (
            <Compare key={name}>
              <dt>{t('web.intake.intake-view.theirs')}</dt>
              <dd>{shown(view.answers[name as keyof typeof view.answers])}</dd>
              <dt>{t('web.intake.intake-view.yours')}</dt>
              <dd>{shown(mine)}</dd>
            </Compare>
          ))}
          <Row>
            <Button primary onPress={() => state.settle(false)}>
              {t('web.intake.intake-view.keep-theirs')}
            </Button>
            <Button onPress={() => state.settle(true)}>
              {t('web.intake.intake-view.put-mine')}
            </Button>
          </Row>
        </Modal>
      )}
    </Page>
  );
}

const shown = (value: unknown) =>
  value == null
    ? t('web.intake.intake-view.nothing')
    : typeof value === 'string'
      ? value
      : JSON.stringify(value);

/** Forward from the present step first, then from the beginning. */
function order(step: Step, from: Step, steps: readonly Step[]): number {
  const distance = steps.indexOf(step) - steps.indexOf(from);
  return distance > 0 ? distance : distance + 2 * steps.length;
}

function titleOf({ view, answers }: IntakeState): string {
  if (view.job !== null)
    return t('web.intake.intake-view.correct-what-was-said', { job: view.job });
  if (answers.customerName === undefined) return t('web.intake.intake-view.who-brings-what');
  const machine = [answers.maker, answers.model].filter(Boolean).join(' ');
  return t('web.intake.intake-view.brings', {
    customerName: answers.customerName ?? '',
    machine: machine === '' ? t('web.intake.intake-view.something') : machine,
  });
}

const savedWords = ({ saved, view }: IntakeState) =>
  saved
    ? view.job === null
      ? t('web.intake.intake-view.draft-kept')
      : view.corrected
        ? t('web.intake.intake-view.correction-not-applied-yet')
        : t('web.intake.intake-view.as-taken-in')
    : t('web.intake.intake-view.keeping');

const NAMES: Record<string, string> = {
  who: t('web.intake.intake-view.whose-it-is'),
  which: t('web.intake.intake-view.which-machine'),
  complaint: t('web.intake.intake-view.the-complaint'),
  error: t('web.intake.intake-view.error-text'),
  data: t('web.intake.intake-view.data-and-consent'),
  left: t('web.intake.intake-view.left-with-us'),
  password: t('web.intake.intake-view.password'),
  promise: t('web.intake.intake-view.promised-for'),
};

function stepName(step: Step, script: Script): string {
  return NAMES[step] ?? questionOf(step, script)?.open.replace('?', '') ?? step;
}

interface AskedProps {
  step: Step;
  script: Script;
  state: IntakeState;
  onNext: () => void;
  onSkip: () => void;
}

function Asked({ step, script, state, onNext, onSkip }: AskedProps) {
  const props = {
    intake: state.view,
    answers: state.answers,
    change: state.change,
    onNext,
    onSkip,
  };
  const question = questionOf(step, script);
  if (question !== undefined) return <QuestionCard {...props} question={question} />;
  switch (step) {
    case 'who':
      return <WhoCard {...props} />;
    case 'which':
      return <WhichCard {...props} />;
    case 'complaint':
      return <ComplaintCard {...props} script={script} />;
    case 'error':
      return <ErrorCard {...props} />;
    case 'data':
      return <DataCard {...props} script={script} flush={state.flush} />;
    case 'left':
      return <LeftCard {...props} />;
    case 'password':
      return <PasswordCard {...props} />;
    default:
      return <PromiseCard {...props} />;
  }
}

function Finish({ state, rest }: { state: IntakeState; rest: number }) {
  return (
    <Done>
      <h2>
        {state.view.job !== null
          ? t('web.intake.intake-view.any-phrase-above-can-be-changed')
          : rest === 0
            ? t('web.intake.intake-view.everything-is-asked')
            : t('web.intake.intake-view.asked-through-what-was-skipped-stays')}
      </h2>
      <TakeIn state={state} autoFocus />
    </Done>
  );
}

/** Makes a job of the draft and prints its label, or puts it aside. */
function TakeIn({ state, autoFocus = false }: { state: IntakeState; autoFocus?: boolean }) {
  const { view, flush } = state;
  const navigate = useNavigate();
  const takeIn = useCall<{ number: string }>(keys.floor, ['intake', view.id]);
  const drop = useCall(['intakes']);
  const [failed, setFailed] = useState<unknown>(null);
  const submit = () => {
    setFailed(null);
    flush()
      .then((sent) =>
        takeIn.mutateAsync(() =>
          api.POST('/api/intakes/{id}/take-in', {
            params: { path: { id: view.id } },
            body: { version: sent.version },
          }),
        ),
      )
      .then(({ number }) => navigate(`/job/${number}`, { state: { takenIn: view.job === null } }))
      .catch(setFailed);
  };
  return (
    <Stack>
      {view.missing !== null && (
        <small>{t('web.intake.intake-view.still-missing', { missing: view.missing })}</small>
      )}
      {failed !== null && <ProblemNote error={failed} />}
      <Row>
        <Button
          primary
          data-do
          autoFocus={autoFocus}
          onPress={submit}
          isDisabled={view.missing !== null}
          isPending={takeIn.isPending}
        >
          {view.job === null
            ? t('web.intake.intake-view.take-it-in')
            : t('web.intake.intake-view.keep-the-correction')}
        </Button>
        {view.job === null ? (
          <>
            <Button data-do onPress={() => void flush().then(() => navigate('/intake'))}>
              {t('web.intake.intake-view.keep-for-later')}
            </Button>
            <Button
              data-do
              onPress={() =>
                drop.mutate(
                  () => api.DELETE('/api/intakes/{id}', { params: { path: { id: view.id } } }),
                  { onSuccess: () => void navigate('/intake', { state: { dropped: view.id } }) },
                )
              }
            >
              {t('web.intake.intake-view.put-aside')}
            </Button>
          </>
        ) : (
          <Button data-do onPress={() => void navigate(`/job/${view.job}`)}>
            {t('web.intake.intake-view.back-to-the-job')}
          </Button>
        )}
      </Row>
    </Stack>
  );
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
  padding: 2px 0 10px;
`;

const Still = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding: 0 4px;
`;

const StillButton = styled(Button)`
  font-weight: 400;
  padding: 4px 12px;
  border-color: ${color.line};
`;

const Done = styled(Sheet)`
  border-left: 5px solid ${color.mat};
  padding: 16px 20px;
  display: grid;
  gap: 12px;
`;

const Compare = styled.dl`
  display: grid;
  grid-template-columns: 70px 1fr;
  gap: 4px 12px;
  dt {
    color: ${color.ink2};
  }
`;
