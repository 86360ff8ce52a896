import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Job, PlanRow, Plans } from '../../api/types';
import { color, size, upTo } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { ofHundred, money } from '../../ui/format';
import { Sheet } from '../../ui/Sheet';
import { HowWeKnow } from '../../ui/HowWeKnow';
import { HowGone, HowLong, HowLost, HowReady, PriceLines } from './HowPlans';
import { OwnPlan } from './OwnPlan';
import { between, lostWords, minutesWords, rangeWords } from './planWords';

export interface PlanTableProps {
  job: Job;
  plans: Plans;
  chosen: PlanRow | undefined;
  onChoose: (id: string) => void;
  /** Remedies of a plan of one's own, in order. */
  onOwn: (remedies: readonly string[]) => void;
}

/** Plans side by side, the cheapest first, all costs counted. */
export function PlanTable({ job, plans, chosen, onChoose, onOwn }: PlanTableProps) {
  const [isOwnOpen, setOwnOpen] = useState(false);
  return (
    <Sheet>
      <Scroll>
        <Table aria-label={t('web.decision.plan-table.plans-the-cheapest-first')}>
          <thead>
            <tr>
              <th scope="col">{t('web.decision.plan-table.plan')}</th>
              <th scope="col">{t('web.decision.plan-table.complaint-gone-in-100')}</th>
              <th scope="col">{t('web.decision.plan-table.owner-s-data-lost')}</th>
              <th scope="col" data-right>
                {t('web.decision.plan-table.hands-on')}
              </th>
              <th scope="col" data-right>
                {t('web.decision.plan-table.ready-8-of-10')}
              </th>
              <th scope="col" data-right>
                {t('web.decision.plan-table.owner-pays')}
              </th>
              <th scope="col">
                <Hidden>{t('web.decision.plan-table.choose')}</Hidden>
              </th>
            </tr>
          </thead>
          <tbody>
            {plans.rows.map((row, i) => (
              <Row
                key={row.id}
                row={row}
                isBest={i === 0}
                isChosen={row.id === chosen?.id}
                currency={plans.currency ?? null}
                onChoose={() => onChoose(row.id)}
              />
            ))}
          </tbody>
        </Table>
      </Scroll>
      <Foot>
        <p>
          <b>{t('web.decision.plan-table.best')}</b> {plans.why}
        </p>
        <Turn job={job} plans={plans} />
        <Button onPress={() => setOwnOpen(true)}>
          {t('web.decision.plan-table.put-together-your-own')}
        </Button>
      </Foot>
      {isOwnOpen && (
        <OwnPlan
          choices={plans.choices}
          onClose={() => setOwnOpen(false)}
          onDone={(remedies) => {
            setOwnOpen(false);
            onOwn(remedies);
          }}
        />
      )}
    </Sheet>
  );
}

function Turn({ job, plans }: { job: Job; plans: Plans }) {
  const turn = plans.turn;
  if (turn === null || turn === undefined) {
    return <p>{say('web.decision.plan-table.what-could-change-it-nothing-that')}</p>;
  }
  return (
    <p>
      {say('web.decision.plan-table.what-could-change-it-min-with', {
        link: (words: ReactNode) => (
          <Link to={`/job/${job.number}?move=${encodeURIComponent(turn.move)}`}>{words}</Link>
        ),
        moveWords: turn.moveWords,
        minutes: turn.minutes,
        outcome: turn.outcome,
        chance: Math.round(100 * turn.chance),
        plan: turn.plan,
      })}
    </p>
  );
}

interface RowProps {
  row: PlanRow;
  isBest: boolean;
  isChosen: boolean;
  currency: string | null;
  onChoose: () => void;
}

function Row({ row, isBest, isChosen, currency, onChoose }: RowProps) {
  const range = rangeWords(row.goneLow, row.goneHigh);
  return (
    <PlanLine data-chosen={isChosen || undefined}>
      <th scope="row">
        <b>{row.words}</b>
        <small>
          {isBest && `${t('web.decision.plan-table.best-2')} `}
          {row.own && `${t('web.decision.plan-table.your-own')} `}
          {row.onlyIf === ''
            ? row.against
            : t('web.decision.plan-table.only-if-that-does-not-end', { lower: lower(row.onlyIf) })}
        </small>
      </th>
      <td>
        <HowWeKnow
          of={t('web.decision.plan-table.complaint-gone-in-100-2', {
            ofHundred: ofHundred(row.gone),
          })}
          how={<HowGone row={row} />}
        >
          <Share>
            <Bar aria-hidden>
              <span style={{ width: `${100 * row.gone}%` }} />
            </Bar>
            <span>
              <b>{ofHundred(row.gone)}</b> {range !== '' && <small>{range}</small>}
            </span>
          </Share>
        </HowWeKnow>
      </td>
      <td>
        <HowWeKnow
          of={t('web.decision.plan-table.owner-s-data-lost-2', {
            lostWords: lostWords(row.dataLost),
          })}
          how={<HowLost row={row} />}
        >
          <Share>
            <Bar data-data aria-hidden>
              <span style={{ width: `${100 * row.dataLost}%` }} />
            </Bar>
            <b>{lostWords(row.dataLost)}</b>
          </Share>
        </HowWeKnow>
      </td>
      <td data-right>
        <HowWeKnow
          of={t('web.decision.plan-table.hands-on-2', { minutesWords: minutesWords(row) })}
          how={<HowLong row={row} />}
        >
          {minutesWords(row)}
        </HowWeKnow>
      </td>
      <td data-right>
        <HowWeKnow
          of={t('web.decision.plan-table.ready-2', {
            between: between(row.readyEarly, row.readyLate),
          })}
          how={<HowReady row={row} />}
        >
          {between(row.readyEarly, row.readyLate)}
        </HowWeKnow>
      </td>
      <td data-right>
        <Price row={row} currency={currency} />
      </td>
      <td>
        {row.lock === null || row.lock === undefined ? (
          <Button
            primary={isChosen}
            aria-pressed={isChosen}
            aria-label={`${isChosen ? t('web.decision.plan-table.chosen') : t('web.decision.plan-table.choose')}: ${row.words}`}
            onPress={onChoose}
          >
            {isChosen ? t('web.decision.plan-table.chosen') : t('web.decision.plan-table.choose')}
          </Button>
        ) : (
          <Locked>
            <b>{t('web.decision.plan-table.locked')}</b> {row.lock.opens}
          </Locked>
        )}
      </td>
    </PlanLine>
  );
}

function Price({ row, currency }: { row: PlanRow; currency: string | null }) {
  if (currency === null || row.certain === null || row.certain === undefined) {
    return <small>{t('web.decision.plan-table.not-said')}</small>;
  }
  const most = row.atMost ?? row.certain;
  return (
    <HowWeKnow
      of={t('web.decision.plan-table.owner-pays-2', { money: money(row.certain, currency) })}
      how={<PriceLines lines={row.priceLines} currency={currency} />}
    >
      <span>{money(row.certain, currency)}</span>
      {most > row.certain && (
        <small>{t('web.decision.plan-table.at-most', { money: money(most, currency) })}</small>
      )}
    </HowWeKnow>
  );
}

const lower = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);

const Scroll = styled.div`
  /* What is read aloud only is placed within, or the page would be as wide as the table. */
  position: relative;
  overflow-x: auto;
`;

const Hidden = styled.span`
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
`;

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.body};
  th,
  td {
    text-align: left;
    padding: 5px 10px;
    vertical-align: middle;
    font-weight: 400;
  }
  thead th {
    font-size: ${size.small};
    font-weight: 700;
    color: ${color.ink2};
    white-space: nowrap;
  }
  th:first-child {
    padding-left: 16px;
    min-width: 260px;
  }
  td button {
    white-space: nowrap;
  }
  td[data-right] button {
    margin-right: -4px;
  }
  [data-right] {
    text-align: right;
    white-space: nowrap;
  }
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
  th small,
  [data-right] small {
    display: block;
  }
`;

const PlanLine = styled.tr`
  border-top: 1px solid ${color.line};
  &[data-chosen] {
    background: ${color.clearSoft};
    box-shadow: inset 5px 0 0 ${color.clear};
  }
`;

const Share = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  white-space: nowrap;
`;

const Bar = styled.span`
  display: block;
  flex: none;
  width: 84px;
  height: 10px;
  background: ${color.sunken};
  & > span {
    display: block;
    height: 100%;
    background: ${color.clear};
  }
  &[data-data] > span {
    background: ${color.hold};
  }
`;

const Locked = styled.span`
  display: block;
  max-width: 220px;
  font-size: ${size.small};
  color: ${color.holdInk};
`;

const Foot = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 16px;
  align-items: center;
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  p {
    grid-column: 1;
  }
  button {
    grid-column: 2;
    grid-row: 1 / 3;
  }
  ${upTo.narrow} {
    grid-template-columns: minmax(0, 1fr);
    button {
      grid-column: 1;
      grid-row: auto;
    }
  }
`;
