import { say, t } from '../../words/words';
import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { useSayDataStatus } from '../../api/queries';
import type { DriveHolds, Job } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Mono } from '../../ui/Sheet';
import { SignAway } from './SignAway';
import { Waivers } from './Waivers';

/** What is known about the owner's data, drive by drive, and the way to change it. */
export function DataCard({ job }: { job: Job }) {
  const [open, setOpen] = useState(false);
  const data = job.data;
  const signed = data.waivers.filter((w) => w.inForce);
  return (
    <>
      <Card onPress={() => setOpen(true)}>
        <strong>{t('web.job.data-card.data', { words: data.words })}</strong>
        <span>{data.meaning}</span>
        {signed.length > 0 && (
          <span>{say('web.job.data-card.signed', { signer: signed[0]?.signer })}</span>
        )}
        {signed.length === 0 && data.saidBy !== null && (
          <span>
            {t('web.job.data-card.said-at-intake-not-wanted-no', { saidBy: data.saidBy })}
          </span>
        )}
      </Card>
      {open && <DataDialog job={job} onClose={() => setOpen(false)} />}
    </>
  );
}

function DataDialog({ job, onClose }: { job: Job; onClose: () => void }) {
  const change = useSayDataStatus(job.number);
  const data = job.data;
  return (
    <Modal
      title={t('web.job.data-card.the-data-is', { words: data.words })}
      isOpen
      onClose={onClose}
    >
      <p>
        {say('web.job.data-card.copied-and-copy-verified-come-from', {
          meaning: data.meaning,
          value:
            data.setAt !== null &&
            ` ${t('web.job.data-card.last-changed', { when: when(data.setAt) })}`,
        })}
      </p>
      <Drives drives={data.drives} />
      <Button
        onPress={() =>
          change.mutate({ version: job.version, dataStatus: 'WANTED' }, { onSuccess: onClose })
        }
        isDisabled={data.status === 'WANTED'}
        isPending={change.isPending}
      >
        {t('web.job.data-card.the-owner-wants-the-data')}
      </Button>
      {change.isError && <ProblemNote error={change.error} />}
      <Waivers job={job} />
      <SignAway job={job} onDone={onClose} />
      <Button onPress={onClose}>{t('web.job.data-card.leave-it-as-it-is')}</Button>
    </Modal>
  );
}

function Drives({ drives }: { drives: DriveHolds[] }) {
  if (drives.length === 0) {
    return <p>{t('web.job.data-card.no-drive-of-this-machine-was')}</p>;
  }
  return (
    <List>
      {drives.map((d) => (
        <li key={d.partKey}>
          <b>{d.name}</b>: {d.words}
          {d.drive === null ? (
            <small>{t('web.job.data-card.it-has-not-told-who-it')}</small>
          ) : (
            <Mono>
              {d.drive.model} · {d.drive.serial}
            </Mono>
          )}
          {d.elsewhere.length > 0 && (
            <small>
              {t('web.job.data-card.the-same-drive-is-in-job', {
                elsewhere: d.elsewhere.join(', '),
              })}
            </small>
          )}
          {d.drive !== null && d.open.length > 0 && (
            <small>
              {t('web.job.data-card.erasing-it-would-lose', {
                open: d.open.map((h) => h.words).join('; '),
              })}
            </small>
          )}
        </li>
      ))}
    </List>
  );
}

const Card = styled(AriaButton)`
  font: inherit;
  text-align: left;
  display: grid;
  gap: 2px;
  padding: 10px 16px;
  min-width: 190px;
  max-width: 300px;
  border: 0;
  border-left: 5px solid ${color.hold};
  border-radius: 0 ${radius} ${radius} 0;
  background: ${color.holdSoft};
  color: ${color.holdInk};
  font-size: ${size.text};
  cursor: pointer;
`;

const List = styled.ul`
  display: grid;
  gap: 8px;
  li {
    padding: 8px 0;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  small,
  li > span {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
