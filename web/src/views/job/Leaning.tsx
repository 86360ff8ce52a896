import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Job } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Sheet } from '../../ui/Sheet';
import { costWords, inOrder, leaningWords } from './leaningWords';

/** Where the ruling is heading, or the ruling itself. */
export function Leaning({ job }: { job: Job }) {
  const navigate = useNavigate();
  const last = job.rulings[0];
  return (
    <Box>
      <div>
        <p>
          <small>
            {last === undefined
              ? 'Leaning to'
              : `Ruled by ${last.signedBy}, ${when(last.signedAt)}`}
          </small>
          <b>
            {last === undefined
              ? (leaningWords(job) ?? 'nothing yet')
              : inOrder(last.courses.map((c) => c.words))}
          </b>
        </p>
        {last === undefined && job.plans[0] !== undefined && <Costs job={job} />}
        {buys(job) &&
          job.needed.map((part) => (
            <small key={part.place}>
              In place of {part.place}: {part.words}.{part.onShelf !== null && ` ${part.onShelf}.`}
            </small>
          ))}
      </div>
      <Button
        primary={last === undefined}
        onPress={() => void navigate(`/job/${job.number}/ruling`)}
      >
        {last === undefined ? 'Rule on it' : 'See the ruling'}
      </Button>
    </Box>
  );
}

/** Whether a part is or would be replaced: then it is said which one fits. */
function buys(job: Job): boolean {
  const ruled = job.rulings[0]?.courses.map((c) => c.course) ?? job.plans[0]?.courses ?? [];
  return ruled.includes('REPLACE_PART');
}

/** What the best plan is expected to cost, what comes next, and what would change it. */
function Costs({ job }: { job: Job }) {
  const [best, next] = job.plans;
  const [turn] = job.turns;
  return (
    <>
      {best !== undefined && (
        <small>
          Cheapest as things stand: {best.words}. {costWords(best)}.
        </small>
      )}
      {next !== undefined && (
        <small>
          Runner-up: {next.words}. {costWords(next)}.
        </small>
      )}
      {turn !== undefined && (
        <small>
          It would change if “{turn.move}” showed “{turn.outcome}” ({Math.round(100 * turn.chance)}{' '}
          in 100): then {turn.plan}.
        </small>
      )}
    </>
  );
}

const Box = styled(Sheet)`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 14px 16px;
  small {
    display: block;
    font-size: 14px;
    color: ${color.ink2};
  }
  button {
    flex: none;
  }
`;
