import { say, t } from '../../words/words';
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
import { missing } from '../../ui/missing';

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
          label={t('web.decision.sign-plan.in-your-words-for-the-next')}
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
          isDisabled={isLocked || isOlder}
          missing={missing([reason.trim() !== '', t('web.missing.your-reason')])}
          isPending={sign.isPending}
        >
          {t('web.decision.sign-plan.sign-the-decision')}
        </Button>
      </Beside>
      {isLocked && (
        <p>
          {say('web.decision.sign-plan.this-plan-is-locked', {
            reason: row.lock?.reason,
            opens: row.lock?.opens,
          })}
        </p>
      )}
      {!isLocked && reason.trim() === '' && (
        <p>{t('web.decision.sign-plan.the-decision-can-be-signed-once')}</p>
      )}
      {isOlder && <p role="status">{t('web.decision.sign-plan.your-plan-is-being-compared')}</p>}
      {sign.isError && <ProblemNote error={sign.error} />}
      {sign.isSuccess && <Kept role="status">{t('web.decision.sign-plan.signed-and-kept')}</Kept>}
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
