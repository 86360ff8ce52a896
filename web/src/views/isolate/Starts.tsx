import { t } from '../../words/words';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Isolation } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when, fixed } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { passedWord } from './sorts';

export type Arrangement = readonly number[];

type Outcome = Isolation['starts'][number]['outcome'];

interface StartsProps {
  isolation: Isolation;
  /** Heads of the columns that show an arrangement. */
  heads: readonly string[];
  /** An arrangement, a cell for each head. */
  cells: (arrangement: Arrangement) => readonly ReactNode[];
  /** How it is arranged for the next start. */
  arrangement: Arrangement;
  isPossible: boolean;
  /** Controls by which it is arranged otherwise. */
  children: ReactNode;
}

/** Every start with how it was arranged; below, the next one. */
export function Starts(props: StartsProps) {
  const { isolation, heads, cells, arrangement, isPossible, children } = props;
  const call = useCall(keys.job(isolation.number), keys.floor);
  const { starts, named, number, sort, version } = isolation;
  const report = (outcome: Outcome) =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/isolations/{sort}/starts', {
        params: { path: { number, sort } },
        body: { version, arrangement: [...arrangement], outcome, note: '' },
      }),
    );
  const takeBack = (start: number) =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/isolations/{sort}/starts/{start}/take-back', {
        params: { path: { number, sort, start } },
        body: { version },
      }),
    );
  const last = starts[starts.length - 1];
  const best = isolation.options.find((o) => String(o.arrangement) === String(arrangement));
  const passed = passedWord(isolation.sort);
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {last === undefined
            ? t('web.isolate.starts.no-start-yet')
            : t('web.isolate.starts.words', { length: starts.length })}
        </Lead>
        <small>{t('web.isolate.starts.each-row-is-one-arrangement-and')}</small>
      </SheetHead>
      <Table>
        <thead>
          <tr>
            <th scope="col">#</th>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
            <th scope="col">{t('web.isolate.starts.it')}</th>
          </tr>
        </thead>
        <tbody>
          {starts.map((start, i) => (
            <tr key={start.id}>
              <td>{i + 1}</td>
              {cells(start.arrangement).map((cell, at) => (
                <td key={heads[at]}>{cell}</td>
              ))}
              <td>
                <Said>
                  <SuspicionMark suspicion={suspicionOf(start.outcome)} size={20} />
                  <b>{says(start.outcome, passed)}</b>
                  <small>
                    {start.by}, {when(start.at)}
                  </small>
                </Said>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      {last !== undefined && (
        <Slip>
          <Button isPending={call.isPending} onPress={() => takeBack(last.id)}>
            {t('web.isolate.starts.take-back-the-last-start')}
          </Button>
        </Slip>
      )}
      <Next>
        <b>
          {named === null
            ? t('web.isolate.starts.next', {
                length: starts.length + 1,
                more: best === undefined ? '' : t('web.isolate.starts.with', { words: best.words }),
              })
            : t('web.isolate.starts.another-start-if-it-helps')}
        </b>
        {best !== undefined && last !== undefined && (
          <small>
            {t('web.isolate.starts.tells-bit-takes-min', {
              bits: fixed(best.bits, 2),
              minutes: Math.round(best.minutes),
            })}
          </small>
        )}
        {children}
        <Row>
          <Big isDisabled={!isPossible} isPending={call.isPending} onPress={() => report('FAIL')}>
            {t('web.isolate.starts.it-failed')}
          </Big>
          <Big isDisabled={!isPossible} isPending={call.isPending} onPress={() => report('PASS')}>
            {t('web.isolate.starts.it-2', { passed })}
          </Big>
          <Big
            isDisabled={!isPossible}
            isPending={call.isPending}
            onPress={() => report('INCONCLUSIVE')}
          >
            {t('web.isolate.starts.could-not-tell')}
          </Big>
        </Row>
        {call.isError && <ProblemNote error={call.error} />}
      </Next>
    </Sheet>
  );
}

function says(outcome: Outcome, passed: string): string {
  return outcome === 'FAIL'
    ? t('web.isolate.starts.failed')
    : outcome === 'PASS'
      ? passed
      : t('web.isolate.starts.nobody-could-tell');
}

const suspicionOf = (outcome: Outcome) =>
  outcome === 'FAIL' ? 'IMPLICATED' : outcome === 'PASS' ? 'CLEARED' : 'UNKNOWN';

const Table = styled.table`
  border-collapse: collapse;
  inline-size: 100%;
  th,
  td {
    padding: 8px 16px;
    text-align: left;
    overflow-wrap: anywhere;
  }
  th {
    font-weight: 400;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
`;

const Said = styled.span`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Slip = styled.div`
  padding: 8px 16px;
`;

const Next = styled.div`
  display: grid;
  gap: 12px;
  padding: 14px 16px;
  border-top: 2px solid ${color.lean};
  background: ${color.leanSoft};
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Big = styled(Button)`
  min-height: 52px;
  min-width: 150px;
`;
