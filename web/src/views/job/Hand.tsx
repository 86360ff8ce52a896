import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { keys, useCall, useFloor, usePeople, useSession } from '../../api/queries';
import type { Job } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Row } from '../../ui/Layout';
import { Select } from '../../ui/Select';
import { printLabel } from './printLabel';

type Dialog = 'hand' | 'wait' | 'bay' | 'end' | 'secret' | null;

/** Whose the job is, what it waits for, and what can be done with it as a whole. */
export function Hand({ job }: { job: Job }) {
  const me = useSession().data?.person;
  const call = useCall(keys.job(job.number), keys.floor);
  const [dialog, setDialog] = useState<Dialog>(null);
  const post = (path: string, body: object = {}) =>
    call.mutate({
      method: 'POST',
      path: `/api/jobs/${job.number}/${path}`,
      body: { version: job.version, ...body },
    });
  if (job.endedAt !== null) {
    return (
      <Bar>
        <span>
          <b>
            This job is ended: {job.endedHow}, {when(job.endedAt)}.
          </b>
        </span>
      </Bar>
    );
  }
  const technician = me?.role !== 'COUNTER';
  const mine = job.holder?.id === me?.id;
  const close = () => setDialog(null);
  return (
    <Bar aria-label="Whose it is">
      <span>
        <b>{job.holder === null ? 'Nobody has it' : mine ? 'Yours' : job.holder.displayName}</b>
        {job.sharedWith.length > 0 &&
          `, shared with ${job.sharedWith.map((p) => p.displayName).join(', ')}`}
        {job.waits !== null &&
          ` · waits for ${job.waits.words}: ${job.waits.note}${job.waits.until === null ? '' : `, expected ${when(job.waits.until)}`}`}
      </span>
      <Actions>
        {technician && !mine && <Small onPress={() => post('take')}>Take it</Small>}
        <Small onPress={() => setDialog('hand')}>Hand over or share</Small>
        {job.waits === null ? (
          <Small onPress={() => setDialog('wait')}>Waits for…</Small>
        ) : (
          <Small onPress={() => post('wait', { what: null, note: '', until: null })}>
            Waits no longer
          </Small>
        )}
        <Small onPress={() => setDialog('bay')}>
          {job.bay === null ? 'Put in a bay' : 'Move bay'}
        </Small>
        {job.secretKept && technician && (
          <Small onPress={() => setDialog('secret')}>Owner’s password</Small>
        )}
        {job.fromCounter && <Correct number={job.number} />}
        <Small onPress={() => printLabel(job.number)}>Print label</Small>
        {technician && job.stage === 'WORK' && (
          <Small onPress={() => post('ready')}>Ready to hand back</Small>
        )}
        <Small onPress={() => setDialog('end')}>End the job…</Small>
        <Link to={`/job/${job.number}/report`}>Report</Link>
        <Link to={`/customer/${job.customerId}`}>{job.customer}</Link>
      </Actions>
      {call.isError && <ProblemNote error={call.error} />}
      {dialog === 'hand' && <HandDialog job={job} onClose={close} />}
      {dialog === 'wait' && <WaitDialog job={job} onClose={close} />}
      {dialog === 'bay' && <BayChoice job={job} onClose={close} />}
      {dialog === 'end' && <EndDialog job={job} onClose={close} />}
      {dialog === 'secret' && <SecretDialog job={job} onClose={close} />}
    </Bar>
  );
}

/** Leads back into the conversation that the job came from. */
function Correct({ number }: { number: string }) {
  const navigate = useNavigate();
  return (
    <Small onPress={() => void navigate(`/job/${number}/intake`)}>Correct what was said</Small>
  );
}

interface DialogProps {
  job: Job;
  onClose: () => void;
}

const useJobCall = (job: Job, onClose: () => void) => {
  const call = useCall(keys.job(job.number), keys.floor);
  const post = (path: string, body: object) =>
    call.mutate(
      {
        method: 'POST',
        path: `/api/jobs/${job.number}/${path}`,
        body: { version: job.version, ...body },
      },
      { onSuccess: onClose },
    );
  return { call, post };
};

function HandDialog({ job, onClose }: DialogProps) {
  const { call, post } = useJobCall(job, onClose);
  const me = useSession().data?.person;
  const people = usePeople().data ?? [];
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  const others = people.filter((p) => p.active && p.role !== 'COUNTER');
  const shared = job.sharedWith.map((p) => p.id);
  return (
    <Modal title={`Who goes on with ${job.number}?`} isOpen onClose={onClose}>
      <Select
        label="Colleague"
        value={to}
        onChange={setTo}
        options={[
          ['', 'whoever is free'],
          ...others
            .filter((p) => p.id !== job.holder?.id)
            .map((p) => [String(p.id), p.displayName + (p.id === me?.id ? ' (you)' : '')] as const),
        ]}
      />
      <Field label="Note for them" value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button
          primary
          isPending={call.isPending}
          onPress={() => post('hand-over', { to: to === '' ? null : Number(to), note })}
        >
          Hand it over
        </Button>
        <Button
          isDisabled={to === ''}
          isPending={call.isPending}
          onPress={() => post('share', { with: Number(to), on: !shared.includes(Number(to)) })}
        >
          {shared.includes(Number(to)) ? 'Share no longer' : 'Share it'}
        </Button>
        <Button onPress={onClose}>Leave it</Button>
      </Row>
    </Modal>
  );
}

function WaitDialog({ job, onClose }: DialogProps) {
  const { call, post } = useJobCall(job, onClose);
  const [note, setNote] = useState('');
  const [until, setUntil] = useState('');
  const wait = (what: 'PART' | 'ANSWER') =>
    post('wait', { what, note, until: until === '' ? null : new Date(until).toISOString() });
  return (
    <Modal title="What does it wait for?" isOpen onClose={onClose}>
      <Field label="What exactly" value={note} onChange={setNote} />
      <Field label="Expected" type="datetime-local" value={until} onChange={setUntil} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary isDisabled={note.trim() === ''} onPress={() => wait('PART')}>
          A part
        </Button>
        <Button isDisabled={note.trim() === ''} onPress={() => wait('ANSWER')}>
          An answer
        </Button>
        <Button onPress={onClose}>Leave it</Button>
      </Row>
    </Modal>
  );
}

function BayChoice({ job, onClose }: DialogProps) {
  const { call, post } = useJobCall(job, onClose);
  const free = (useFloor().data?.bays ?? []).filter((bay) => bay.job === null);
  return (
    <Modal
      title={free.length === 0 ? 'No bay is free' : 'Which bay does it sit in?'}
      isOpen
      onClose={onClose}
    >
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        {free.map((bay) => (
          <Button key={bay.number} onPress={() => post('bay', { bay: bay.number })}>
            Bay {bay.number}
          </Button>
        ))}
        {job.bay !== null && (
          <Button onPress={() => post('bay', { bay: null })}>Off its bay</Button>
        )}
        <Button onPress={onClose}>Leave it</Button>
      </Row>
    </Modal>
  );
}

function EndDialog({ job, onClose }: DialogProps) {
  const { call, post } = useJobCall(job, onClose);
  const [note, setNote] = useState('');
  return (
    <Modal title={`How does ${job.number} end?`} isOpen onClose={onClose}>
      <p>The owner’s password is wiped and the bay is free. The history stays for ever.</p>
      <Field label="Note" value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary onPress={() => post('end', { how: 'HANDED_BACK', note })}>
          Handed back to the owner
        </Button>
        <Button onPress={() => post('end', { how: 'WITHDRAWN', note })}>Taken in by mistake</Button>
        <Button onPress={onClose}>Not yet</Button>
      </Row>
    </Modal>
  );
}

function SecretDialog({ job, onClose }: DialogProps) {
  const call = useCall<{ secret: string }>(keys.job(job.number));
  return (
    <Modal title="The owner’s password is sealed" isOpen onClose={onClose}>
      <p>Opening it is written into the history with your name. It is gone at hand-back.</p>
      {call.isError && <ProblemNote error={call.error} />}
      {call.data !== undefined && <Secret>{call.data.secret}</Secret>}
      <Row>
        <Button
          primary
          isDisabled={call.data !== undefined}
          isPending={call.isPending}
          onPress={() => call.mutate({ method: 'POST', path: `/api/jobs/${job.number}/secret` })}
        >
          Open it
        </Button>
        <Button onPress={onClose}>Close</Button>
      </Row>
    </Modal>
  );
}

const Bar = styled.section`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 16px;
  margin-top: 10px;
  padding: 6px 12px;
  border: 1px solid ${color.line};
  border-radius: ${radius};
  background: ${color.sheet};
`;

const Actions = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  a {
    padding: 10px 6px;
  }
`;

const Small = styled(Button)`
  font-weight: 400;
  font-size: ${size.text};
  padding: 4px 10px;
  border-color: ${color.line};
`;

const Secret = styled.p`
  font-family: 'JetBrains Mono Variable', monospace;
  font-size: ${size.title};
  padding: 12px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
`;
