import { expect, it } from 'vitest';
import type { Surface } from '../../api/types';
import {
  columns,
  height,
  latency,
  profileTitle,
  shifted,
  ticks,
  troubles,
  WHOLE,
  zoomed,
} from './profileGeometry';

const zone = (index: number, p50Us: number, badSectors = 0) => ({
  index,
  p50Us,
  p99Us: 2 * p50Us,
  maxUs: 3 * p50Us,
  errors: 0,
  badSectors,
});

const surface = (more: Partial<Surface> = {}): Surface => ({
  kind: 'surface',
  sizeBytes: 1_000_000_000_000,
  sectorBytes: 512,
  zoneCount: 1000,
  shareRead: 1,
  bytesRead: 1_000_000_000_000,
  sampled: 1000,
  sampledBad: 0,
  badShareAtMost: 0.003,
  zones: [],
  slowZones: [],
  bad: [],
  ...more,
});

it('shows nothing where nothing was read', () => {
  const [first, second] = columns(surface({ zones: [zone(0, 6000)] }), { from: 0, to: 0.002 }, 2);

  expect(first?.typical).toBe(6000);
  expect(second?.typical).toBeNull();
});

it('shows of several zones the middle typical one and the worst others', () => {
  const zones = [zone(0, 5000), zone(1, 6000, 2), zone(2, 90_000)];

  expect(columns(surface({ zoneCount: 3, zones }), WHOLE, 1)).toEqual([
    { typical: 6000, high: 180_000, slowest: 270_000, bad: 2 },
  ]);
});

it('keeps the place under the cursor while it zooms, down to 64 sectors', () => {
  let view = WHOLE;
  for (let i = 0; i < 200; i++) view = zoomed(view, 0.3, 0.8, 1_000_000);

  expect(view.to - view.from).toBeCloseTo(64e-6, 12);
  expect(view.from).toBeLessThan(0.3);
  expect(view.to).toBeGreaterThan(0.3);
});

it('never leaves the drive', () => {
  expect(shifted({ from: 0.1, to: 0.3 }, -5)).toEqual({ from: 0, to: 0.19999999999999998 });
  expect(shifted({ from: 0.7, to: 0.9 }, 5).to).toBe(1);
  expect(zoomed({ from: 0.9, to: 1 }, 1, 4, 1000).to).toBe(1);
});

it.each([
  [80, '80 µs'],
  [1_200, '1.2 ms'],
  [2_400_000, '2.4 s'],
])('writes %i microseconds as %s', (us, words) => {
  expect(latency(us)).toBe(words);
});

it('marks round numbers of bytes', () => {
  expect(ticks(WHOLE, 1e12)).toEqual([0, 2e11, 4e11, 6e11, 8e11, 1e12]);
});

it('rises by equal steps for equal ratios', () => {
  const step = height(10_000) - height(1_000);

  expect(height(100_000) - height(10_000)).toBeCloseTo(step, 10);
});

it('gathers neighbouring damage into one place and keeps slow zones apart', () => {
  const found = troubles(
    surface({
      zones: [zone(265, 6000, 20), zone(268, 6000, 28), zone(490, 6000, 1)],
      slowZones: [700],
    }),
  );

  expect(found.map((t) => t.words)).toEqual(['48 sectors lost', '1 sector lost', 'slow, 1 GB']);
});

it('tells the finding as its title', () => {
  expect(profileTitle(surface())).toBe('Everything was read');
  expect(profileTitle(surface({ shareRead: 0.2 }))).toBe('Nothing lost so far');
  expect(profileTitle(surface({ sampled: 3000 }), true)).toBe(
    'Nothing lost at 3,000 random places',
  );
  expect(profileTitle(surface({ slowZones: [3] }))).toBe('One slow zone, nothing lost');
  expect(profileTitle(surface({ zones: [zone(265, 1, 1), zone(490, 1, 1)] }))).toBe(
    'Two damaged zones between 265 GB and 491 GB',
  );
});
