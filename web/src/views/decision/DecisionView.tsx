import { say, t } from '../../words/words';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useJob, usePlans } from '../../api/queries';
import type { Job, PlanRow, Plans } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { Back, Stack, TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Page, Sub, Title } from '../../ui/Sheet';
import { DataCard } from '../job/DataCard';
import { inOrder } from '../job/leaningWords';
import { OwnerAgrees } from './OwnerAgrees';
import { Past } from './Past';
import { PlanSteps } from './PlanSteps';
import { PlanTable } from './PlanTable';
import { SignPlan } from './SignPlan';

/** The decision: plans side by side, what the owner agrees to, and the signature. */
export function DecisionView() {
  const { number = '' } = useParams();
  const job = useJob(number);
  return <Loaded query={job}>{(data) => <Opened key={number} job={data} />}</Loaded>;
}

function Opened({ job }: { job: Job }) {
  // A step that broke off leads here with what comes then.
  const [asked] = useSearchParams();
  const [own, setOwn] = useState<readonly string[]>(() => asked.getAll('own'));
  const plans = usePlans(job.number, own);
  return (
    <Loaded query={plans}>
      {(data) => (
        <Decide job={job} plans={data} isOlder={plans.isPlaceholderData} own={own} onOwn={setOwn} />
      )}
    </Loaded>
  );
}

interface DecideProps {
  job: Job;
  plans: Plans;
  /** Whether they are those of before, as the new ones are on their way. */
  isOlder: boolean;
  own: readonly string[];
  onOwn: (remedies: readonly string[]) => void;
}

function Decide({ job, plans, isOlder, own, onOwn }: DecideProps) {
  const [picked, setPicked] = useState<string | null>(null);
  // What was put together by hand is what is meant; else, until somebody chooses, the best one.
  const chosen =
    plans.rows.find((row) => row.id === picked) ??
    plans.rows.find((row) => row.own && own.length > 0) ??
    plans.rows[0];
  return (
    <Page>
      <Back to={`/job/${job.number}`}>
        ‹ {job.number} {job.machine}
      </Back>
      <Top job={job} plans={plans} chosen={chosen} />
      <PlanTable
        job={job}
        plans={plans}
        chosen={chosen}
        onChoose={setPicked}
        onOwn={(remedies) => {
          setPicked(null);
          onOwn(remedies);
        }}
      />
      {chosen !== undefined && (
        <>
          <TwoColumns $side="minmax(320px, 42%)">
            <PlanSteps job={job} row={chosen} />
            <OwnerAgrees job={job} row={chosen} currency={plans.currency ?? null} />
          </TwoColumns>
          <Below>
            <SignPlan
              key={chosen.id}
              job={job}
              row={chosen}
              isOlder={isOlder}
              onBegin={() => setPicked(chosen.id)}
            />
            <Past decisions={job.decisions} />
          </Below>
        </>
      )}
    </Page>
  );
}

interface TopProps {
  job: Job;
  plans: Plans;
  chosen: PlanRow | undefined;
}

function Top({ job, plans, chosen }: TopProps) {
  const first = job.weighing.causes[0];
  return (
    <Head>
      <div>
        <Headline>
          {first !== undefined && <SuspicionMark suspicion={first.suspicion} size={30} />}
          <Title>{titleOf(job, chosen)}</Title>
        </Headline>
        <Sub>
          {say('web.decision.decision-view.findings', {
            headline: job.weighing.headline,
            findings: job.weighing.findings,
            doubt: job.weighing.doubt,
            stop: plans.stop,
          })}
        </Sub>
      </div>
      <DataCard job={job} />
    </Head>
  );
}

function titleOf(job: Job, chosen: PlanRow | undefined): string {
  const last = job.decisions[0];
  if (last !== undefined) {
    return t('web.decision.decision-view.decided', {
      inOrder: last.plan?.words ?? inOrder(last.courses.map((c) => c.words)),
    });
  }
  return chosen?.words ?? t('web.decision.decision-view.nothing-can-be-decided-yet');
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px;
  margin-bottom: 12px;
  & > :first-child {
    flex: 1 1 520px;
  }
`;

const Headline = styled.div`
  display: flex;
  gap: 12px;
  align-items: center;
`;

const Below = styled(Stack)`
  margin-top: 12px;
`;
