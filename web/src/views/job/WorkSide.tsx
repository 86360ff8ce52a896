import { t } from '../../words/words';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useEstimates, useFloor } from '../../api/queries';
import type { Estimate, FloorJob, Job } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { ofHundred, when, money } from '../../ui/format';
import { Sheet } from '../../ui/Sheet';
import { between } from '../decision/planWords';

export interface WorkSideProps {
  job: Job;
  /** Null while the diagnosis is open. */
  onOpenDiagnosis: (() => void) | null;
}

/** Beside the work: when it is ready, what the owner agreed to, and what speaks against it. */
export function WorkSide({ job, onOpenDiagnosis }: WorkSideProps) {
  const lane = useFloor().data?.jobs.find((one) => one.number === job.number);
  const estimates = useEstimates(job.number).data;
  return (
    <Side aria-label={t('web.job.work-side.beside-the-work')}>
      {lane !== undefined && <Promise lane={lane} />}
      {estimates !== undefined && <Agreed number={job.number} newest={estimates[0]} />}
      {job.contradicted === null && (
        <Card>
          <h2>{t('web.job.work-side.nothing-speaks-against-it-so-far')}</h2>
          <p>{t('web.job.work-side.it-is-called-into-question-if')}</p>
        </Card>
      )}
      {onOpenDiagnosis !== null && (
        <Card>
          <h2>{t('web.job.work-side.diagnosis')}</h2>
          <p>{diagnosisWords(job)}</p>
          <Button onPress={onOpenDiagnosis} aria-expanded={false}>
            {t('web.job.work-side.open-the-diagnosis')}
          </Button>
        </Card>
      )}
    </Side>
  );
}

function Promise({ lane }: { lane: FloorJob }) {
  const { early, late } = lane.likelyEnd;
  return (
    <Card>
      <h2>{t('web.job.work-side.ready', { between: between(early, late) })}</h2>
      <p>
        {lane.promisedAt === null
          ? t('web.job.work-side.nothing-was-promised')
          : t('web.job.work-side.promised', {
              when: when(lane.promisedAt),
              STANDING: STANDING[lane.promise],
            })}
      </p>
    </Card>
  );
}

const STANDING: Record<FloorJob['promise'], string> = {
  NONE: t('web.job.work-side.nothing-was-promised-2'),
  KEPT: t('web.job.work-side.it-holds'),
  AT_RISK: t('web.job.work-side.it-may-not-hold'),
  LIKELY_LATE: t('web.job.work-side.it-will-hardly-hold'),
  OVERDUE: t('web.job.work-side.it-is-over'),
};

interface AgreedProps {
  number: string;
  newest: Estimate | undefined;
}

function Agreed({ number, newest }: AgreedProps) {
  const answer = newest?.answers[0];
  const decision = `/job/${number}/decision`;
  if (newest === undefined) {
    return (
      <Card>
        <h2>{t('web.job.work-side.the-owner-was-told-no-price')}</h2>
        <Link to={decision}>{t('web.job.work-side.make-an-estimate')}</Link>
      </Card>
    );
  }
  if (answer === undefined) {
    return (
      <Card>
        <h2>{t('web.job.work-side.the-owner-has-not-answered-yet')}</h2>
        <p>
          {t('web.job.work-side.estimate-of', {
            money: money(newest.certain, newest.currency),
            when: when(newest.madeAt),
          })}
        </p>
        <Link to={decision}>{t('web.job.work-side.keep-the-answer')}</Link>
      </Card>
    );
  }
  return (
    <Card data-refused={answer.how === 'REFUSED' || undefined}>
      <h2>
        {answer.how === 'REFUSED'
          ? t('web.job.work-side.the-owner-refused')
          : t('web.job.work-side.owner-agreed-to-at-most', {
              money: money(answer.upTo ?? 0, newest.currency),
            })}
      </h2>
      <p>
        {t('web.job.work-side.kept-by', {
          signer: answer.signer,
          HOW: HOW[answer.how],
          when: when(answer.at),
          wroteDown: answer.wroteDown,
          how: answer.how !== 'REFUSED',
        })}
      </p>
    </Card>
  );
}

const HOW = {
  SIGNED: t('web.job.work-side.signed'),
  PHONE: t('web.job.work-side.by-phone'),
  REFUSED: t('web.job.work-side.said-so'),
} as const;

/** The likeliest causes in a line. */
function diagnosisWords(job: Job): string {
  return job.weighing.causes
    .slice(0, 3)
    .map((cause) => `${cause.name.toLowerCase()} ${ofHundred(cause.probability)}`)
    .join(' · ');
}

const Side = styled.aside`
  display: grid;
  gap: 12px;
  align-content: start;
`;

const Card = styled(Sheet)`
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 10px 14px;
  h2 {
    font-size: ${size.body};
  }
  p {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    font-weight: 700;
  }
  &[data-refused] {
    border-left: 5px solid ${color.implicated};
  }
`;
