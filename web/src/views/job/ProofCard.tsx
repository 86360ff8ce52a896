import { useState } from 'react';
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
      <Pips role="img" aria-label={`${proof.clean} of ${proof.needed} clean trials`}>
        {Array.from({ length: proof.needed }, (_, i) => (
          <span key={i} data-clean={i < proof.clean || undefined}>
            {i < proof.clean ? '✓' : i + 1}
          </span>
        ))}
      </Pips>
      <p>{proof.words}</p>
      {open && role !== 'COUNTER' && (
        <Asked as="div">
          <Field label="Note, if any" value={note} onChange={setNote} maxLength={400} />
          <Button primary isPending={call.isPending} onPress={() => tried(false)}>
            It ran clean
          </Button>
          <Button isPending={call.isPending} onPress={() => tried(true)}>
            It failed again
          </Button>
          <Button onPress={() => setSigning(true)}>Owner takes it without proof…</Button>
        </Asked>
      )}
      {call.isError && <ProblemNote error={call.error} />}
      {signing && <Signing job={job} proof={proof} onClose={() => setSigning(false)} />}
    </Box>
  );
}

const title = (proof: Proof): string => {
  if (proof.proven === 'DONE') return 'Shown: the complaint is gone';
  if (proof.signedBy !== null) return `${proof.signedBy} takes it without proof, signed`;
  if (proof.proven === 'FAILED') return 'It failed again: what was decided does not hold yet';
  return `Not shown yet: ${proof.clean} of ${proof.needed} clean trials`;
};

function Signing({ job, proof, onClose }: { job: Job; proof: Proof; onClose: () => void }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [signer, setSigner] = useState('');
  return (
    <Modal title="The owner takes it without proof" isOpen onClose={onClose}>
      <p>
        The owner reads and signs: <q>{proof.waiver}</q>
      </p>
      <Field
        label="Customer’s full name, typed by the customer"
        value={signer}
        onChange={setSigner}
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button
        isDisabled={signer.trim() === ''}
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
        Sign it: without proof
      </Button>
      <Button onPress={onClose}>Leave it as it is</Button>
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
