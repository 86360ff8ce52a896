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
        <Link to={`/job/${job.number}/decision`}>Decide anew ›</Link>
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
          <Link to={`/rescue/${job.number}/${drive}`}>Survey and copy its data ›</Link>
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
      <Button aria-label={`Could not do it: ${step.name}`} onPress={() => setWhy('')}>
        Could not do it…
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
        label="Why not, or where it was done"
        value={why}
        onChange={setWhy}
        maxLength={1000}
        autoFocus
      />
      <Button type="submit" isDisabled={why.trim() === ''} isPending={call.isPending}>
        Go on without it
      </Button>
      <Button onPress={() => setWhy(null)}>Leave it</Button>
      {call.isError && <ProblemNote error={call.error} />}
    </Asked>
  );
}

const RESULTS: readonly [ComplaintNow, string][] = [
  ['GONE', 'It is gone'],
  ['SAME', 'It is the same'],
  ['DIFFERENT', 'It is different'],
  ['COULD_NOT_TELL', 'Could not tell'],
  ['BROKE_OFF', 'It broke off'],
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
      <p>Is the complaint still there? “{job.complaint}”</p>
      <Asked as="div">
        <Field label="Note, if any" value={note} onChange={setNote} maxLength={1000} />
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
          <p>It erases. Look at the drive and name it.</p>
          <FieldRow as="div">
            <Field
              label="Size, such as 500 GB"
              value={drive.size}
              onChange={(size) => setDrive({ ...drive, size })}
            />
            <Field
              label="Model"
              value={drive.model}
              onChange={(model) => setDrive({ ...drive, model })}
            />
            <Field
              label="Last four of its serial"
              value={drive.lastFour}
              onChange={(lastFour) => setDrive({ ...drive, lastFour })}
            />
          </FieldRow>
        </>
      )}
      <Row>
        {move !== null && !erases ? (
          <Button primary aria-label={`Do it: ${step.name}`} onPress={() => onGuided(move)}>
            Do it…
          </Button>
        ) : (
          <Button
            primary
            aria-label={`Begin: ${step.name}`}
            isDisabled={(erases && !isNamed) || step.state === 'WAITS_FOR_PART'}
            isPending={call.isPending}
            onPress={begin}
          >
            Begin
          </Button>
        )}
        <NotDone job={job} step={step} />
        {step.invasiveness !== null && step.invasiveness !== undefined && (
          <InvasivenessPips invasiveness={step.invasiveness} words="" />
        )}
        <small>Then the complaint is looked at: gone, the same, different.</small>
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
