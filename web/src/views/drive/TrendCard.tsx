import { say, t } from '../../words/words';
import styled from 'styled-components';
import { SuspicionMark } from '../../marks/SuspicionMark';
import type { TrendSeries } from '../../api/types';
import { color, size } from '../../theme/theme';
import { count } from '../../ui/format';
import { Mono } from '../../ui/Sheet';
import { Plot } from '../../ui/plot/Plot';
import type { PlotData } from '../../ui/plot/plotData';

const DAY_MS = 86_400_000;

export interface TrendCardProps {
  trend: TrendSeries;
  /** The same number of another drive. */
  beside?: { name: string; trend: TrendSeries };
}

/** One number over time and where it leads: measured points, then the band. */
export function TrendCard({ trend, beside }: TrendCardProps) {
  return (
    <Card>
      <h3>
        <SuspicionMark suspicion={trend.grave ? 'IMPLICATED' : 'LEANING_CLEAR'} size={18} />
        {trend.name}
        <Mono>
          {count(trend.now)} {trend.unit}
        </Mono>
      </h3>
      <p>{trend.words}</p>
      {trend.splits.length > 0 && (
        <p>{say('web.drive.trend-card.begins-anew', { at: trend.splits.at(-1) })}</p>
      )}
      {trend.points.length > 1 && (
        <Plot
          data={plotOf(trend, beside)}
          label={[`${trend.name}: ${valuesOf(trend)}`]
            .concat(beside === undefined ? [] : `${beside.name}: ${valuesOf(beside.trend)}`)
            .join('. ')}
          height={150}
        />
      )}
    </Card>
  );
}

const valuesOf = (trend: TrendSeries) => trend.points.map((p) => count(p.value)).join(', ');

const pointsOf = (trend: TrendSeries) =>
  trend.points.map((p) => [new Date(p.takenAt).getTime(), p.value] as const);

/** What was measured, then where it leads: the band opens at the last point. */
function plotOf(trend: TrendSeries, beside: TrendCardProps['beside']): PlotData {
  const points = pointsOf(trend);
  const [lastAt, lastValue] = points.at(-1) ?? [0, 0];
  const [firstAt] = points[0] ?? [0];
  // The future takes no more room than half of the past, so that what was measured stays in sight.
  const room = Math.max((lastAt - firstAt) / 2, 15 * DAY_MS);
  const ahead = trend.forecast.filter((f) => f.daysAhead * DAY_MS <= room);
  const at = (days: number) => lastAt + days * DAY_MS;
  return {
    title: trend.name,
    x: { kind: 'time', name: t('web.ui.plot.when') },
    y: { unit: trend.unit, ...(Math.min(...points.map((p) => p[1])) >= 0 ? { from: 0 } : {}) },
    series: [
      { name: trend.name, points, dots: points.length < 40, grave: trend.grave },
      ...(beside === undefined
        ? []
        : [{ name: beside.name, points: pointsOf(beside.trend), dots: true, faint: true }]),
    ],
    ...(ahead.length === 0
      ? {}
      : {
          band: [
            [lastAt, lastValue, lastValue],
            ...ahead.map((f) => [at(f.daysAhead), f.low, f.high] as const),
          ],
          ahead: [[lastAt, lastValue], ...ahead.map((f) => [at(f.daysAhead), f.value] as const)],
        }),
    limits:
      trend.limit === null
        ? []
        : [
            {
              value: trend.limit,
              words: t('web.drive.trend-card.limit', { limit: count(trend.limit) }),
            },
          ],
  };
}

const Card = styled.article`
  border-top: 1px solid ${color.line};
  padding: 10px 14px 6px;
  h3 {
    display: flex;
    align-items: center;
    gap: 8px;
    font-size: ${size.body};
  }
  h3 > span:last-child {
    margin-left: auto;
  }
  p {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
