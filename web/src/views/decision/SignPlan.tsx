import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { useSignDecision } from '../../api/queries';
import type { Job, PlanRow } from '../../api/types';
import { color, upTo } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet } from '../../ui/Sheet';

export interface SignPlanProps {
  job: Job;
  row: PlanRow;
  /** Whether the plans that are asked for are still on their way: then nothing is signed. */
  isOlder: boolean;
  /** Somebody began to say why: from now on this plan is meant, whatever becomes the best. */
  onBegin: () => void;
}

/** The signature under the chosen plan. What is said of one plan is not said of another. */
export function SignPlan({ job, row, isOlder, onBegin }: SignPlanProps) {
  const sign = useSignDecision(job.number);
  const [reason, setReason] = useState('');
  const isLocked = row.lock !== null && row.lock !== undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    sign.mutate(
      { version: job.version, remedies: row.remedies, reason },
      { onSuccess: () => setReason('') },
    );
  };
  return (
    <Box as={Form} onSubmit={submit}>
      <Beside>
        <Field
          label="In your words, for the next of us"
          area
          rows={2}
          value={reason}
          onChange={(text) => {
            if (reason === '') onBegin();
            setReason(text);
          }}
          maxLength={4000}
        />
        <Button
          primary
          type="submit"
          isDisabled={isLocked || isOlder || reason.trim() === ''}
          isPending={sign.isPending}
        >
          Sign the decision
        </Button>
      </Beside>
      {isLocked && (
        <p>
          This plan is locked: {row.lock?.reason} {row.lock?.opens}
        </p>
      )}
      {!isLocked && reason.trim() === '' && (
        <p>The decision can be signed once you say why. It is never changed, only followed.</p>
      )}
      {isOlder && <p role="status">Your plan is being compared.</p>}
      {sign.isError && <ProblemNote error={sign.error} />}
      {sign.isSuccess && <Kept role="status">Signed and kept.</Kept>}
    </Box>
  );
}

const Box = styled(Sheet)`
  display: grid;
  gap: 6px;
  padding: 10px 16px 12px;
  p {
    color: ${color.ink2};
  }
`;

const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 14px;
  align-items: end;
  ${upTo.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Kept = styled.strong`
  color: ${color.clear};
`;
