import { Link } from 'react-router';
import styled from 'styled-components';
import { useEstimates, useFloor } from '../../api/queries';
import type { Estimate, FloorJob, Job } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { ofHundred, when } from '../../ui/format';
import { Sheet } from '../../ui/Sheet';
import { between, money } from '../decision/planWords';

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
    <Side aria-label="Beside the work">
      {lane !== undefined && <Promise lane={lane} />}
      {estimates !== undefined && <Agreed number={job.number} newest={estimates[0]} />}
      {job.contradicted === null && (
        <Card>
          <h2>Nothing speaks against it so far</h2>
          <p>It is called into question if a reading contradicts it, or the complaint stays.</p>
        </Card>
      )}
      {onOpenDiagnosis !== null && (
        <Card>
          <h2>Diagnosis</h2>
          <p>{diagnosisWords(job)}</p>
          <Button onPress={onOpenDiagnosis} aria-expanded={false}>
            Open the diagnosis
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
      <h2>Ready {between(early, late)}</h2>
      <p>
        {lane.promisedAt === null
          ? 'Nothing was promised.'
          : `Promised ${when(lane.promisedAt)}: ${STANDING[lane.promise]}.`}
      </p>
    </Card>
  );
}

const STANDING: Record<FloorJob['promise'], string> = {
  NONE: 'nothing was promised',
  KEPT: 'it holds',
  AT_RISK: 'it may not hold',
  LIKELY_LATE: 'it will hardly hold',
  OVERDUE: 'it is over',
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
        <h2>The owner was told no price</h2>
        <Link to={decision}>Make an estimate ›</Link>
      </Card>
    );
  }
  if (answer === undefined) {
    return (
      <Card>
        <h2>The owner has not answered yet</h2>
        <p>
          Estimate of {money(newest.certain, newest.currency)}, {when(newest.madeAt)}.
        </p>
        <Link to={decision}>Keep the answer ›</Link>
      </Card>
    );
  }
  return (
    <Card data-refused={answer.how === 'REFUSED' || undefined}>
      <h2>
        {answer.how === 'REFUSED'
          ? 'The owner refused'
          : `Owner agreed to at most ${money(answer.upTo ?? 0, newest.currency)}`}
      </h2>
      <p>
        {answer.signer} {HOW[answer.how]}, {when(answer.at)}, kept by {answer.wroteDown}
        {answer.how !== 'REFUSED' && ': what would cost more stops and asks again'}
      </p>
    </Card>
  );
}

const HOW = { SIGNED: 'signed', PHONE: 'by phone', REFUSED: 'said so' } as const;

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
