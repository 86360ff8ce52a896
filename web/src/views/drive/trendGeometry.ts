import { fixed, dated } from '../../ui/format';
import { t } from '../../words/words';
import type { TrendSeries } from '../../api/types';

export interface Dot {
  x: number;
  y: number;
}

export interface TrendShape {
  left: number;
  points: Dot[];
  line: string;
  /** Empty without a forecast. */
  ahead: string;
  band: string;
  limitY: number | null;
  top: string;
  bottom: string;
  dates: { x: number; words: string; anchor: 'start' | 'middle' | 'end' }[];
}

const LEFT = 44;
const DAY_MS = 86_400_000;
const MONTH = { month: 'short', year: '2-digit' } as const;

/** Points and band in a box of `width` by `height`, time by the calendar, values from their lowest. */
export function trendGeometry(trend: TrendSeries, width: number, height: number): TrendShape {
  const times = trend.points.map((p) => new Date(p.takenAt).getTime());
  const first = Math.min(...times);
  const last = Math.max(...times);
  const past = Math.max(DAY_MS, last - first);
  // The future takes no more room than half of the past, so that what was measured stays in sight.
  const ahead = trend.forecast.filter(
    (f) => f.daysAhead * DAY_MS <= Math.max(past / 2, 15 * DAY_MS),
  );
  const end = last + Math.max(0, ...ahead.map((f) => f.daysAhead * DAY_MS));
  const values = trend.points.map((p) => p.value);
  // A band from few readings may open without end: it then leaves the picture at its top.
  const most = 2.5 * Math.max(...values, ...ahead.map((f) => f.value));
  const tops = [
    ...values,
    ...ahead.map((f) => Math.min(most, f.high)),
    1.15 * (trend.limit ?? -Infinity),
  ];
  const bottoms = [...values, ...ahead.map((f) => f.low)];
  const high = Math.max(...tops, Math.min(...bottoms) + 1);
  const low = Math.max(
    0,
    Math.min(...bottoms) === high ? high - 1 : trend.limit !== null ? 0 : Math.min(...bottoms),
  );
  const x = (ms: number) =>
    LEFT + 4 + ((ms - first) / Math.max(1, end - first)) * (width - LEFT - 8);
  const y = (v: number) =>
    height - ((Math.min(high, Math.max(low, v)) - low) / (high - low)) * (height - 10);
  const points = trend.points.map((p, i) => ({ x: x(times[i] ?? first), y: y(p.value) }));
  const at = (days: number) => x(last + days * DAY_MS);
  return {
    left: LEFT,
    points,
    line: path(points),
    ahead: path(ahead.map((f) => ({ x: at(f.daysAhead), y: y(f.value) }))),
    band:
      ahead.length < 2
        ? ''
        : `${path(ahead.map((f) => ({ x: at(f.daysAhead), y: y(f.high) })))} ${[...ahead]
            .reverse()
            .map((f) => `L${at(f.daysAhead).toFixed(1)} ${y(f.low).toFixed(1)}`)
            .join(' ')} Z`,
    limitY: trend.limit === null ? null : y(trend.limit),
    top: short(high),
    bottom: short(low),
    dates: dates(first, last, x),
  };
}

function path(points: readonly Dot[]): string {
  return points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
    .join(' ');
}

/** The first reading and the last one, unless they are one. */
function dates(first: number, last: number, x: (ms: number) => number): TrendShape['dates'] {
  const end = { x: x(last), words: t('web.drive.trend-geometry.last'), anchor: 'middle' as const };
  return last - first < DAY_MS
    ? [end]
    : [{ x: x(first), words: dated(new Date(first), MONTH), anchor: 'start' }, end];
}

function short(value: number): string {
  if (value >= 10_000) return `${fixed(value / 1000, 0)}k`;
  return value >= 100 || Number.isInteger(value) ? fixed(value, 0) : fixed(value, 1);
}
