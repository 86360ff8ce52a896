import { useState } from 'react';
import { Menu, MenuItem, MenuTrigger, Popover } from 'react-aria-components';
import { useNavigate } from 'react-router';
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
import { HandBackDialog } from './HandBack';
import { printLabel } from './printLabel';

type Dialog = 'hand' | 'wait' | 'bay' | 'end' | 'secret' | null;

/** Whose the job is, what it waits for, and a menu of what can be done with it as a whole. */
export function Hand({ job }: { job: Job }) {
  const me = useSession().data?.person;
  const call = useCall(keys.job(job.number), keys.floor);
  const [dialog, setDialog] = useState<Dialog>(null);
  const navigate = useNavigate();
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
      <>
        <b>
          This job is ended: {job.endedHow}, {when(job.endedAt)}.
        </b>
        {job.handBack.done != null && (
          <small>
            To {job.handBack.done.takenBy}, {job.handBack.done.payment}.
          </small>
        )}
      </>
    );
  }
  const technician = me?.role !== 'COUNTER';
  const mine = job.holder?.id === me?.id;
  const close = () => setDialog(null);
  const whose = job.holder === null ? 'Nobody has it' : mine ? 'Yours' : job.holder.displayName;
  const items: readonly Item[] = [
    ...(technician && !mine ? [{ words: 'Take it', act: take }] : []),
    { words: 'Hand over or share', act: () => setDialog('hand') },
    job.waits === null
      ? { words: 'Waits for…', act: () => setDialog('wait') }
      : { words: 'Waits no longer', act: waitNoLonger },
    { words: job.bay === null ? 'Put in a bay' : 'Move bay', act: () => setDialog('bay') },
    ...(job.secretKept && technician
      ? [{ words: 'Owner’s password', act: () => setDialog('secret') }]
      : []),
    ...(job.fromCounter
      ? [
          {
            words: 'Correct what was said',
            act: () => void navigate(`/job/${job.number}/intake`),
          },
        ]
      : []),
    { words: 'Print label', act: () => printLabel(job.number) },
    { words: 'Report', act: () => void navigate(`/job/${job.number}/report`) },
    ...(technician && job.stage === 'WORK' ? [{ words: 'Ready to hand back', act: ready }] : []),
    { words: 'End the job…', act: () => setDialog('end') },
  ];
  return (
    <>
      <MenuTrigger>
        <Small aria-label={`${whose}: what can be done with the job`}>{whose} ▾</Small>
        <Popup placement="bottom start">
          <Menu aria-label="What can be done with the job">
            {items.map((item) => (
              <MenuItem key={item.words} onAction={item.act}>
                {item.words}
              </MenuItem>
            ))}
          </Menu>
        </Popup>
      </MenuTrigger>
      {job.sharedWith.length > 0 && (
        <small>shared with {job.sharedWith.map((p) => p.displayName).join(', ')}</small>
      )}
      {job.waits !== null && (
        <Waits>
          waits for {job.waits.words}: {job.waits.note}
          {job.waits.until === null ? '' : `, expected ${when(job.waits.until)}`}
        </Waits>
      )}
      {call.isError && <ProblemNote error={call.error} />}
      {dialog === 'hand' && <HandDialog job={job} onClose={close} />}
      {dialog === 'wait' && <WaitDialog job={job} onClose={close} />}
      {dialog === 'bay' && <BayChoice job={job} onClose={close} />}
      {dialog === 'end' && <EndDialog job={job} onClose={close} />}
      {dialog === 'secret' && <SecretDialog job={job} onClose={close} />}
    </>
  );
}

interface Item {
  words: string;
  act: () => void;
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
  const [isBack, setBack] = useState(false);
  if (isBack) return <HandBackDialog job={job} onClose={onClose} />;
  const mistake = () =>
    send(() =>
      api.POST('/api/jobs/{number}/end', { params, body: { version, how: 'WITHDRAWN', note } }),
    );
  return (
    <Modal title={`How does ${job.number} end?`} isOpen onClose={onClose}>
      <p>The owner’s password is wiped and the bay is free. The history stays for ever.</p>
      <Field label="Note" value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary onPress={() => setBack(true)}>
          Handed back to the owner…
        </Button>
        <Button onPress={mistake}>Taken in by mistake</Button>
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

const Small = styled(Button)`
  font-weight: 400;
  font-size: ${size.text};
  padding: 4px 10px;
  border-color: ${color.line};
`;

const Waits = styled.span`
  padding: 2px 8px;
  border-left: 4px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
  font-size: ${size.text};
`;

const Popup = styled(Popover)`
  background: ${color.sheet};
  border: 1px solid ${color.ink3};
  border-radius: ${radius};
  min-width: 220px;
  [role='menuitem'] {
    padding: 0 14px;
    min-height: 44px;
    display: flex;
    align-items: center;
    cursor: pointer;
    outline: none;
    color: ${color.ink};
  }
  [role='menuitem'][data-focused] {
    background: ${color.clearSoft};
    box-shadow: inset 4px 0 0 ${color.clear};
  }
`;

const Secret = styled.p`
  font-family: 'JetBrains Mono Variable', monospace;
  font-size: ${size.title};
  padding: 12px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
`;
