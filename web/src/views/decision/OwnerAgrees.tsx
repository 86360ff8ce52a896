import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useAnswerEstimate, useEstimates, useMakeEstimate } from '../../api/queries';
import type { Approval, Estimate, Job, PlanRow } from '../../api/types';
import { address } from '../../api/client';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when, money } from '../../ui/format';
import { HowWeKnow } from '../../ui/HowWeKnow';
import { Row as Controls } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet } from '../../ui/Sheet';
import { PriceLines } from './HowPlans';
import { isAmount, numberOf } from '../../ui/form/rules';
import { missing } from '../../ui/missing';

export interface OwnerAgreesProps {
  job: Job;
  row: PlanRow;
  /** Null until the lead has said what the shop charges. */
  currency: string | null;
}

/** The estimate for the chosen plan, and what the owner said to the newest one. */
export function OwnerAgrees({ job, row, currency }: OwnerAgreesProps) {
  const estimates = useEstimates(job.number);
  return (
    <Box>
      <Lead>{t('web.decision.owner-agrees.the-owner-agrees')}</Lead>
      {currency === null || row.certain === null || row.certain === undefined ? (
        <p>
          {say('web.decision.owner-agrees.nobody-has-said-yet-what-the', {
            link: (words: ReactNode) => <Link to="/prices">{words}</Link>,
          })}
        </p>
      ) : (
        <Loaded query={estimates}>
          {(all) => <Told job={job} row={row} currency={currency} newest={all[0]} />}
        </Loaded>
      )}
    </Box>
  );
}

interface ToldProps {
  job: Job;
  row: PlanRow;
  currency: string;
  newest: Estimate | undefined;
}

function Told({ job, row, currency, newest }: ToldProps) {
  const make = useMakeEstimate(job.number);
  const [how, setHow] = useState<Approval['how'] | null>(null);
  const isOfThis = newest?.plan === row.id;
  const answer = newest?.answers[0];
  return (
    <>
      {newest !== undefined && <Newest estimate={newest} isOfThis={isOfThis} answer={answer} />}
      {!isOfThis && (
        <p>
          {row.words}: {money(row.certain ?? 0, currency)}
          {(row.atMost ?? 0) > (row.certain ?? 0) &&
            t('web.decision.owner-agrees.at-most-without-asking-again', {
              money: money(row.atMost ?? 0, currency),
            })}
          .
        </p>
      )}
      {make.isError && <ProblemNote error={make.error} />}
      <Controls>
        {!isOfThis && (
          <Button
            onPress={() => make.mutate({ version: job.version, remedies: row.remedies })}
            isPending={make.isPending}
          >
            {t('web.decision.owner-agrees.make-the-estimate')}
          </Button>
        )}
        {isOfThis && (
          <>
            <a
              href={address('/api/jobs/{number}/estimates/{id}/estimate.pdf', {
                number: job.number,
                id: String(newest.id),
              })}
              target="_blank"
              rel="noreferrer"
            >
              {t('web.decision.owner-agrees.print-or-send')}
            </a>
            <Button onPress={() => setHow('SIGNED')}>
              {t('web.decision.owner-agrees.signed-here')}
            </Button>
            <Button onPress={() => setHow('PHONE')}>
              {t('web.decision.owner-agrees.by-phone')}
            </Button>
            <Button onPress={() => setHow('REFUSED')}>
              {t('web.decision.owner-agrees.refused')}
            </Button>
          </>
        )}
      </Controls>
      {how !== null && newest !== undefined && (
        <Answered job={job} estimate={newest} how={how} onClose={() => setHow(null)} />
      )}
    </>
  );
}

interface NewestProps {
  estimate: Estimate;
  isOfThis: boolean;
  answer: Approval | undefined;
}

function Newest({ estimate, isOfThis, answer }: NewestProps) {
  const { currency } = estimate;
  return (
    <>
      {answer !== undefined && (
        <Said data-refused={answer.how === 'REFUSED' || undefined}>
          {saidWords(answer, currency)}
          <small>
            {answer.signer}, {when(answer.at)}, {answer.wroteDown}
            {answer.note !== '' && ` · ${answer.note}`}
          </small>
        </Said>
      )}
      <p>
        {isOfThis
          ? t('web.decision.owner-agrees.estimate')
          : t('web.decision.owner-agrees.last-estimate-of', { words: estimate.words })}
        :{' '}
        <HowWeKnow
          of={t('web.decision.owner-agrees.estimate-2', {
            money: money(estimate.certain, currency),
          })}
          how={<PriceLines lines={estimate.lines} currency={currency} />}
        >
          <b>{money(estimate.certain, currency)}</b>
        </HowWeKnow>
        {estimate.atMost > estimate.certain &&
          t('web.decision.owner-agrees.at-most-without-asking-again', {
            money: money(estimate.atMost, currency),
          })}
        {estimate.taxShown &&
          estimate.taxPercent > 0 &&
          t('web.decision.owner-agrees.with-tax', { taxPercent: estimate.taxPercent })}
        {isOfThis && `: ${sums(estimate)}`}. {estimate.madeBy}, {when(estimate.madeAt)}.
      </p>
    </>
  );
}

/** "work €133.75, parts €112.50", of all its lines. */
function sums({ lines, currency }: Estimate): string {
  const of = (kinds: readonly Estimate['lines'][number]['kind'][]) =>
    lines.filter((line) => kinds.includes(line.kind)).reduce((sum, line) => sum + line.amount, 0);
  const parts = of(['PART']);
  const work = t('web.decision.owner-agrees.work', {
    money: money(of(['WORK', 'MINIMUM']), currency),
  });
  return parts > 0
    ? t('web.decision.owner-agrees.parts', { work, money: money(parts, currency) })
    : work;
}

function saidWords(answer: Approval, currency: string): string {
  if (answer.how === 'REFUSED')
    return t('web.decision.owner-agrees.the-owner-refused-it-only-handing');
  const upTo = money(answer.upTo ?? 0, currency);
  return answer.how === 'SIGNED'
    ? t('web.decision.owner-agrees.the-owner-signed-for-up-to', { upTo })
    : t('web.decision.owner-agrees.the-owner-agreed-by-phone-to', { upTo });
}

interface AnsweredProps {
  job: Job;
  estimate: Estimate;
  how: Approval['how'];
  onClose: () => void;
}

const TITLES: Record<Approval['how'], string> = {
  SIGNED: t('web.decision.owner-agrees.the-owner-signs-the-estimate'),
  PHONE: t('web.decision.owner-agrees.the-owner-agreed-by-phone'),
  REFUSED: t('web.decision.owner-agrees.the-owner-refused-the-estimate'),
};

function Answered({ job, estimate, how, onClose }: AnsweredProps) {
  const answer = useAnswerEstimate(job.number, estimate.id);
  const [signer, setSigner] = useState('');
  const [upTo, setUpTo] = useState(String(estimate.atMost));
  const [note, setNote] = useState('');
  const amount = numberOf(upTo);
  const lacks = missing(
    [signer.trim() !== '', t('web.missing.a-name')],
    [how === 'REFUSED' || isAmount(upTo), t('web.missing.an-amount')],
  );
  return (
    <Modal title={TITLES[how]} isOpen onClose={onClose}>
      <p>{estimate.words}</p>
      <Field
        label={
          how === 'SIGNED'
            ? t('web.decision.owner-agrees.customer-s-full-name-typed-by')
            : t('web.decision.owner-agrees.who-said-so')
        }
        value={signer}
        onChange={setSigner}
        maxLength={200}
      />
      {how !== 'REFUSED' && (
        <Field
          label={t('web.decision.owner-agrees.up-to-how-much-in', { currency: estimate.currency })}
          value={upTo}
          onChange={setUpTo}
          inputMode="decimal"
          hint={t('web.decision.owner-agrees.work-that-would-cost-more-stops')}
        />
      )}
      <Field
        label={t('web.decision.owner-agrees.note')}
        value={note}
        onChange={setNote}
        maxLength={1000}
      />
      {answer.isError && <ProblemNote error={answer.error} />}
      <Controls>
        <Button
          primary
          missing={lacks}
          isPending={answer.isPending}
          onPress={() =>
            answer.mutate(
              {
                version: job.version,
                how,
                signer,
                upTo: how === 'REFUSED' ? null : amount,
                note,
              },
              { onSuccess: onClose },
            )
          }
        >
          {t('web.decision.owner-agrees.keep-it')}
        </Button>
        <Button onPress={onClose}>{t('web.decision.owner-agrees.leave-it')}</Button>
      </Controls>
    </Modal>
  );
}

const Box = styled(Sheet)`
  display: grid;
  gap: 6px;
  padding: 10px 16px 12px;
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
`;

const Said = styled.p`
  padding: 8px 12px;
  border-left: 5px solid ${color.clear};
  background: ${color.clearSoft};
  font-weight: 700;
  small {
    display: block;
    font-weight: 400;
    font-size: ${size.small};
  }
  &[data-refused] {
    border-color: ${color.implicated};
    background: ${color.implicatedSoft};
  }
`;
