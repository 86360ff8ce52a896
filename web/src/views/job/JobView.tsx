import { useState } from 'react';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { useJob } from '../../api/queries';
import type { Job } from '../../api/types';
import { Loaded } from '../../ui/Loaded';
import { Page } from '../../ui/Sheet';
import { UnsafeBattery } from '../../ui/UnsafeBattery';
import { causeKey } from './causeKey';
import { Causes } from './Causes';
import { JobHead } from './JobHead';
import { Leaning } from './Leaning';
import { MadeMoves } from './MadeMoves';
import { Moves } from './Moves';
import { OneChange } from './OneChange';
import { PhotoStrip } from './PhotoStrip';
import { Places } from './Places';
import { ProofCard } from './ProofCard';
import { SecondThoughts } from './SecondThoughts';
import { TakenIn } from './TakenIn';
import { Work } from './Work';
import { WorkSide } from './WorkSide';
import { Journal } from './Journal';
import { upTo } from '../../theme/theme';

/** The machine in checking order, what it could be and why, what to do next, what was done. */
export function JobView() {
  const { number = '' } = useParams();
  const job = useJob(number);
  return <Loaded query={job}>{(data) => <Shown key={number} job={data} />}</Loaded>;
}

function Shown({ job }: { job: Job }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(false);
  const work = job.work ?? null;
  // After the signature the work comes first; what contradicts it opens the diagnosis again.
  const isFolded = work !== null && job.contradicted === null && !isOpen;
  const isOfPlan =
    work !== null && (job.openChange === null || work.steps.some((s) => s.state === 'OPEN'));
  const causes = job.weighing.causes;
  const shown = causes.find((cause) => causeKey(cause) === chosen) ?? causes[0];
  return (
    <Page>
      <JobHead job={job} />
      {job.unsafe !== null && <UnsafeBattery why={job.unsafe} />}
      <TakenIn job={job} />
      <SecondThoughts job={job} />
      {work === null ? (
        <ProofCard job={job} />
      ) : (
        <Working>
          <Work job={job} work={work} isTitle={isFolded} />
          <WorkSide job={job} onOpenDiagnosis={isFolded ? () => setOpen(true) : null} />
        </Working>
      )}
      {!isFolded && (
        <Columns>
          <Places
            job={job}
            chosen={shown}
            onChoose={(place) => {
              const first = causes.find((cause) => cause.place === place);
              if (first !== undefined) setChosen(causeKey(first));
            }}
          />
          <Causes job={job} shown={shown} onChoose={(cause) => setChosen(causeKey(cause))} />
          <Right>
            {job.endedAt === null && <Moves job={job} />}
            <Leaning job={job} />
          </Right>
        </Columns>
      )}
      <Journal lines={job.journal} />
      {!isOfPlan && <OneChange job={job} />}
      <MadeMoves job={job} />
      <PhotoStrip job={job} />
    </Page>
  );
}

const Working = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 320px);
  gap: 12px;
  margin: 12px 0;
  ${upTo.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(220px, 250px) minmax(0, 1fr) minmax(300px, 340px);
  gap: 12px;
  align-items: start;
  margin: 12px 0;
  ${upTo.middle} {
    grid-template-columns: minmax(200px, 230px) minmax(0, 1fr);
    & > :last-child {
      grid-column: 1 / -1;
    }
  }
  /* In the hand, and enlarged, what to do next comes first, then why, then the machine. */
  ${upTo.doubled} {
    grid-template-columns: minmax(0, 1fr);
    & > :last-child {
      order: -2;
    }
    & > :nth-child(2) {
      order: -1;
    }
  }
`;

const Right = styled.div`
  display: grid;
  gap: 12px;
`;
