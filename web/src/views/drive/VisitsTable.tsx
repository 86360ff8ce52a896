import { t } from '../../words/words';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { DriveData, DriveNumber } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { count, dated, sameDay } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { shopNow } from '../../ui/now';

const DAY = { day: 'numeric', month: 'short' } as const;
const DAY_AND_YEAR = { day: 'numeric', month: 'short', year: '2-digit' } as const;

/** What the drive said of itself, visit by visit; what changed stands first. */
export function VisitsTable({ drive }: { drive: DriveData }) {
  const [all, setAll] = useState(false);
  const changed = drive.rows.filter((r) => r.bad || (r.change !== null && r.change !== 'same'));
  const shown = all || changed.length === 0 ? drive.rows : changed;
  const hidden = drive.rows.length - shown.length;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{title(drive.visits.length)}</Lead>
        <small>
          {changed.length > 0 && t('web.drive.visits-table.changed-values-first')}
          {changed.length === 0 &&
            drive.rows.length > 0 &&
            t('web.drive.visits-table.nothing-has-changed-for-the-worse')}
          {hidden > 0 && t('web.drive.visits-table.unchanged-hidden', { hidden })}
        </small>
      </SheetHead>
      {drive.rows.length === 0 ? (
        <Foot>{t('web.drive.visits-table.what-it-told-of-itself-cannot')}</Foot>
      ) : (
        <Scroll>
          <table>
            <thead>
              <tr>
                <th scope="col" colSpan={2}>
                  {t('web.drive.visits-table.what-the-drive-reports')}
                </th>
                {drive.visits.map((v) => (
                  <th scope="col" key={v.readingId} className="number">
                    <Link to={`/reading/${v.readingId}`}>{dateOf(v.takenAt)}</Link>
                  </th>
                ))}
                {drive.visits.length > 1 && (
                  <th scope="col" className="number">
                    {t('web.drive.visits-table.change')}
                  </th>
                )}
                <th scope="col">{t('web.drive.visits-table.against-others-like-it')}</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((row) => (
                <tr key={row.key}>
                  <td className="id">{row.label}</td>
                  <th scope="row">
                    <Link
                      to={`/reading/${drive.latestReading ?? ''}?page=${row.page}&offset=${row.offset}&length=${row.length}`}
                    >
                      {row.name}
                    </Link>
                    {row.rule !== null && !row.rule.startsWith('COUNT') && (
                      <small>
                        {t('web.drive.visits-table.read-as', {
                          replaceAll: row.rule.toLowerCase().replaceAll('_', ' '),
                        })}
                      </small>
                    )}
                  </th>
                  {row.values.map((value, i) => (
                    <td
                      key={drive.visits[i]?.readingId}
                      className="number"
                      data-last={i === row.values.length - 1 || undefined}
                    >
                      {value === null
                        ? t('web.drive.visits-table.not-reported')
                        : `${count(value)} ${row.unit}`}
                    </td>
                  ))}
                  {drive.visits.length > 1 && (
                    <td className="number change" data-bad={row.bad || undefined}>
                      {row.change ?? ''}
                    </td>
                  )}
                  <td>
                    <Standing row={row} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
      )}
      {(hidden > 0 || all) && (
        <Foot>
          <Button onPress={() => setAll(!all)}>
            {all
              ? t('web.drive.visits-table.hide-what-has-not-changed')
              : t('web.drive.visits-table.show-all-values', { length: drive.rows.length })}
          </Button>
        </Foot>
      )}
    </Sheet>
  );
}

function title(visits: number): string {
  if (visits === 0) return t('web.drive.visits-table.not-read-yet');
  return visits === 1
    ? t('web.drive.visits-table.met-once-so-far')
    : t('web.drive.visits-table.same-drive-readings', { visits });
}

function dateOf(iso: string): string {
  const at = new Date(iso);
  const now = shopNow();
  if (sameDay(at, now)) return t('web.drive.visits-table.today');
  return dated(at, at.getFullYear() === now.getFullYear() ? DAY : DAY_AND_YEAR);
}

/** The middle half of the others as a bar, this drive as a stroke. */
function Standing({ row }: { row: DriveNumber }) {
  const s = row.stand;
  if (s === null) return <Few>{t('web.drive.visits-table.too-few-known')}</Few>;
  const now = row.values.at(-1) ?? 0;
  const most = Math.max(s.highest, now, 1);
  const x = (v: number) => (100 * v) / most;
  const higher = Math.round(100 * s.share);
  return (
    <Mark
      role="img"
      aria-label={t('web.drive.visits-table.higher-than-in-100-of-the', {
        higher,
        among: s.among,
        count: count(s.lower),
        count2: count(s.upper),
      })}
      title={t('web.drive.visits-table.higher-than-in-100-of', { higher, among: s.among })}
    >
      <i style={{ left: `${x(s.lower)}%`, width: `${Math.max(2, x(s.upper) - x(s.lower))}%` }} />
      <b style={{ left: `calc(${x(now)}% - 2px)` }} data-bad={row.bad || undefined} />
    </Mark>
  );
}

const Scroll = styled.div`
  overflow-x: auto;
  padding: 0 16px;
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: ${size.body};
  }
  th {
    font-weight: 400;
    text-align: left;
  }
  thead th {
    font-size: ${size.text};
    color: ${color.ink2};
    padding: 6px 8px 6px 0;
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
  td,
  tbody th {
    padding: 9px 8px 9px 0;
  }
  tbody th small {
    display: block;
    font-size: ${size.small};
    color: ${color.ink2};
  }
  .number {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  .id {
    color: ${color.ink2};
    width: 34px;
  }
  td[data-last] {
    font-weight: 700;
  }
  .change {
    color: ${color.ink2};
  }
  .change[data-bad] {
    color: ${color.implicated};
    font-weight: 700;
  }
`;

const Mark = styled.div`
  position: relative;
  height: 18px;
  min-width: 110px;
  border-bottom: 1px solid ${color.ink3};
  i {
    position: absolute;
    bottom: 0;
    height: 7px;
    background: ${color.bar};
  }
  b {
    position: absolute;
    bottom: 0;
    width: 4px;
    height: 16px;
    background: ${color.clear};
  }
  b[data-bad] {
    background: ${color.implicated};
  }
`;

const Few = styled.span`
  font-size: ${size.small};
  color: ${color.ink2};
`;

const Foot = styled.div`
  padding: 10px 16px 14px;
`;
