import { clock, count, dated, fixed } from '../format';
import type { PlotData } from './plotData';

const HOUR_MS = 3600 * 1000;
const DAY_MS = 24 * HOUR_MS;
const DAY = { day: 'numeric', month: 'short' } as const;
const MONTH = { month: 'short', year: '2-digit' } as const;
const FULL = { day: 'numeric', month: 'short', year: 'numeric' } as const;

/** A moment on an axis that is so long. */
export function dateWords(at: Date, spanMs: number): string {
  if (spanMs < 2 * DAY_MS) return clock(at);
  return dated(at, spanMs < 200 * DAY_MS ? DAY : MONTH);
}

/** A place on the x axis, in full. */
export function xWords(data: PlotData, x: number): string {
  if (data.x.kind === 'time') {
    const at = new Date(x);
    return `${dated(at, FULL)}, ${clock(at)}`;
  }
  return `${count(Number(x.toPrecision(6)))} ${data.x.unit ?? ''}`.trim();
}

/** A value with its unit. */
export function valueWords(data: PlotData, value: number): string {
  const digits = data.y.digits ?? (Number.isInteger(value) ? 0 : 1);
  return `${fixed(value, digits)} ${data.y.unit}`.trim();
}
