import { useState } from 'react';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { useJob } from '../../api/queries';
import type { Job } from '../../api/types';
import { Loaded } from '../../ui/Loaded';
import { Button } from '../../ui/Button';
import { ofHundred } from '../../ui/format';
import { Page, Sheet } from '../../ui/Sheet';
import { UnsafeBattery } from '../../ui/UnsafeBattery';
import { causeKey } from './causeKey';
import { Causes } from './Causes';
import { Hand } from './Hand';
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
      <Hand job={job} />
      <TakenIn job={job} />
      <SecondThoughts job={job} />
      {work === null ? <ProofCard job={job} /> : <Work job={job} work={work} isTitle={isFolded} />}
      {isFolded && (
        <Folded>
          <span>
            <b>Diagnosis:</b> {foldedWords(job)}
          </span>
          <Button aria-expanded={false} onPress={() => setOpen(true)}>
            Open the diagnosis
          </Button>
        </Folded>
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
      {!isOfPlan && <OneChange job={job} />}
      <MadeMoves job={job} />
      <Journal lines={job.journal} />
      <PhotoStrip job={job} />
    </Page>
  );
}

/** The likeliest causes in a line. */
function foldedWords(job: Job): string {
  return job.weighing.causes
    .slice(0, 3)
    .map((cause) => `${cause.name.toLowerCase()} ${ofHundred(cause.probability)}`)
    .join(' · ');
}

const Folded = styled(Sheet)`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px 16px;
  padding: 8px 16px;
  margin: 12px 0;
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
`;

const Right = styled.div`
  display: grid;
  gap: 12px;
`;
