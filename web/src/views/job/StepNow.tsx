import { t } from '../../words/words';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSession } from '../../api/queries';
import type { ComplaintNow, Job, Move, WorkStep } from '../../api/types';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { FieldRow, Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { HandBack } from './HandBack';
import { ProofCard } from './ProofCard';
import { StepList } from './StepList';
import { StepPartCard } from './StepPartCard';
import { missing } from '../../ui/missing';

export interface StepNowProps {
  job: Job;
  step: WorkStep;
  /** Opens a move that is made by hand, with its steps. */
  onGuided: (move: Move) => void;
}

/** What can be done about the step that is to be done. */
export function StepNow({ job, step, onGuided }: StepNowProps) {
  const role = useSession().data?.person?.role;
  if (role === 'COUNTER' && step.id !== 'hand-back') return null;
  if (step.state === 'WAITS_FOR_DECISION') {
    // What contradicts the decision stands at the top, with its button.
    if (job.contradicted !== null) return null;
    return (
      <p>
        <Link to={`/job/${job.number}/decision`}>{t('web.job.step-now.decide-anew')}</Link>
      </p>
    );
  }
  if (step.id === 'show') return <ProofCard job={job} />;
  if (step.id === 'hand-back') return <HandBack job={job} />;
  if (step.state === 'OPEN') {
    return (
      <>
        <How job={job} step={step} />
        <Look job={job} />
      </>
    );
  }
  if (step.recovers) {
    const drive = job.drives[0]?.key ?? 'drive-a';
    return (
      <>
        <p>
          <Link to={`/rescue/${job.number}/${drive}`}>
            {t('web.job.step-now.survey-and-copy-its-data')}
          </Link>
        </p>
        <NotDone job={job} step={step} />
      </>
    );
  }
  return <Begin job={job} step={step} onGuided={onGuided} />;
}

/** How the step is done, beside the part that it needs. */
function How({ job, step }: { job: Job; step: WorkStep }) {
  const part = step.part != null && <StepPartCard job={job} step={step} part={step.part} />;
  if (step.instructions.length === 0) return part;
  return (
    <Beside>
      <StepList steps={step.instructions} />
      {part}
    </Beside>
  );
}

/** A step that cannot be done, or was done elsewhere, says why; the plan goes on. */
function NotDone({ job, step }: { job: Job; step: WorkStep }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [why, setWhy] = useState<string | null>(null);
  if (why === null) {
    return (
      <Button
        aria-label={t('web.job.step-now.could-not-do-it', { name: step.name })}
        onPress={() => setWhy('')}
      >
        {t('web.job.step-now.could-not-do-it-2')}
      </Button>
    );
  }
  return (
    <Asked
      onSubmit={(event) => {
        event.preventDefault();
        call.mutate(() =>
          api.POST('/api/jobs/{number}/steps/{remedy}/not-done', {
            params: { path: { number: job.number, remedy: step.id } },
            body: { version: job.version, why },
          }),
        );
      }}
    >
      <Field
        label={t('web.job.step-now.why-not-or-where-it-was')}
        value={why}
        onChange={setWhy}
        maxLength={1000}
        autoFocus
      />
      <Button type="submit" isDisabled={why.trim() === ''} isPending={call.isPending}>
        {t('web.job.step-now.go-on-without-it')}
      </Button>
      <Button onPress={() => setWhy(null)}>{t('web.job.step-now.leave-it')}</Button>
      {call.isError && <ProblemNote error={call.error} />}
    </Asked>
  );
}

const RESULTS: readonly [ComplaintNow, string][] = [
  ['GONE', t('web.job.step-now.it-is-gone')],
  ['SAME', t('web.job.step-now.it-is-the-same')],
  ['DIFFERENT', t('web.job.step-now.it-is-different')],
  ['COULD_NOT_TELL', t('web.job.step-now.could-not-tell')],
  ['BROKE_OFF', t('web.job.step-now.it-broke-off')],
];

/** What was changed is closed by looking at the complaint. */
function Look({ job }: { job: Job }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [note, setNote] = useState('');
  const check = (result: ComplaintNow) =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/check', {
        params: { path: { number: job.number } },
        body: { version: job.version, result, note },
      }),
    );
  return (
    <>
      <p>{t('web.job.step-now.is-the-complaint-still-there', { complaint: job.complaint })}</p>
      <Asked as="div">
        <Field
          label={t('web.job.step-now.note-if-any')}
          value={note}
          onChange={setNote}
          maxLength={1000}
        />
        {RESULTS.map(([result, words]) => (
          <Button key={result} isPending={call.isPending} onPress={() => check(result)}>
            {words}
          </Button>
        ))}
      </Asked>
      {call.isError && <ProblemNote error={call.error} />}
    </>
  );
}

function Begin({ job, step, onGuided }: StepNowProps) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [drive, setDrive] = useState({ size: '', model: '', lastFour: '' });
  const move = job.moves.find((m) => m.id === step.move) ?? null;
  const erases = step.invasiveness === 'ERASES';
  const isNamed =
    drive.size.trim() !== '' && drive.model.trim() !== '' && drive.lastFour.trim().length === 4;
  const begin = () =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/steps/{remedy}/begin', {
        params: { path: { number: job.number, remedy: step.id } },
        body: { version: job.version, drive: erases ? drive : null },
      }),
    );
  return (
    <>
      <How job={job} step={step} />
      {erases && (
        <>
          <p>{t('web.job.step-now.it-erases-look-at-the-drive')}</p>
          <FieldRow as="div">
            <Field
              label={t('web.job.step-now.size-such-as-500-gb')}
              value={drive.size}
              onChange={(size) => setDrive({ ...drive, size })}
            />
            <Field
              label={t('web.job.step-now.model')}
              value={drive.model}
              onChange={(model) => setDrive({ ...drive, model })}
            />
            <Field
              label={t('web.job.step-now.last-four-of-its-serial')}
              value={drive.lastFour}
              onChange={(lastFour) => setDrive({ ...drive, lastFour })}
            />
          </FieldRow>
        </>
      )}
      <Row>
        {move !== null && !erases ? (
          <Button
            primary
            aria-label={t('web.job.step-now.do-it', { name: step.name })}
            onPress={() => onGuided(move)}
          >
            {t('web.job.step-now.do-it-2')}
          </Button>
        ) : (
          <Button
            primary
            aria-label={t('web.job.step-now.begin', { name: step.name })}
            missing={missing(
              [!erases || isNamed, t('web.missing.the-drive-s-name')],
              [step.state !== 'WAITS_FOR_PART', t('web.missing.its-part')],
            )}
            isPending={call.isPending}
            onPress={begin}
          >
            {t('web.job.step-now.begin-2')}
          </Button>
        )}
        <NotDone job={job} step={step} />
        {step.invasiveness !== null && step.invasiveness !== undefined && (
          <InvasivenessPips invasiveness={step.invasiveness} words="" />
        )}
        <small>{t('web.job.step-now.then-the-complaint-is-looked-at')}</small>
      </Row>
      {call.isError && <ProblemNote error={call.error} />}
    </>
  );
}

const Beside = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(300px, 100%), 1fr));
  gap: 8px 20px;
  align-items: start;
`;

const Asked = styled(FieldRow)`
  & > :first-child {
    flex: 1 1 240px;
  }
`;
