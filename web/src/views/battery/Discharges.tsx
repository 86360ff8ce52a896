import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { Battery, DischargeResult, Run } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when } from '../../ui/format';
import { LineChart } from '../../ui/LineChart';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';
import { duration, percent, ranged } from './figures';

const STARTS = [
  {
    kind: 'DISCHARGE',
    name: 'Run it down',
    about:
      'Charge it full, take the adapter off, then start. The machine makes its own load until it switches off',
  },
] as const;

/** The discharge that goes on, or the last one, beside the one before. */
export function Discharges({ battery }: { battery: Battery }) {
  const { running, ended } = useLatest(battery.runs);
  const told = ended.filter((r) => resultOf(r, 'discharge') !== null);
  const shown = resultOf(running, 'discharge') !== null ? running : (told[0] ?? null);
  const before = (resultOf(running, 'discharge') !== null ? told[0] : told[1]) ?? null;
  const found = resultOf(shown, 'discharge');
  return (
    <Sheet>
      <SheetHead>
        <Lead>{dischargeTitle(running, told[0] ?? null)}</Lead>
        {shown?.endedAt != null && <small>{when(shown.endedAt)}</small>}
      </SheetHead>
      {running !== null && <RunPanel run={running} job={battery.number} />}
      {found !== null && (
        <>
          <Curve found={found} before={resultOf(before, 'discharge')} />
          <Facts>
            <dt>Drawn</dt>
            <dd>
              {ranged(found.chargeAh, 'Ah')}
              {found.chargeAh !== null &&
                found.designAh !== null &&
                found.reachedCutOff &&
                `, ${percent(found.chargeAh.value / found.designAh)} of ${found.designAh.toFixed(2)} Ah new`}
              {!found.reachedCutOff && ' until now; it holds more'}
            </dd>
            <dt>Energy</dt>
            <dd>{ranged(found.energyWh, 'Wh', 1)}</dd>
            <dt>Its gauge</dt>
            <dd>{gauge(found)}</dd>
            <dt>Resistance</dt>
            <dd>
              {found.resistanceOhm === null
                ? `not measured: ${found.steps} load steps are too few`
                : `${ranged(found.resistanceOhm, 'Ω', 3)} by ${found.steps} load steps${times(found)}`}
            </dd>
            <dt>Warmed by</dt>
            <dd>
              {found.warmedCelsius === null
                ? 'not measured'
                : `${found.warmedCelsius.toFixed(1)} °C`}
            </dd>
            <dt>Took</dt>
            <dd>
              {duration(found.seconds)}
              {found.gaps > 0 &&
                `, not heard ${found.gaps === 1 ? 'once' : `${found.gaps} times`} for ${duration(found.secondsInGaps)} in all; the ranges hold that`}
            </dd>
          </Facts>
        </>
      )}
      {ended[0] !== undefined && ended[0].why !== null && (
        <Why>
          {ended[0].name}, {ended[0].endedAt !== null && when(ended[0].endedAt)}: {ended[0].why}.
        </Why>
      )}
      {running === null && (
        <StartPart
          job={battery.number}
          part="battery"
          starts={STARTS}
          lockedWhy={battery.unsafe ?? battery.canDischarge}
        />
      )}
    </Sheet>
  );
}

function dischargeTitle(running: Run | null, last: Run | null): string {
  if (running !== null) return 'It is being run down';
  const found = resultOf(last, 'discharge');
  if (found === null) return 'It has not been run down yet';
  if (!found.reachedCutOff) return 'Run down in part: it holds more than was drawn';
  return `Empty after ${duration(found.seconds)} under load`;
}

/** What it believed against what came out. */
function gauge(found: DischargeResult): string {
  if (found.gaugeFullAh === null || found.chargeAh === null || !found.reachedCutOff) {
    return found.gaugeFullAh === null
      ? 'not reported'
      : `believes in ${found.gaugeFullAh.toFixed(2)} Ah`;
  }
  const believed = found.gaugeFullAh * (found.gaugeLevel ?? 1);
  const off = believed / found.chargeAh.value - 1;
  return `believed in ${believed.toFixed(2)} Ah, ${percent(Math.abs(off))} ${off >= 0 ? 'more' : 'less'} than came out`;
}

const times = (found: DischargeResult) =>
  found.resistanceOhm !== null && found.newOhm !== null
    ? `, ${(found.resistanceOhm.value / found.newOhm).toFixed(1)} times that of a new one`
    : '';

type Points = DischargeResult['points'];

const series = (points: Points, at: 1 | 2) =>
  points.map((p) => [(p[0] ?? 0) / 60, p[at] ?? 0] as const);

function Curve({ found, before }: { found: DischargeResult; before: DischargeResult | null }) {
  const both = [...found.points, ...(before?.points ?? [])];
  const minutes = Math.max(1, ...both.map((p) => (p[0] ?? 0) / 60));
  const volts = both.map((p) => p[1] ?? 0);
  const low = Math.floor(Math.min(...volts));
  const high = Math.ceil(Math.max(...volts));
  const most = Math.ceil(Math.max(0.5, ...both.map((p) => p[2] ?? 0)));
  const times = [0, minutes / 2, minutes].map(
    (m) => [m, minutes < 4 ? `${Math.round(60 * m)} s` : `${Math.round(m)} min`] as const,
  );
  return (
    <Plots>
      <LineChart
        label={`Voltage from ${volts[0]?.toFixed(1) ?? '?'} to ${found.points.at(-1)?.[1]?.toFixed(1) ?? '?'} V in ${duration(found.seconds)}`}
        lines={[
          ...(before === null
            ? []
            : [{ name: 'before', points: series(before.points, 1), faint: true }]),
          { name: 'voltage', points: series(found.points, 1) },
        ]}
        x={[0, minutes]}
        y={[low, high]}
        xTicks={times}
        yTicks={[low, (low + high) / 2, high].map((v) => [v, `${v.toFixed(1)} V`] as const)}
        height={180}
      />
      <LineChart
        label={`Current with its load steps, up to ${Math.max(...both.map((p) => p[2] ?? 0)).toFixed(1)} A`}
        lines={[{ name: 'current', points: series(found.points, 2) }]}
        x={[0, minutes]}
        y={[0, most]}
        xTicks={times}
        yTicks={[0, most / 2, most].map((a) => [a, `${a.toFixed(1)} A`] as const)}
        height={90}
      />
      {before !== null && <small>Broken line: the discharge before.</small>}
    </Plots>
  );
}

const Plots = styled.div`
  display: grid;
  gap: 8px;
  padding: 4px 16px 8px;
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Facts = styled.dl`
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 4px 12px;
  padding: 4px 16px 12px;
  dt {
    color: ${color.ink2};
  }
`;

const Why = styled.p`
  padding: 0 16px 8px;
  font-size: ${size.text};
`;
