import { t } from '../../words/words';
import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { Run } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when, fixed } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

/** What runs found, newest first. */
export function RunList({ runs }: { runs: readonly Run[] }) {
  const ended = runs.filter((r) => r.state === 'ENDED');
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {ended.length === 0
            ? t('web.drive.run-list.not-tested-here-yet')
            : t('web.drive.run-list.tests-of-this-drive')}
        </Lead>
      </SheetHead>
      {ended.length === 0 ? (
        <Empty>{t('web.drive.run-list.a-surface-sample-tells-in-minutes')}</Empty>
      ) : (
        <List>
          {ended.map((r) => (
            <li key={r.id}>
              <span>
                <b>{r.name}</b> {r.endedAt !== null && when(r.endedAt)}
              </span>
              <span data-bad={isBad(r) || undefined}>{outcome(r)}</span>
              {r.why !== null && <small>{r.why}</small>}
            </li>
          ))}
        </List>
      )}
    </Sheet>
  );
}

function isBad(run: Run): boolean {
  return (
    resultOf(run, 'self-test')?.passed === false || (resultOf(run, 'surface')?.bad.length ?? 0) > 0
  );
}

function outcome(run: Run): string {
  if (run.end === 'COULD_NOT_RUN') return t('web.drive.run-list.could-not-run');
  const how =
    run.end === 'COMPLETE'
      ? ''
      : run.end === 'CANCELLED'
        ? t('web.drive.run-list.ended-by-hand')
        : t('web.drive.run-list.stopped-to-spare-it');
  const test = resultOf(run, 'self-test');
  if (test !== null) return `${test.words}${how}`;
  const s = resultOf(run, 'surface');
  if (s === null) return t('web.drive.run-list.ended', { how });
  const bad = s.bad.reduce((sum, b) => sum + b.sectors, 0);
  const read = t('web.drive.run-list.read', { fixed: fixed(100 * s.shareRead, 0) });
  return bad === 0
    ? t('web.drive.run-list.nothing-unreadable', { read, how })
    : t('web.drive.run-list.unreadable', { bad, read, how });
}

const Empty = styled.p`
  padding: 0 16px 16px;
`;

const List = styled.ul`
  padding: 0 16px 12px;
  li {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 2px 16px;
    padding: 8px 0;
    border-top: 1px solid ${color.line};
  }
  [data-bad] {
    color: ${color.implicated};
    font-weight: 700;
  }
  small {
    flex-basis: 100%;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
