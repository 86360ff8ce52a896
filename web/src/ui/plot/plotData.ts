/** A point: a moment [ms since 1970] or a number, and what was measured there. */
export type Point = readonly [number, number];

export interface Series {
  name: string;
  points: readonly Point[];
  /** The one before, or of less weight: thin and broken. */
  faint?: boolean;
  /** A mark at each point, where there are few. */
  dots?: boolean;
  /** What it says is grave. */
  grave?: boolean;
  /** Holds until the next point. */
  step?: boolean;
}

export interface Limit {
  value: number;
  words: string;
}

export interface PlotData {
  /** What it shows: the head of its table and the name of its files. */
  title: string;
  x: {
    /** A moment on the calendar, or a number with its unit. */
    kind: 'time' | 'number';
    name: string;
    unit?: string;
    from?: number;
    to?: number;
    /** Words at the two ends, where the places between have none. */
    ends?: readonly [string, string];
  };
  y: { unit: string; from?: number; to?: number; digits?: number };
  series: readonly Series[];
  limits?: readonly Limit[];
  /** What is expected to come: place, low, high. */
  band?: readonly (readonly [number, number, number])[];
  /** The middle of that. */
  ahead?: readonly Point[];
}
