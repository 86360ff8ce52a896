import { t } from '../../words/words';
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
            <b>{t('web.job.second-thoughts.look-at-the-decision-again')}</b>
            <p>{job.contradicted}</p>
          </div>
          <Button primary onPress={() => void navigate(`/job/${job.number}/decision`)}>
            {t('web.job.second-thoughts.decide-anew')}
          </Button>
        </Thought>
      )}
      {job.cameBack !== null && <CameBack earlier={job.cameBack} />}
      {job.weakPoints.map((note) => (
        <Thought key={note.models + note.text}>
          <SuspicionMark suspicion="UNKNOWN" size={24} />
          <div>
            <p>
              <b>{t('web.job.second-thoughts.the-shop-knows-a-weak-point')}</b> {note.text}{' '}
              <small>
                {note.models === ''
                  ? t('web.job.second-thoughts.all-of', { maker: note.maker })
                  : `${note.maker} ${note.models}`}
                , {note.by}
              </small>
            </p>
          </div>
          <Link to={`/makers?text=${encodeURIComponent(note.maker)}`}>
            {t('web.job.second-thoughts.all-notes')}
          </Link>
        </Thought>
      ))}
    </Strip>
  );
}

function CameBack({ earlier }: { earlier: NonNullable<Job['cameBack']> }) {
  const days =
    earlier.days === 0
      ? t('web.job.second-thoughts.on-the-same-day')
      : t('web.job.second-thoughts.after-days', { days: earlier.days });
  return (
    <Thought>
      <SuspicionMark suspicion="LEANING" size={24} />
      <div>
        <b>{t('web.job.second-thoughts.back-with-the-same-complaint', { days })}</b>
        <p>
          {earlier.decision === null
            ? t('web.job.second-thoughts.it-went-back-without-a-decision')
            : t('web.job.second-thoughts.then-because', {
                inOrder: inOrder(earlier.decision.courses.map((c) => c.words)),
                reason: earlier.decision.reason,
                headline: earlier.decision.headline,
              })}{' '}
          <small>{when(earlier.endedAt)}</small>
        </p>
      </div>
      <Link to={`/job/${earlier.number}`}>
        {t('web.job.second-thoughts.compare-with', { number: earlier.number })}
      </Link>
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
