import { bisectCenter, extent } from 'd3-array';
import { scaleLinear, scaleTime } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import { count, fixed } from '../format';
import type { PlotData, Point } from './plotData';
import { dateWords } from './plotWords';

export interface Margins {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export interface Axes {
  width: number;
  height: number;
  x: (value: number) => number;
  y: (value: number) => number;
  /** The value on the x axis at a place from the left [px]. */
  xAt: (px: number) => number;
  xTicks: readonly (readonly [number, string])[];
  yTicks: readonly (readonly [number, string])[];
}

/** A tick for about so many pixels. */
const X_TICK_PX = 95;
const Y_TICK_PX = 38;

/** A band may open without end: this many times the highest value is as far as it is drawn. */
const MAX_BAND = 1.6;

/** From, to: all that there is on the x axis. */
export function wholeOf(data: PlotData): readonly [number, number] {
  const xs = [
    ...data.series.flatMap((s) => s.points.map((p) => p[0])),
    ...(data.band ?? []).map((b) => b[0]),
  ];
  const [least = 0, most = 1] = extent(xs) as [number | undefined, number | undefined];
  const from = data.x.from ?? least;
  return [from, Math.max(data.x.to ?? most, from + 1e-9)];
}

/**
 * Places of values in a drawing of this size.
 *
 * @param shown the part of the x axis that is looked at, whose values then fill the height; all of
 *   it if not said
 */
export function axesOf(
  data: PlotData,
  width: number,
  height: number,
  m: Margins,
  shown?: readonly [number, number],
): Axes {
  const [from, to] = shown ?? wholeOf(data);
  const range = [m.left + 4, width - m.right];
  const ticks = Math.max(2, Math.floor((width - m.left - m.right) / X_TICK_PX));
  const y = valueScale(shown === undefined ? data : partOf(data, from, to)).range([
    height - m.bottom,
    m.top,
  ]);
  const yTicks = y.ticks(Math.max(2, Math.floor((height - m.top - m.bottom) / Y_TICK_PX)));
  const digits = Math.max(0, ...yTicks.map(decimals));
  const common = {
    width,
    height,
    y: (value: number) => y(value),
    yTicks: yTicks.map((value) => [value, fixed(value, digits)] as const),
  };
  if (data.x.kind === 'time') {
    const x = scaleTime().domain([from, to]).range(range);
    return {
      ...common,
      x: (value) => x(value),
      xAt: (px) => x.invert(px).getTime(),
      xTicks: x.ticks(ticks).map((at) => [at.getTime(), dateWords(at, to - from)] as const),
    };
  }
  const x = scaleLinear().domain([from, to]).range(range);
  const unit = data.x.unit === undefined ? '' : ` ${data.x.unit}`;
  return {
    ...common,
    x: (value) => x(value),
    xAt: (px) => x.invert(px),
    xTicks:
      data.x.ends === undefined
        ? x.ticks(ticks).map((value) => [value, `${count(value)}${unit}`] as const)
        : [
            [from, data.x.ends[0]],
            [to, data.x.ends[1]],
          ],
  };
}

/** What is to be seen between two places, with the next points outside, to which lines lead. */
function partOf(data: PlotData, from: number, to: number): PlotData {
  const near = <P extends readonly [number, ...number[]]>(points: readonly P[]) => {
    const first = points.findIndex((p) => p[0] >= from);
    const last = points.findLastIndex((p) => p[0] <= to);
    return points.slice(
      Math.max(0, (first < 0 ? points.length : first) - 1),
      Math.min(points.length, last + 2),
    );
  };
  return {
    ...data,
    y: { unit: data.y.unit },
    series: data.series.map((s) => ({ ...s, points: near(s.points) })),
    limits: [],
    ahead: near(data.ahead ?? []),
    band: near(data.band ?? []),
  };
}

function valueScale(data: PlotData) {
  const measured = [
    ...data.series.flatMap((s) => s.points.map((p) => p[1])),
    ...(data.ahead ?? []).map((p) => p[1]),
    ...(data.limits ?? []).map((limit) => limit.value),
  ];
  const [least = 0, most = 1] = extent(measured) as [number | undefined, number | undefined];
  const highest = Math.max(most, ...(data.band ?? []).map((b) => Math.min(b[2], MAX_BAND * most)));
  const lowest = Math.min(least, ...(data.band ?? []).map((b) => b[1]));
  const from = data.y.from ?? lowest;
  const to = data.y.to ?? highest;
  return scaleLinear()
    .domain(from === to ? [from - 1, to + 1] : [from, to])
    .nice(4)
    .clamp(false);
}

const decimals = (n: number) => (Number(n.toPrecision(10)).toString().split('.')[1] ?? '').length;

export const lineOf = (axes: Axes, points: readonly Point[], isStep: boolean): string => {
  const drawn = line<Point>(
    (p) => axes.x(p[0]),
    (p) => axes.y(p[1]),
  );
  return (isStep ? drawn.curve(curveStepAfter) : drawn)(points) ?? '';
};

export const areaOf = (axes: Axes, band: NonNullable<PlotData['band']>): string =>
  area<readonly [number, number, number]>()
    .x((b) => axes.x(b[0]))
    .y0((b) => axes.y(b[1]))
    .y1((b) => axes.y(b[2]))(band) ?? '';

/** Number of the point whose place is nearest; null if there are none. */
export const nearest = (points: readonly Point[], x: number): number | null =>
  points.length === 0
    ? null
    : bisectCenter(
        points.map((p) => p[0]),
        x,
      );
