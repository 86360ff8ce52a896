import { t } from '../../words/words';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useEstimates, usePrices, useSession } from '../../api/queries';
import type { HandedBack, Job } from '../../api/types';
import { size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { SignatureFields, useSignature } from '../../ui/SignatureFields';
import { isAmount, numberOf } from '../../ui/form/rules';
import { missing } from '../../ui/missing';

/** The last step: the owner is called, told, pays, and signs for the machine. */
export function HandBack({ job }: { job: Job }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [isOpen, setOpen] = useState(false);
  const role = useSession().data?.person?.role;
  const isReady = job.stage === 'HAND_BACK';
  return (
    <>
      <List>
        <li>
          <Link to={`/job/${job.number}/report`}>
            {t('web.job.hand-back.print-the-report-with-our-advice')}
          </Link>
        </li>
        {job.handBack.copiesUntil != null && (
          <li>
            {t('web.job.hand-back.a-copy-of-its-data-lies', {
              when: when(job.handBack.copiesUntil),
            })}
          </li>
        )}
      </List>
      <Row>
        {!isReady && role !== 'COUNTER' && (
          <Button
            isPending={call.isPending}
            onPress={() =>
              call.mutate(() =>
                api.POST('/api/jobs/{number}/ready', {
                  params: { path: { number: job.number } },
                  body: { version: job.version },
                }),
              )
            }
          >
            {t('web.job.hand-back.it-is-ready-call-the-owner')}
          </Button>
        )}
        <Button primary={isReady} onPress={() => setOpen(true)}>
          {t('web.job.hand-back.hand-it-back')}
        </Button>
      </Row>
      {call.isError && <ProblemNote error={call.error} />}
      {isOpen && <HandBackDialog job={job} onClose={() => setOpen(false)} />}
    </>
  );
}

type PaidHow = HandedBack['paidHow'];

const PAID: readonly (readonly [PaidHow, string])[] = [
  ['CASH', t('web.job.hand-back.in-cash')],
  ['CARD', t('web.job.hand-back.by-card')],
  ['INVOICE', t('web.job.hand-back.by-invoice')],
  ['NOTHING', t('web.job.hand-back.nothing-to-pay')],
];

/** Who takes it, what was paid, and the signature. */
export function HandBackDialog({ job, onClose }: { job: Job; onClose: () => void }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const estimate = useEstimates(job.number).data?.[0];
  const currency = usePrices().data?.tariff?.currency ?? null;
  const signature = useSignature();
  const agreed = estimate?.answers[0]?.how === 'REFUSED' ? undefined : estimate?.certain;
  const [chosen, setChosen] = useState<PaidHow | null>(null);
  const paidHow = chosen ?? (currency === null ? 'NOTHING' : 'CARD');
  const [typed, setTyped] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const paid = typed ?? (agreed === undefined ? '' : String(agreed));
  const amount = numberOf(paid);
  const pays = paidHow !== 'NOTHING';
  const lacks = missing(
    [signature.hasName, t('web.missing.a-name')],
    [!pays || isAmount(paid), t('web.missing.an-amount')],
  );
  return (
    <Modal
      title={t('web.job.hand-back.who-takes-back', { number: job.number })}
      isOpen
      onClose={onClose}
    >
      <Quote>“{job.handBack.wording}”</Quote>
      <SignatureFields
        signature={signature}
        note={t('web.job.hand-back.typing-the-name-is-enough-here')}
      />
      <Row>
        <Select
          label={t('web.job.hand-back.paid')}
          value={paidHow}
          onChange={setChosen}
          options={PAID}
        />
        {pays && (
          <Field
            label={t('web.job.hand-back.amount-in', {
              currency: currency ?? t('web.job.hand-back.the-shop-s-money'),
            })}
            value={paid}
            onChange={setTyped}
            inputMode="decimal"
          />
        )}
      </Row>
      <Field label={t('web.job.hand-back.note')} value={note} onChange={setNote} maxLength={500} />
      <p>{t('web.job.hand-back.the-owner-s-password-is-wiped')}</p>
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button
          primary
          missing={lacks}
          isPending={call.isPending}
          onPress={() =>
            call.mutate(
              () =>
                api.POST('/api/jobs/{number}/hand-back', {
                  params: { path: { number: job.number } },
                  body: {
                    version: job.version,
                    takenBy: signature.name,
                    strokes: signature.isDrawn ? signature.path : null,
                    paidHow,
                    paid: pays ? amount : null,
                    note,
                  },
                }),
              { onSuccess: onClose },
            )
          }
        >
          {t('web.job.hand-back.it-is-handed-back')}
        </Button>
        <Button onPress={onClose}>{t('web.job.hand-back.not-yet')}</Button>
      </Row>
    </Modal>
  );
}

const List = styled.ul`
  font-size: ${size.text};
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
`;

const Quote = styled.p`
  font-weight: 700;
`;
