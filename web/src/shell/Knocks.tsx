import { lazy, Suspense, useState } from 'react';
import styled from 'styled-components';
import { useKnocks } from '../api/queries';
import type { Knock, Person } from '../api/types';
import { color, upTo } from '../theme/theme';
import { Button } from '../ui/Button';
import { say, t } from '../words/words';
import { fixed } from '../ui/format';

const LetIn = lazy(() => import('./LetIn').then((m) => ({ default: m.LetIn })));

/** So many are shown; nobody stands at more screens at once. */
const SHOWN = 3;

/** Machines that started from the stick and ask to be let in, below the band for everybody. */
export function Knocks({ person }: { person: Person }) {
  const knocks = useKnocks().data ?? [];
  const [opened, setOpened] = useState<Knock | null>(null);
  const more = knocks.length - SHOWN;
  return (
    <>
      <div role="status">
        {knocks.length > 0 && (
          <List aria-label={t('web.shell.knocks.machines-that-knock')}>
            {knocks.slice(0, SHOWN).map((knock) => (
              <li key={knock.id}>
                <span>
                  <b>{say('web.shell.knocks.knocks', { machine: nameOf(knock) })}</b>{' '}
                  {knock.job !== null &&
                    (knock.job.bay === null
                      ? say('web.shell.knocks.has-the-serial-of', { job: knock.job.number })
                      : say('web.shell.knocks.has-the-serial-of-in-bay', {
                          job: knock.job.number,
                          bay: knock.job.bay,
                        }))}
                </span>
                {person.role !== 'COUNTER' && (
                  <Button
                    onPress={() => setOpened(knock)}
                    aria-label={t('web.shell.knocks.let-in-this', { machine: nameOf(knock) })}
                  >
                    {t('web.shell.knocks.let-it-in')}
                  </Button>
                )}
              </li>
            ))}
            {more > 0 && <li>{t('web.shell.knocks.more', { more: fixed(more, 0) })}</li>}
          </List>
        )}
      </div>
      {opened !== null && (
        <Suspense fallback={null}>
          <LetIn knock={opened} name={nameOf(opened)} onClose={() => setOpened(null)} />
        </Suspense>
      )}
    </>
  );
}

/** What it says of itself, and where it is: two that say the same can be told apart. */
function nameOf(knock: Knock): string {
  return t('web.shell.knocks.name', {
    machine: knock.machine === '' ? t('web.shell.knocks.machine-not-reported') : knock.machine,
    serial:
      knock.serial === ''
        ? t('web.shell.knocks.serial-not-reported')
        : t('web.shell.knocks.serial', { serial: knock.serial }),
    from: knock.from,
  });
}

const List = styled.ul`
  background: ${color.sheet};
  border-bottom: 2px solid ${color.act};
  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 6px 14px;
    min-height: 44px;
    padding: 3px 18px;
    overflow-wrap: anywhere;
  }
  li + li {
    border-top: 1px solid ${color.line};
  }
  li > button {
    flex: none;
  }
  ${upTo.phone} {
    li {
      padding: 3px 10px;
    }
  }
`;
