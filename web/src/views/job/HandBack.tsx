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
          <Link to={`/job/${job.number}/report`}>Print the report, with our advice ›</Link>
        </li>
        {job.handBack.copiesUntil != null && (
          <li>A copy of its data lies here: to be erased by {when(job.handBack.copiesUntil)}.</li>
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
            It is ready, call the owner
          </Button>
        )}
        <Button primary={isReady} onPress={() => setOpen(true)}>
          Hand it back…
        </Button>
      </Row>
      {call.isError && <ProblemNote error={call.error} />}
      {isOpen && <HandBackDialog job={job} onClose={() => setOpen(false)} />}
    </>
  );
}

type PaidHow = HandedBack['paidHow'];

const PAID: readonly (readonly [PaidHow, string])[] = [
  ['CASH', 'In cash'],
  ['CARD', 'By card'],
  ['INVOICE', 'By invoice'],
  ['NOTHING', 'Nothing to pay'],
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
  const amount = Number(paid.replace(',', '.'));
  const pays = paidHow !== 'NOTHING';
  const missing = [
    ...(signature.hasName ? [] : ['a name']),
    ...(!pays || (paid.trim() !== '' && Number.isFinite(amount) && amount >= 0)
      ? []
      : ['an amount']),
  ];
  return (
    <Modal title={`Who takes ${job.number} back?`} isOpen onClose={onClose}>
      <Quote>“{job.handBack.wording}”</Quote>
      <SignatureFields signature={signature} note="Typing the name is enough here." />
      <Row>
        <Select label="Paid" value={paidHow} onChange={setChosen} options={PAID} />
        {pays && (
          <Field
            label={`Amount, in ${currency ?? 'the shop’s money'}`}
            value={paid}
            onChange={setTyped}
            inputMode="decimal"
          />
        )}
      </Row>
      <Field label="Note" value={note} onChange={setNote} maxLength={500} />
      <p>The owner’s password is wiped and the bay is free. The history stays.</p>
      {call.isError && <ProblemNote error={call.error} />}
      {missing.length > 0 && <p>Still missing: {missing.join(' and ')}.</p>}
      <Row>
        <Button
          primary
          isDisabled={missing.length > 0}
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
          It is handed back
        </Button>
        <Button onPress={onClose}>Not yet</Button>
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
