import { t } from '../../words/words';
import type { Surface } from '../../api/types';
import { bytes, count, inWords, fixed } from '../../ui/format';

/** Part of a drive that is looked at, as shares of it, 0 to 1. */
export interface View {
  from: number;
  to: number;
}

/** One column of the picture; latencies in microseconds, null where nothing was read. */
export interface Column {
  typical: number | null;
  high: number | null;
  slowest: number | null;
  bad: number;
}

export const WHOLE: View = { from: 0, to: 1 };
export const MIN_US = 50;
export const MAX_US = 20_000_000;

/** Logarithmic: 0 at the bottom, 1 at the top; held inside. */
export function height(us: number): number {
  const share = Math.log(us / MIN_US) / Math.log(MAX_US / MIN_US);
  return Math.min(1, Math.max(0, share));
}

/** What each of `width` columns shows: of several zones the middle typical one and the worst others. */
export function columns(surface: Surface, view: View, width: number): Column[] {
  const zones = new Array<Surface['zones'][number] | undefined>(surface.zoneCount);
  for (const zone of surface.zones) zones[zone.index] = zone;
  return Array.from({ length: width }, (_, x) => {
    const at = (share: number) => view.from + (view.to - view.from) * share;
    const first = Math.min(surface.zoneCount - 1, Math.floor(at(x / width) * surface.zoneCount));
    const last = Math.max(first, Math.ceil(at((x + 1) / width) * surface.zoneCount) - 1);
    const here = zones.slice(first, last + 1).filter((z) => z !== undefined);
    const read = here.filter((z) => z.p50Us >= 0);
    const typical = read.map((z) => z.p50Us).sort((a, b) => a - b);
    return {
      typical: typical[Math.floor(typical.length / 2)] ?? null,
      high: read.length === 0 ? null : Math.max(...read.map((z) => z.p99Us)),
      slowest: read.length === 0 ? null : Math.max(...read.map((z) => z.maxUs)),
      bad: here.reduce((sum, z) => sum + z.badSectors, 0),
    };
  });
}

/** Closer to `around` (a share of the drive) by `factor`; never closer than some 64 sectors. */
export function zoomed(view: View, around: number, factor: number, sectors: number): View {
  const least = Math.min(1, 64 / sectors);
  const span = Math.min(1, Math.max(least, (view.to - view.from) * factor));
  const place = (around - view.from) / (view.to - view.from);
  return shifted({ from: around - place * span, to: around + (1 - place) * span }, 0);
}

/** Moved along by a share of itself, and held on the drive. */
export function shifted(view: View, by: number): View {
  const span = view.to - view.from;
  const from = Math.min(1 - span, Math.max(0, view.from + by * span));
  return { from, to: from + span };
}

/** Places along the axis at round numbers of bytes, four to eight of them. */
export function ticks(view: View, sizeBytes: number): number[] {
  const span = (view.to - view.from) * sizeBytes;
  const rough = span / 5;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? rough;
  const first = Math.ceil((view.from * sizeBytes) / step);
  const all = [];
  for (let i = first; i * step <= view.to * sizeBytes; i++) all.push(i * step);
  return all;
}

/** "1.2 ms", "0.8 ms", "2.4 s". */
export function latency(us: number): string {
  if (us < 1000) return t('web.drive.profile-geometry.s', { us: fixed(us, 0) });
  return us < 1e6
    ? t('web.drive.profile-geometry.ms', { toPrecision: (us / 1000).toPrecision(2) })
    : `${(us / 1e6).toPrecision(2)} s`;
}

/** Runs of neighbouring zones with damage, or slow ones, as one place each. */
export interface PlaceOfTrouble {
  from: number;
  to: number;
  words: string;
  bad: boolean;
}

export function troubles(surface: Surface): PlaceOfTrouble[] {
  const zoneBytes = surface.sizeBytes / surface.zoneCount;
  const found: PlaceOfTrouble[] = [];
  const damaged = surface.zones.filter((z) => z.badSectors > 0);
  for (const group of grouped(
    damaged.map((z) => z.index),
    surface.zoneCount / 60,
  )) {
    const sectors = damaged
      .filter((z) => z.index >= group.first && z.index <= group.last)
      .reduce((sum, z) => sum + z.badSectors, 0);
    found.push({
      from: group.first * zoneBytes,
      to: (group.last + 1) * zoneBytes,
      words: t('web.drive.profile-geometry.lost', { sectors }),
      bad: true,
    });
  }
  const onlySlow = surface.slowZones.filter(
    (i) => !found.some((f) => i * zoneBytes >= f.from && i * zoneBytes < f.to),
  );
  for (const group of grouped(onlySlow, surface.zoneCount / 60)) {
    found.push({
      from: group.first * zoneBytes,
      to: (group.last + 1) * zoneBytes,
      words: t('web.drive.profile-geometry.slow', {
        bytes: bytes((group.last - group.first + 1) * zoneBytes),
      }),
      bad: false,
    });
  }
  return found.sort((a, b) => a.from - b.from);
}

function grouped(indices: number[], gap: number): { first: number; last: number }[] {
  const groups: { first: number; last: number }[] = [];
  for (const i of [...indices].sort((a, b) => a - b)) {
    const before = groups.at(-1);
    if (before !== undefined && i - before.last <= Math.max(1, gap)) before.last = i;
    else groups.push({ first: i, last: i });
  }
  return groups;
}

/** The finding, as the title of the picture. */
export function profileTitle(surface: Surface, sampleOnly = false): string {
  const bad = troubles(surface).filter((t) => t.bad);
  const [first] = bad;
  const last = bad.at(-1);
  if (first !== undefined && last !== undefined) {
    return bad.length === 1
      ? t('web.drive.profile-geometry.one-damaged-zone-at', { bytes: bytes(first.from) })
      : t('web.drive.profile-geometry.damaged-zones-between-and', {
          inWords: inWords(bad.length),
          bytes: bytes(first.from),
          bytes2: bytes(last.to),
        });
  }
  const slow = troubles(surface).length;
  if (slow > 0)
    return slow === 1
      ? t('web.drive.profile-geometry.one-slow-zone-nothing-lost')
      : t('web.drive.profile-geometry.slow-zones-nothing-lost', { inWords: inWords(slow) });
  if (sampleOnly)
    return t('web.drive.profile-geometry.nothing-lost-at-random-places', {
      count: count(surface.sampled),
    });
  return surface.shareRead >= 0.99
    ? t('web.drive.profile-geometry.everything-was-read')
    : t('web.drive.profile-geometry.nothing-lost-so-far');
}
