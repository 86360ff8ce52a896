import { t } from '../../words/words';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { RunKind } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { ProblemNote } from '../../ui/ProblemNote';

export interface StartPartProps {
  job: string;
  /** What it runs on: "board" or "battery". */
  part: string;
  starts: readonly { kind: RunKind; name: string; about: string }[];
  /** Why none of them can be started now; null if they can. */
  lockedWhy: string | null;
}

/** Runs on what a machine has one of; why they cannot be started stands beside them. */
export function StartPart({ job, part, starts, lockedWhy }: StartPartProps) {
  const call = useCall(keys.job(job), keys.floor);
  return (
    <Box>
      <ul>
        {starts.map((start, i) => (
          <li key={start.kind}>
            <span>
              <b>{start.name}</b>
              <small>{start.about}</small>
            </span>
            <Button
              primary={i === 0}
              aria-label={t('web.run.start-part.start', { name: start.name })}
              isDisabled={lockedWhy !== null}
              isPending={call.isPending}
              onPress={() =>
                call.mutate(() =>
                  api.POST('/api/jobs/{number}/parts/{partKey}/runs', {
                    params: { path: { number: job, partKey: part } },
                    body: { kind: start.kind },
                  }),
                )
              }
            >
              {t('web.run.start-part.start-2')}
            </Button>
          </li>
        ))}
      </ul>
      {lockedWhy !== null && <p role="note">{t('web.run.start-part.not-now', { lockedWhy })}</p>}
      {call.isError && <ProblemNote error={call.error} />}
    </Box>
  );
}

const Box = styled.div`
  padding: 0 16px 12px;
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    padding: 8px 0;
    > button {
      flex: none;
    }
  }
  [role='note'] {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
