import { t } from '../../words/words';
import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { Battery, DischargeResult, Run } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when, fixed } from '../../ui/format';
import { Plot } from '../../ui/plot/Plot';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';
import { duration, percent, ranged } from './figures';

const STARTS = [
  {
    kind: 'DISCHARGE',
    name: t('web.battery.discharges.run-it-down'),
    about: t('web.battery.discharges.charge-it-full-take-the-adapter'),
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
            <dt>{t('web.battery.discharges.drawn')}</dt>
            <dd>
              {ranged(found.chargeAh, 'Ah')}
              {found.chargeAh !== null &&
                found.designAh !== null &&
                found.reachedCutOff &&
                t('web.battery.discharges.of-ah-new', {
                  percent: percent(found.chargeAh.value / found.designAh),
                  designAh: fixed(found.designAh, 2),
                })}
              {!found.reachedCutOff && ` ${t('web.battery.discharges.until-now-it-holds-more')}`}
            </dd>
            <dt>{t('web.battery.discharges.energy')}</dt>
            <dd>{ranged(found.energyWh, 'Wh', 1)}</dd>
            <dt>{t('web.battery.discharges.its-gauge')}</dt>
            <dd>{gauge(found)}</dd>
            <dt>{t('web.battery.discharges.resistance')}</dt>
            <dd>
              {found.resistanceOhm === null
                ? t('web.battery.discharges.not-measured-load-steps-are-too', {
                    steps: found.steps,
                  })
                : t('web.battery.discharges.by-load-steps', {
                    ranged: ranged(found.resistanceOhm, 'Ω', 3),
                    steps: found.steps,
                    times: times(found),
                  })}
            </dd>
            <dt>{t('web.battery.discharges.warmed-by')}</dt>
            <dd>
              {found.warmedCelsius === null
                ? t('web.battery.discharges.not-measured')
                : `${fixed(found.warmedCelsius, 1)} °C`}
            </dd>
            <dt>{t('web.battery.discharges.took')}</dt>
            <dd>
              {duration(found.seconds)}
              {found.gaps > 0 &&
                t('web.battery.discharges.not-heard-for-in-all-the', {
                  gaps:
                    found.gaps === 1
                      ? t('web.battery.discharges.once')
                      : t('web.battery.discharges.times', { gaps: found.gaps }),
                  duration: duration(found.secondsInGaps),
                })}
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
  if (running !== null) return t('web.battery.discharges.it-is-being-run-down');
  const found = resultOf(last, 'discharge');
  if (found === null) return t('web.battery.discharges.it-has-not-been-run-down');
  if (!found.reachedCutOff) return t('web.battery.discharges.run-down-in-part-it-holds');
  return t('web.battery.discharges.empty-after-under-load', { duration: duration(found.seconds) });
}

/** What it believed against what came out. */
function gauge(found: DischargeResult): string {
  if (found.gaugeFullAh === null || found.chargeAh === null || !found.reachedCutOff) {
    return found.gaugeFullAh === null
      ? t('web.battery.discharges.not-reported')
      : t('web.battery.discharges.believes-in-ah', { gaugeFullAh: fixed(found.gaugeFullAh, 2) });
  }
  const believed = found.gaugeFullAh * (found.gaugeLevel ?? 1);
  const off = believed / found.chargeAh.value - 1;
  return t('web.battery.discharges.believed-in-ah-than-came-out', {
    believed: fixed(believed, 2),
    percent: percent(Math.abs(off)),
    off: off >= 0,
  });
}

const times = (found: DischargeResult) =>
  found.resistanceOhm !== null && found.newOhm !== null
    ? t('web.battery.discharges.times-that-of-a-new-one', {
        newOhm: fixed(found.resistanceOhm.value / found.newOhm, 1),
      })
    : '';

type Points = DischargeResult['points'];

const series = (points: Points, at: 1 | 2) =>
  points.map((p) => [(p[0] ?? 0) / 60, p[at] ?? 0] as const);

function Curve({ found, before }: { found: DischargeResult; before: DischargeResult | null }) {
  const both = [...found.points, ...(before?.points ?? [])];
  const volts = both.map((p) => p[1] ?? 0);
  const x = {
    kind: 'number',
    name: t('web.ui.plot.time'),
    unit: 'min',
    from: 0,
    to: Math.max(1, ...both.map((p) => (p[0] ?? 0) / 60)),
  } as const;
  const earlier = (at: 1 | 2) =>
    before === null
      ? []
      : [
          {
            name: t('web.battery.discharges.before'),
            points: series(before.points, at),
            faint: true,
          },
        ];
  return (
    <Plots>
      <Plot
        label={t('web.battery.discharges.voltage-from-to-v-in', {
          volts: fixed(volts[0] ?? 0, 1),
          at: fixed(found.points.at(-1)?.[1] ?? 0, 1),
          duration: duration(found.seconds),
        })}
        data={{
          title: t('web.battery.discharges.voltage'),
          x,
          y: { unit: 'V', digits: 2 },
          series: [
            ...earlier(1),
            { name: t('web.battery.discharges.voltage'), points: series(found.points, 1) },
          ],
        }}
        height={200}
      />
      <Plot
        label={t('web.battery.discharges.current-with-its-load-steps-up', {
          value: fixed(Math.max(...both.map((p) => p[2] ?? 0)), 1),
        })}
        data={{
          title: t('web.battery.discharges.current'),
          x,
          y: { unit: 'A', from: 0, digits: 2 },
          series: [
            ...earlier(2),
            { name: t('web.battery.discharges.current'), points: series(found.points, 2) },
          ],
        }}
        height={130}
      />
      {before !== null && (
        <small>{t('web.battery.discharges.broken-line-the-discharge-before')}</small>
      )}
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
