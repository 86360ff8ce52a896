import { expect, it } from 'vitest';
import type { TrendSeries } from '../../api/types';
import { trendGeometry } from './trendGeometry';

const DAY = 86_400_000;
const START = Date.UTC(2026, 0, 1);

const trend = (more: Partial<TrendSeries> = {}): TrendSeries => ({
  key: '197',
  name: 'Pending sectors',
  unit: '',
  now: 40,
  words: 'growing',
  grave: true,
  points: [0, 20, 40].map((value, i) => ({
    takenAt: new Date(START + i * 50 * DAY).toISOString(),
    powerOnHours: null,
    value,
  })),
  forecast: [],
  slopePerThousandHours: null,
  slopeLow: null,
  slopeHigh: null,
  limit: null,
  splits: [],
  ...more,
});

it('places readings by the calendar and their values from the lowest up', () => {
  const g = trendGeometry(trend(), 320, 92);

  // 320 px less 44 for labels and 8 of margin: 268 px for 100 days.
  expect(g.points.map((p) => p.x)).toEqual([48, 48 + 134, 48 + 268]);
  // 92 px high, 10 px of room at the top: 0 at the bottom, 40 at 10, 20 half way.
  expect(g.points.map((p) => p.y)).toEqual([92, 51, 10]);
  expect([g.bottom, g.top]).toEqual(['0', '40']);
  expect(g.dates.map((d) => d.words)).toEqual(['Jan 26', 'last']);
});

it('gives the future at most half the room of the past', () => {
  const forecast = [0, 30, 60, 90].map((daysAhead) => ({
    daysAhead,
    value: 40 + daysAhead,
    low: 40,
    high: 40 + 2 * daysAhead,
  }));

  const g = trendGeometry(trend({ forecast }), 320, 92);

  // The past is 100 days: 30 days ahead are drawn, 60 and 90 are not.
  expect(g.ahead.split('L')).toHaveLength(2);
  expect(g.band.endsWith('Z')).toBe(true);
});

it('cuts a band that opens without end at two and a half times what is likely', () => {
  const forecast = [0, 30].map((daysAhead) => ({
    daysAhead,
    value: 40,
    low: 0,
    high: 40 + 1e6 * daysAhead,
  }));

  expect(trendGeometry(trend({ forecast }), 320, 92).top).toBe('100');
});

it('draws a limit with room above it', () => {
  const g = trendGeometry(trend({ limit: 60 }), 320, 92);

  expect(g.top).toBe('69'); // 1.15 × 60
  expect(g.limitY).toBeCloseTo(92 - (60 / 69) * 82);
});
