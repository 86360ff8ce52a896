import { t } from '../../words/words';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSession } from '../../api/queries';
import type { Job } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

/** Moves that were made by hand, with what was seen; a slip can be taken back. */
export function MadeMoves({ job }: { job: Job }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const role = useSession().data?.person?.role;
  if (job.made.length === 0) return null;
  return (
    <Sheet id="made">
      <SheetHead>
        <Lead>{t('web.job.made-moves.moves-made')}</Lead>
        <small>{t('web.job.made-moves.newest-first')}</small>
      </SheetHead>
      {call.isError && <ProblemNote error={call.error} />}
      <List>
        {job.made.map((made) => (
          <li key={`${made.move}@${made.part}`}>
            <span>
              <b>{made.title}</b>
              <span>
                {made.outcome === 'COULD_NOT'
                  ? t('web.job.made-moves.could-not-be-done', { note: made.note })
                  : made.words}
                {made.outcome === 'DONE' && made.note !== '' && `. ${made.note}`}
              </span>
              <small>
                {made.by}, {when(made.at)}
                {!made.known && t('web.job.made-moves.this-move-is-not-in-the')}
              </small>
            </span>
            {made.known && job.endedAt === null && role !== 'COUNTER' && (
              <Button
                aria-label={t('web.job.made-moves.take-back', { title: made.title })}
                isPending={call.isPending}
                onPress={() =>
                  call.mutate(() =>
                    api.POST('/api/jobs/{number}/moves/{move}/take-back', {
                      params: { path: { number: job.number, move: made.move } },
                      body: { version: job.version, part: made.part, drive: null },
                    }),
                  )
                }
              >
                {t('web.job.made-moves.take-back-2')}
              </Button>
            )}
          </li>
        ))}
      </List>
    </Sheet>
  );
}

const List = styled.ul`
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    padding: 10px 16px;
    border-top: 1px solid ${color.line};
  }
  li > span > * {
    display: block;
  }
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
  button {
    flex: none;
  }
`;
