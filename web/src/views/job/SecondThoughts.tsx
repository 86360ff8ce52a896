import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Job } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Sheet } from '../../ui/Sheet';
import { inOrder } from './leaningWords';

/** What asks for another look: findings against the decision, and a machine that is back. */
export function SecondThoughts({ job }: { job: Job }) {
  const navigate = useNavigate();
  if (job.contradicted === null && job.cameBack === null && job.weakPoints.length === 0) {
    return null;
  }
  return (
    <Strip>
      {job.contradicted !== null && (
        <Thought role="status">
          <SuspicionMark suspicion="LEANING" size={24} />
          <div>
            <b>Look at the decision again</b>
            <p>{job.contradicted}</p>
          </div>
          <Button primary onPress={() => void navigate(`/job/${job.number}/decision`)}>
            Decide anew
          </Button>
        </Thought>
      )}
      {job.cameBack !== null && <CameBack earlier={job.cameBack} />}
      {job.weakPoints.map((note) => (
        <Thought key={note.models + note.text}>
          <SuspicionMark suspicion="UNKNOWN" size={24} />
          <div>
            <p>
              <b>The shop knows a weak point.</b> {note.text}{' '}
              <small>
                {note.models === '' ? `all of ${note.maker}` : `${note.maker} ${note.models}`},{' '}
                {note.by}
              </small>
            </p>
          </div>
          <Link to={`/makers?text=${encodeURIComponent(note.maker)}`}>All notes</Link>
        </Thought>
      ))}
    </Strip>
  );
}

function CameBack({ earlier }: { earlier: NonNullable<Job['cameBack']> }) {
  const days = earlier.days === 0 ? 'on the same day' : `after ${earlier.days} days`;
  return (
    <Thought>
      <SuspicionMark suspicion="LEANING" size={24} />
      <div>
        <b>Back {days} with the same complaint</b>
        <p>
          {earlier.decision === null
            ? 'It went back without a decision.'
            : `Then: ${inOrder(earlier.decision.courses.map((c) => c.words))}, because “${earlier.decision.reason}”. ${earlier.decision.headline}`}{' '}
          <small>{when(earlier.endedAt)}</small>
        </p>
      </div>
      <Link to={`/job/${earlier.number}`}>Compare with {earlier.number}</Link>
    </Thought>
  );
}

const Strip = styled(Sheet)`
  margin-top: 12px;
`;

const Thought = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 14px;
  padding: 10px 16px;
  & + & {
    border-top: 1px solid ${color.line};
  }
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
