import { say, t } from '../../words/words';
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
import { missing } from '../../ui/missing';

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
          {say('web.job.hand.this-job-is-ended', {
            endedHow: job.endedHow,
            when: when(job.endedAt),
          })}
        </b>
        {job.handBack.done != null && (
          <small>
            {t('web.job.hand.to', {
              takenBy: job.handBack.done.takenBy,
              payment: job.handBack.done.payment,
            })}
          </small>
        )}
      </>
    );
  }
  const technician = me?.role !== 'COUNTER';
  const mine = job.holder?.id === me?.id;
  const close = () => setDialog(null);
  const whose =
    job.holder === null
      ? t('web.job.hand.nobody-has-it')
      : mine
        ? t('web.job.hand.yours')
        : job.holder.displayName;
  const items: readonly Item[] = [
    ...(technician && !mine ? [{ words: t('web.job.hand.take-it'), act: take }] : []),
    { words: t('web.job.hand.hand-over-or-share'), act: () => setDialog('hand') },
    job.waits === null
      ? { words: t('web.job.hand.waits-for'), act: () => setDialog('wait') }
      : { words: t('web.job.hand.waits-no-longer'), act: waitNoLonger },
    {
      words: job.bay === null ? t('web.job.hand.put-in-a-bay') : t('web.job.hand.move-bay'),
      act: () => setDialog('bay'),
    },
    ...(job.secretKept && technician
      ? [{ words: t('web.job.hand.owner-s-password'), act: () => setDialog('secret') }]
      : []),
    ...(job.fromCounter
      ? [
          {
            words: t('web.job.hand.correct-what-was-said'),
            act: () => void navigate(`/job/${job.number}/intake`),
          },
        ]
      : []),
    { words: t('web.job.hand.print-label'), act: () => printLabel(job.number) },
    { words: t('web.job.hand.report'), act: () => void navigate(`/job/${job.number}/report`) },
    ...(technician && job.stage === 'WORK'
      ? [{ words: t('web.job.hand.ready-to-hand-back'), act: ready }]
      : []),
    { words: t('web.job.hand.end-the-job'), act: () => setDialog('end') },
  ];
  return (
    <>
      <MenuTrigger>
        <Small aria-label={t('web.job.hand.what-can-be-done-with-the', { whose })}>{whose} ▾</Small>
        <Popup placement="bottom start">
          <Menu aria-label={t('web.job.hand.what-can-be-done-with-the-2')}>
            {items.map((item) => (
              <MenuItem key={item.words} onAction={item.act}>
                {item.words}
              </MenuItem>
            ))}
          </Menu>
        </Popup>
      </MenuTrigger>
      {job.sharedWith.length > 0 && (
        <small>
          {t('web.job.hand.shared-with', {
            sharedWith: job.sharedWith.map((p) => p.displayName).join(', '),
          })}
        </small>
      )}
      {job.waits !== null && (
        <Waits>
          {t('web.job.hand.waits-for-2', {
            words: job.waits.words,
            note: job.waits.note,
            until:
              job.waits.until === null
                ? ''
                : t('web.job.hand.expected', { when: when(job.waits.until) }),
          })}
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
    <Modal
      title={t('web.job.hand.who-goes-on-with', { number: job.number })}
      isOpen
      onClose={onClose}
    >
      <Select
        label={t('web.job.hand.colleague')}
        value={to}
        onChange={setTo}
        options={[
          ['', t('web.job.hand.whoever-is-free')],
          ...others
            .filter((p) => p.id !== job.holder?.id)
            .map(
              (p) =>
                [
                  String(p.id),
                  p.displayName + (p.id === me?.id ? ` ${t('web.job.hand.you')}` : ''),
                ] as const,
            ),
        ]}
      />
      <Field label={t('web.job.hand.note-for-them')} value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary isPending={call.isPending} onPress={handOver}>
          {t('web.job.hand.hand-it-over')}
        </Button>
        <Button
          missing={missing([to !== '', t('web.missing.a-person')])}
          isPending={call.isPending}
          onPress={share}
        >
          {shared.includes(Number(to))
            ? t('web.job.hand.share-no-longer')
            : t('web.job.hand.share-it')}
        </Button>
        <Button onPress={onClose}>{t('web.job.hand.leave-it')}</Button>
      </Row>
    </Modal>
  );
}

function WaitDialog({ job, onClose }: DialogProps) {
  const { call, send, params, version } = useJobCall(job, onClose);
  const [note, setNote] = useState('');
  const [until, setUntil] = useState('');
  const lacks = missing([note.trim() !== '', t('web.missing.what-exactly')]);
  const wait = (what: 'PART' | 'ANSWER') =>
    send(() =>
      api.POST('/api/jobs/{number}/wait', {
        params,
        body: { version, what, note, until: until === '' ? null : new Date(until).toISOString() },
      }),
    );
  return (
    <Modal title={t('web.job.hand.what-does-it-wait-for')} isOpen onClose={onClose}>
      <Field label={t('web.job.hand.what-exactly')} value={note} onChange={setNote} />
      <Field
        label={t('web.job.hand.expected-2')}
        type="datetime-local"
        value={until}
        onChange={setUntil}
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary missing={lacks} onPress={() => wait('PART')}>
          {t('web.job.hand.a-part')}
        </Button>
        <Button missing={lacks} onPress={() => wait('ANSWER')}>
          {t('web.job.hand.an-answer')}
        </Button>
        <Button onPress={onClose}>{t('web.job.hand.leave-it')}</Button>
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
      title={
        free.length === 0
          ? t('web.job.hand.no-bay-is-free')
          : t('web.job.hand.which-bay-does-it-sit-in')
      }
      isOpen
      onClose={onClose}
    >
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        {free.map((bay) => (
          <Button key={bay.number} onPress={() => put(bay.number)}>
            {t('web.job.hand.bay', { number: bay.number })}
          </Button>
        ))}
        {job.bay !== null && (
          <Button onPress={() => put(null)}>{t('web.job.hand.off-its-bay')}</Button>
        )}
        <Button onPress={onClose}>{t('web.job.hand.leave-it')}</Button>
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
    <Modal title={t('web.job.hand.how-does-end', { number: job.number })} isOpen onClose={onClose}>
      <p>{t('web.job.hand.the-owner-s-password-is-wiped')}</p>
      <Field label={t('web.job.hand.note')} value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary onPress={() => setBack(true)}>
          {t('web.job.hand.handed-back-to-the-owner')}
        </Button>
        <Button onPress={mistake}>{t('web.job.hand.taken-in-by-mistake')}</Button>
        <Button onPress={onClose}>{t('web.job.hand.not-yet')}</Button>
      </Row>
    </Modal>
  );
}

function SecretDialog({ job, onClose }: DialogProps) {
  const call = useCall<{ secret: string }>(keys.job(job.number));
  return (
    <Modal title={t('web.job.hand.the-owner-s-password-is-sealed')} isOpen onClose={onClose}>
      <p>{t('web.job.hand.opening-it-is-written-into-the')}</p>
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
          {t('web.job.hand.open-it')}
        </Button>
        <Button onPress={onClose}>{t('web.job.hand.close')}</Button>
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
