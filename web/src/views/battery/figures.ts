import { fixed } from '../../ui/format';
import { t } from '../../words/words';
import { resultOf } from '../../api/result';
import type { Battery } from '../../api/types';

export const percent = (share: number) => `${Math.round(100 * share)} %`;

/** What the newest discharge to the cut-off measured; null if there was none. */
export function measuredOf(battery: Battery) {
  const found =
    battery.runs
      .map((r) => resultOf(r, 'discharge'))
      .find((d) => d !== null && d.reachedCutOff && d.chargeAh !== null) ?? null;
  if (found === null || found.chargeAh === null) return null;
  return {
    ampereHours: found.chargeAh.value,
    health: found.designAh === null ? null : found.chargeAh.value / found.designAh,
  };
}

/** Measured if it was, else by its self-report. */
export const health = (battery: Battery): number | null =>
  measuredOf(battery)?.health ?? battery.report?.health ?? null;

/** The second pack, if there is one and it says that it is worse than the first; else null. */
export function worseSecond(battery: Battery): number | null {
  const second = battery.second?.health ?? null;
  return second !== null && second < (health(battery) ?? 1) ? second : null;
}

/** "1.55 Ah (1.50 to 1.60)". */
export function ranged(
  of: { value: number; low: number; high: number } | null,
  unit: string,
  digits = 2,
): string {
  return of === null
    ? t('web.battery.figures.not-measured')
    : t('web.battery.figures.to', {
        value: fixed(of.value, digits),
        unit,
        low: fixed(of.low, digits),
        high: fixed(of.high, digits),
      });
}

export function duration(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return minutes < 90 ? t('web.battery.figures.min', { minutes }) : `${fixed(minutes / 60, 1)} h`;
}
