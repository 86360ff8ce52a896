import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSession } from '../../api/queries';
import type { Job, Proof } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { FieldRow } from '../../ui/Layout';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet } from '../../ui/Sheet';
import { missing } from '../../ui/missing';

/** After a decision that mends: how often it must run clean before it goes back, and how often it has. */
export function ProofCard({ job }: { job: Job }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const role = useSession().data?.person?.role;
  const [note, setNote] = useState('');
  const [signing, setSigning] = useState(false);
  const { proof } = job;
  if (proof === null || job.endedAt !== null) return null;
  const tried = (failed: boolean) =>
    call.mutate(
      () =>
        api.POST('/api/jobs/{number}/trials', {
          params: { path: { number: job.number } },
          body: { version: job.version, failed, note },
        }),
      { onSuccess: () => setNote('') },
    );
  const open = proof.proven !== 'DONE' && proof.signedBy === null;
  return (
    <Box data-state={proof.proven}>
      <Lead>{title(proof)}</Lead>
      <Pips
        role="img"
        aria-label={t('web.job.proof-card.of-clean-trials', {
          clean: proof.clean,
          needed: proof.needed,
        })}
      >
        {Array.from({ length: proof.needed }, (_, i) => (
          <span key={i} data-clean={i < proof.clean || undefined}>
            {i < proof.clean ? '✓' : i + 1}
          </span>
        ))}
      </Pips>
      <p>{proof.words}</p>
      {open && role !== 'COUNTER' && (
        <Asked as="div">
          <Field
            label={t('web.job.proof-card.note-if-any')}
            value={note}
            onChange={setNote}
            maxLength={400}
          />
          <Button primary isPending={call.isPending} onPress={() => tried(false)}>
            {t('web.job.proof-card.it-ran-clean')}
          </Button>
          <Button isPending={call.isPending} onPress={() => tried(true)}>
            {t('web.job.proof-card.it-failed-again')}
          </Button>
          <Button onPress={() => setSigning(true)}>
            {t('web.job.proof-card.owner-takes-it-without-proof')}
          </Button>
        </Asked>
      )}
      {call.isError && <ProblemNote error={call.error} />}
      {signing && <Signing job={job} proof={proof} onClose={() => setSigning(false)} />}
    </Box>
  );
}

const title = (proof: Proof): string => {
  if (proof.proven === 'DONE') return t('web.job.proof-card.shown-the-complaint-is-gone');
  if (proof.signedBy !== null)
    return t('web.job.proof-card.takes-it-without-proof-signed', { signedBy: proof.signedBy });
  if (proof.proven === 'FAILED') return t('web.job.proof-card.it-failed-again-what-was-decided');
  return t('web.job.proof-card.not-shown-yet-of-clean-trials', {
    clean: proof.clean,
    needed: proof.needed,
  });
};

function Signing({ job, proof, onClose }: { job: Job; proof: Proof; onClose: () => void }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [signer, setSigner] = useState('');
  return (
    <Modal
      title={t('web.job.proof-card.the-owner-takes-it-without-proof')}
      isOpen
      onClose={onClose}
    >
      <p>
        {say('web.job.proof-card.the-owner-reads-and-signs', {
          q: (words: ReactNode) => <q>{words}</q>,
          waiver: proof.waiver,
        })}
      </p>
      <Field
        label={t('web.job.proof-card.customer-s-full-name-typed-by')}
        value={signer}
        onChange={setSigner}
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button
        missing={missing([signer.trim() !== '', t('web.missing.a-name')])}
        isPending={call.isPending}
        onPress={() =>
          call.mutate(
            () =>
              api.POST('/api/jobs/{number}/proof-waiver', {
                params: { path: { number: job.number } },
                body: { version: job.version, signer },
              }),
            { onSuccess: onClose },
          )
        }
      >
        {t('web.job.proof-card.sign-it-without-proof')}
      </Button>
      <Button onPress={onClose}>{t('web.job.proof-card.leave-it-as-it-is')}</Button>
    </Modal>
  );
}

const Box = styled(Sheet)`
  padding: 12px 16px;
  margin: 12px 0;
  display: grid;
  gap: 8px;
  border-left: 5px solid ${color.hold};
  &[data-state='DONE'] {
    border-left-color: ${color.clear};
  }
  &[data-state='FAILED'] {
    border-left-color: ${color.leanMark};
    background: ${color.leanSoft};
  }
`;

const Pips = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  span {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    border: 2px solid ${color.ink3};
    font-size: ${size.text};
  }
  [data-clean] {
    background: ${color.clear};
    border-color: ${color.clear};
    color: ${color.sheet};
  }
`;

const Asked = styled(FieldRow)`
  & > :first-child {
    flex: 1 1 240px;
  }
`;
