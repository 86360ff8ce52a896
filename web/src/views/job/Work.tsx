import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSession } from '../../api/queries';
import type { ComplaintNow, Job, Move, PlanWork, WorkStep } from '../../api/types';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { FieldRow, Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { GuidedMove } from './GuidedMove';
import { ProofCard } from './ProofCard';

export interface WorkProps {
  job: Job;
  work: PlanWork;
  /** Whether it is what the page is about; else the diagnosis is. */
  isTitle: boolean;
}

/** The signed plan, step by step: what is done, what is to be done now, what waits for what. */
export function Work({ job, work, isTitle }: WorkProps) {
  // Here, not in its step: that changes its state when the move is begun, and the dialog stays.
  const [guided, setGuided] = useState<Move | null>(null);
  const plan = work.steps.length - 1; // the hand-back is no step of the plan
  const at = Math.min(work.at, plan);
  return (
    <Plan aria-label="The work that was decided">
      <SheetHead>
        <Heading as={isTitle ? 'h1' : 'h2'}>
          {work.words}
          {plan > 0 && `: step ${at} of ${plan}`}
        </Heading>
        <small>
          decided by {work.decidedBy}, {when(work.decidedAt)} ·{' '}
          <Link to={`/job/${job.number}/decision`}>see the decision</Link>
        </small>
      </SheetHead>
      <ol>
        {work.steps.map((step, i) => (
          <Step key={step.id} data-state={step.state}>
            <Number aria-hidden>{markOf(step, i + 1)}</Number>
            <div>
              <Line>
                <b>{step.name}</b>
                <small>{step.stateWords}</small>
                {step.handsOn > 0 && isAhead(step) && <small>{minutesOf(step)}</small>}
              </Line>
              {(i + 1 === work.at || step.state === 'OPEN') && (
                <Now job={job} step={step} onGuided={setGuided} />
              )}
            </div>
          </Step>
        ))}
      </ol>
      {guided !== null && <GuidedMove job={job} move={guided} onClose={() => setGuided(null)} />}
    </Plan>
  );
}

const markOf = (step: WorkStep, number: number) =>
  step.state === 'DONE'
    ? '✓'
    : step.state === 'NOT_NEEDED' || step.state === 'NOT_DONE'
      ? '–'
      : String(number);

const isAhead = (step: WorkStep) =>
  step.state !== 'DONE' && step.state !== 'NOT_NEEDED' && step.state !== 'NOT_DONE';

const minutesOf = (step: WorkStep) =>
  step.waiting === 0
    ? `${step.handsOn} min hands-on`
    : `${step.handsOn} min hands-on, ${step.waiting} min by itself`;

interface NowProps {
  job: Job;
  step: WorkStep;
  /** Opens a move that is made by hand, with its steps. */
  onGuided: (move: Move) => void;
}

/** What can be done about the step that is to be done. */
function Now({ job, step, onGuided }: NowProps) {
  const role = useSession().data?.person?.role;
  if (role === 'COUNTER') return null;
  if (step.id === 'show') return <ProofCard job={job} />;
  if (step.id === 'hand-back') {
    return <p>Say “Ready to hand back” above; then the job is ended.</p>;
  }
  if (step.state === 'OPEN') return <Look job={job} />;
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

function Begin({ job, step, onGuided }: NowProps) {
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
      {step.course === 'REPLACE_PART' &&
        job.needed.map((part) => (
          <Part key={part.place}>
            In place of {part.place}: {part.words}.{' '}
            {part.inStock === null ? 'Nothing in stock fits.' : `${part.inStock}.`}{' '}
            <Link to="/stock">Stock ›</Link>
          </Part>
        ))}
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
            isDisabled={erases && !isNamed}
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

const Plan = styled(Sheet)`
  margin: 12px 0;
`;

const Heading = styled(Lead)`
  font-size: ${size.head};
  color: ${color.ink};
`;

const Step = styled.li`
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  gap: 8px;
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  color: ${color.ink2};
  &[data-state='NEXT'],
  &[data-state='OPEN'],
  &[data-state='WAITS_FOR_PART'],
  &[data-state='WAITS_FOR_OWNER'] {
    color: ${color.ink};
    background: ${color.clearSoft};
    box-shadow: inset 5px 0 0 ${color.clear};
  }
  &[data-state='DONE'] {
    color: ${color.ink};
  }
  & > div {
    display: grid;
    gap: 8px;
    min-width: 0;
  }
`;

const Number = styled.span`
  font-weight: 700;
`;

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  small {
    font-size: ${size.text};
  }
  small:last-child:not(:nth-child(2)) {
    margin-left: auto;
  }
`;

const Part = styled.p`
  font-size: ${size.body};
`;

const Asked = styled(FieldRow)`
  & > :first-child {
    flex: 1 1 240px;
  }
`;
