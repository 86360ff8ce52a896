import { t } from '../../words/words';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Job } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Sheet } from '../../ui/Sheet';
import { costWords, inOrder, leaningWords } from './leaningWords';

/** Where the decision is heading and what that costs, or the decision itself. The rest is in its view. */
export function Leaning({ job }: { job: Job }) {
  const navigate = useNavigate();
  const last = job.decisions[0];
  return (
    <Box>
      <div>
        <p>
          <small>
            {last === undefined
              ? t('web.job.leaning.leaning-to')
              : t('web.job.leaning.decided-by', {
                  signedBy: last.signedBy,
                  when: when(last.signedAt),
                })}
          </small>
          <b>
            {last === undefined
              ? (job.plans[0]?.words ?? leaningWords(job) ?? t('web.job.leaning.nothing-yet'))
              : inOrder(last.courses.map((c) => c.words))}
          </b>
        </p>
        {last === undefined && job.plans[0] !== undefined && (
          <small>{costWords(job.plans[0])}</small>
        )}
      </div>
      <Button
        primary={last === undefined}
        onPress={() => void navigate(`/job/${job.number}/decision`)}
      >
        {last === undefined ? t('web.job.leaning.decide') : t('web.job.leaning.see-the-decision')}
      </Button>
    </Box>
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
    font-size: ${size.text};
    color: ${color.ink2};
  }
  button {
    flex: none;
  }
`;
