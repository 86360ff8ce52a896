import { useState, type PointerEvent } from 'react';
import type { Axes } from './axes';
import type { PlotData } from './plotData';

/** From, to: on the x axis. */
export type Range = readonly [number, number];

/** So many points want a closer look. */
const MANY = 30;

/** A shorter drag is a press [px]. */
const MIN_DRAG_PX = 8;

export interface Zoom {
  /** Whether there are points enough to look closer. */
  isOffered: boolean;
  /** What is shown; null for all of it. */
  shown: Range | null;
  /** What is being marked [px from the left of the picture]. */
  marked: Range | null;
  onDown: (event: PointerEvent<SVGSVGElement>) => void;
  onMove: (event: PointerEvent<SVGSVGElement>) => void;
  onUp: (event: PointerEvent<SVGSVGElement>, axes: Axes) => void;
  /** Closer by half, around a place; further by the double; all of it. */
  closer: (around: number) => void;
  further: (around: number) => void;
  whole: () => void;
}

const leftOf = (event: PointerEvent<SVGSVGElement>) =>
  event.clientX - event.currentTarget.getBoundingClientRect().left;

const ordered = (a: number, b: number): Range => (a < b ? [a, b] : [b, a]);

/** A part of the x axis looked at closer: marked by dragging, or by keys around the cross. */
export function useZoom(data: PlotData, [from, to]: Range): Zoom {
  const [shown, setShown] = useState<Range | null>(null);
  const [drag, setDrag] = useState<Range | null>(null);
  const isOffered = Math.max(0, ...data.series.map((s) => s.points.length)) >= MANY;
  const scaled = (around: number, by: number) => {
    if (!isOffered) return;
    const [low, high] = shown ?? [from, to];
    const half = ((high - low) * by) / 2;
    const middle = Math.min(Math.max(around, from + half), to - half);
    setShown(2 * half >= to - from ? null : [middle - half, middle + half]);
  };
  return {
    isOffered,
    shown,
    marked: drag === null || drag[0] === drag[1] ? null : ordered(...drag),
    onDown: (event) => {
      if (!isOffered || event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      setDrag([leftOf(event), leftOf(event)]);
    },
    onMove: (event) => {
      if (drag !== null) setDrag([drag[0], leftOf(event)]);
    },
    onUp: (event, axes) => {
      if (drag === null) return;
      setDrag(null);
      const [left, right] = ordered(drag[0], leftOf(event));
      if (right - left < MIN_DRAG_PX) return;
      const [low, high] = shown ?? [from, to];
      setShown([Math.max(low, axes.xAt(left)), Math.min(high, axes.xAt(right))]);
    },
    closer: (around) => scaled(around, 0.5),
    further: (around) => scaled(around, 2),
    whole: () => setShown(null),
  };
}
