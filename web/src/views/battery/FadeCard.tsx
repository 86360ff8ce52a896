import styled from 'styled-components';
import type { Battery } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when } from '../../ui/format';
import { LineChart } from '../../ui/LineChart';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { percent } from './figures';

type FadeSpan = NonNullable<NonNullable<Battery['fade']>['perYear']>;

/** This pack over its visits, where that leads, and others like it. */
export function FadeCard({ battery }: { battery: Battery }) {
  const { fade, others, looks } = battery;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{fadeTitle(battery)}</Lead>
        <small>robust slope with its 95 % range</small>
      </SheetHead>
      {new Set(looks.map((l) => l.at.slice(0, 10))).size > 1 && <Plot battery={battery} />}
      <Body>
        {fade?.sinceNew != null && (
          <p>
            Since it was new, {(100 * Math.abs(fade.sinceNew)).toFixed(1)} points of 100 lost in 100
            cycles on average.
          </p>
        )}
        {fade?.perHundredCycles != null && (
          <p>Of late {spanWords(fade.perHundredCycles)} in 100 cycles.</p>
        )}
        {fade?.perYear != null && <p>Of late {spanWords(fade.perYear)} in a year.</p>}
        {fade?.limits.map((limit) => (
          <p key={limit.share}>
            {percent(limit.share)} if it goes on like this:{' '}
            {limit.cycles !== null && `in ${span(limit.cycles, 0)} cycles`}
            {limit.cycles !== null && limit.years !== null && ', '}
            {limit.years !== null && `in ${span(limit.years, 1)} years`}.
          </p>
        ))}
        {fade !== null && fade.looks < 3 && (
          <p>From fewer than three looks at different times nothing is foretold.</p>
        )}
        {others === null ? (
          <p>Fewer than three others of its model met: nothing to compare with.</p>
        ) : (
          <p>
            {others.packs} others of its model met; half of them hold {percent(others.median)} and
            more, {others.below} are worse than this one.
          </p>
        )}
      </Body>
      {looks.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">Looked at</th>
              <th scope="col">job</th>
              <th scope="col">cycles</th>
              <th scope="col">of new</th>
              <th scope="col">how</th>
            </tr>
          </thead>
          <tbody>
            {looks.map((look) => (
              <tr key={`${look.at} ${look.measured}`}>
                <th scope="row">{when(look.at)}</th>
                <td>{look.job}</td>
                <td>{look.cycles ?? 'not counted'}</td>
                <td>{percent(look.health)}</td>
                <td>{look.measured ? 'measured' : 'self-report'}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </Sheet>
  );
}

function fadeTitle(battery: Battery): string {
  const next = battery.fade?.limits[0];
  if (next?.years != null) {
    return `Heading for ${percent(next.share)} in about ${next.years.value.toFixed(1)} years`;
  }
  if (next?.cycles != null) {
    return `Heading for ${percent(next.share)} in about ${Math.round(next.cycles.value)} cycles`;
  }
  if (battery.looks.length === 0) return 'Its fade is not known yet';
  return battery.looks.length < 3 ? 'Too few looks to foretell its fade' : 'It fades no further';
}

const span = (of: FadeSpan, digits: number) =>
  `${of.value.toFixed(digits)} (${of.low.toFixed(digits)} to ${of.high === null ? 'never' : of.high.toFixed(digits)})`;

/** A change of a share, as points of 100. */
function spanWords(of: FadeSpan): string {
  const points = (share: number) => (100 * share).toFixed(1).replace('-', '−');
  return `${points(of.value)} points of 100 (${points(of.low)} to ${of.high === null ? '∞' : points(of.high)})`;
}

function Plot({ battery }: { battery: Battery }) {
  const times = battery.looks.map((l) => new Date(l.at).getTime());
  const first = Math.min(...times);
  const last = Math.max(...times, first + 86_400_000);
  const low = Math.min(0.5, ...battery.looks.map((l) => l.health));
  const line = (measured: boolean) =>
    battery.looks
      .filter((l) => l.measured === measured)
      .map((l) => [new Date(l.at).getTime(), l.health] as const);
  return (
    <Padded>
      <LineChart
        label={`Share of a new one over ${battery.looks.length} looks: ${battery.looks.map((l) => percent(l.health)).join(', ')}`}
        lines={[
          { name: 'self-report', points: line(false), dots: true },
          { name: 'measured', points: line(true), dots: true, faint: true },
        ]}
        x={[first, last]}
        y={[Math.floor(10 * low) / 10, 1]}
        xTicks={[
          [first, when(new Date(first).toISOString())],
          [last, when(new Date(last).toISOString())],
        ]}
        yTicks={[
          [1, '100 %'],
          [0.6, '60 %'],
        ]}
        limits={[[0.8, 'worn by convention: 80 %']]}
        height={130}
      />
    </Padded>
  );
}

const Padded = styled.div`
  padding: 0 16px 8px;
`;

const Body = styled.div`
  display: grid;
  gap: 4px;
  padding: 0 16px 12px;
`;

const Table = styled.table`
  border-collapse: collapse;
  inline-size: 100%;
  th,
  td {
    padding: 6px 16px;
    text-align: left;
    font-weight: 400;
  }
  thead th {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
`;
