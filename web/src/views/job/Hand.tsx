import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
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
  const params = { path: { number: job.number } };
  const { version } = job;
  const take = () =>
    call.mutate(() => api.POST('/api/jobs/{number}/take', { params, body: { version } }));
  const ready = () =>
    call.mutate(() => api.POST('/api/jobs/{number}/ready', { params, body: { version } }));
  const waitNoLonger = () =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/wait', {
        params,
        body: { version, what: null, note: '', until: null },
      }),
    );
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
        {technician && !mine && <Small onPress={take}>Take it</Small>}
        <Small onPress={() => setDialog('hand')}>Hand over or share</Small>
        {job.waits === null ? (
          <Small onPress={() => setDialog('wait')}>Waits for…</Small>
        ) : (
          <Small onPress={waitNoLonger}>Waits no longer</Small>
        )}
        <Small onPress={() => setDialog('bay')}>
          {job.bay === null ? 'Put in a bay' : 'Move bay'}
        </Small>
        {job.secretKept && technician && (
          <Small onPress={() => setDialog('secret')}>Owner’s password</Small>
        )}
        {job.fromCounter && <Correct number={job.number} />}
        <Small onPress={() => printLabel(job.number)}>Print label</Small>
        {technician && job.stage === 'WORK' && <Small onPress={ready}>Ready to hand back</Small>}
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
  const send = (sent: () => Promise<{ data?: unknown }>) =>
    call.mutate(sent, { onSuccess: onClose });
  return { call, send, params: { path: { number: job.number } }, version: job.version };
};

function HandDialog({ job, onClose }: DialogProps) {
  const { call, send, params, version } = useJobCall(job, onClose);
  const me = useSession().data?.person;
  const people = usePeople().data ?? [];
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  const others = people.filter((p) => p.active && p.role !== 'COUNTER');
  const shared = job.sharedWith.map((p) => p.id);
  const handOver = () =>
    send(() =>
      api.POST('/api/jobs/{number}/hand-over', {
        params,
        body: { version, to: to === '' ? null : Number(to), note },
      }),
    );
  const share = () =>
    send(() =>
      api.POST('/api/jobs/{number}/share', {
        params,
        body: { version, with: Number(to), on: !shared.includes(Number(to)) },
      }),
    );
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
        <Button primary isPending={call.isPending} onPress={handOver}>
          Hand it over
        </Button>
        <Button isDisabled={to === ''} isPending={call.isPending} onPress={share}>
          {shared.includes(Number(to)) ? 'Share no longer' : 'Share it'}
        </Button>
        <Button onPress={onClose}>Leave it</Button>
      </Row>
    </Modal>
  );
}

function WaitDialog({ job, onClose }: DialogProps) {
  const { call, send, params, version } = useJobCall(job, onClose);
  const [note, setNote] = useState('');
  const [until, setUntil] = useState('');
  const wait = (what: 'PART' | 'ANSWER') =>
    send(() =>
      api.POST('/api/jobs/{number}/wait', {
        params,
        body: { version, what, note, until: until === '' ? null : new Date(until).toISOString() },
      }),
    );
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
  const { call, send, params, version } = useJobCall(job, onClose);
  const put = (bay: number | null) =>
    send(() => api.POST('/api/jobs/{number}/bay', { params, body: { version, bay } }));
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
          <Button key={bay.number} onPress={() => put(bay.number)}>
            Bay {bay.number}
          </Button>
        ))}
        {job.bay !== null && <Button onPress={() => put(null)}>Off its bay</Button>}
        <Button onPress={onClose}>Leave it</Button>
      </Row>
    </Modal>
  );
}

function EndDialog({ job, onClose }: DialogProps) {
  const { call, send, params, version } = useJobCall(job, onClose);
  const [note, setNote] = useState('');
  const end = (how: 'HANDED_BACK' | 'WITHDRAWN') =>
    send(() => api.POST('/api/jobs/{number}/end', { params, body: { version, how, note } }));
  return (
    <Modal title={`How does ${job.number} end?`} isOpen onClose={onClose}>
      <p>The owner’s password is wiped and the bay is free. The history stays for ever.</p>
      <Field label="Note" value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary onPress={() => end('HANDED_BACK')}>
          Handed back to the owner
        </Button>
        <Button onPress={() => end('WITHDRAWN')}>Taken in by mistake</Button>
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
          onPress={() =>
            call.mutate(() =>
              api.POST('/api/jobs/{number}/secret', { params: { path: { number: job.number } } }),
            )
          }
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
