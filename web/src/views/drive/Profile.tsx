import { t } from '../../words/words';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { Surface } from '../../api/types';
import { color, size } from '../../theme/theme';
import { bytes, count } from '../../ui/format';
import { paintProfile } from './paintProfile';
import {
  columns,
  height,
  latency,
  shifted,
  ticks,
  troubles,
  WHOLE,
  zoomed,
  type View,
} from './profileGeometry';

export interface ProfileProps {
  surface: Surface;
  before: Surface | null;
  /** Where the pass reads, in bytes; null if it does not run. */
  atByte: number | null;
}

const PLOT = 220;
const LANE = 26;
const LEFT = 62;
const LATENCIES: [number, string][] = [
  [1_000_000, '1 s'],
  [100_000, t('web.drive.profile.100-ms')],
  [10_000, t('web.drive.profile.10-ms')],
  [1_000, t('web.drive.profile.1-ms')],
  [100, t('web.drive.profile.0-1-ms')],
];

/**
 * Latency against position. Wheel or + and − zoom to the sector, arrows move, 0 shows all again;
 * what is pointed at stands in words below the picture.
 */
export function Profile({ surface, before, atByte }: ProfileProps) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [width, setWidth] = useState(700);
  const [view, setView] = useState<View>(WHOLE);
  const [pointed, setPointed] = useState<number | null>(null);
  const sectors = surface.sizeBytes / surface.sectorBytes;

  useLayoutEffect(() => {
    const element = box.current;
    if (element === null) return undefined;
    const measure = () => setWidth(Math.max(200, Math.floor(element.clientWidth) - LEFT));
    measure();
    if (typeof ResizeObserver === 'undefined') return undefined;
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);

  // Colours are read when painting: paint anew when the scheme changes.
  const [scheme, setScheme] = useState(0);
  useEffect(() => {
    if (typeof window.matchMedia === 'undefined') return undefined;
    const dark = window.matchMedia('(prefers-color-scheme: dark)');
    const onChange = () => setScheme((n) => n + 1);
    dark.addEventListener('change', onChange);
    return () => dark.removeEventListener('change', onChange);
  }, []);

  useEffect(() => {
    const element = canvas.current;
    const g = element?.getContext('2d');
    if (element === null || g === null || g === undefined) return;
    const scale = window.devicePixelRatio;
    element.width = width * scale;
    element.height = (PLOT + LANE) * scale;
    g.setTransform(scale, 0, 0, scale, 0, 0);
    const style = getComputedStyle(element);
    const of = (name: string) => style.getPropertyValue(`--${name}`).trim();
    paintProfile(
      g,
      {
        surface,
        before,
        view,
        here: atByte === null ? null : atByte / surface.sizeBytes,
        width,
        plot: PLOT,
        lane: LANE,
      },
      {
        typical: of('clear'),
        high: withAlpha(of('clear'), 0.42),
        slowest: withAlpha(of('clear'), 0.17),
        bad: of('implicated'),
        line: of('line'),
        sunken: of('sunken'),
        ink: of('ink'),
        before: of('leanMark'),
      },
    );
  }, [surface, before, view, width, atByte, scheme]);

  // React listens to wheels passively; the page must not scroll while the picture zooms.
  useEffect(() => {
    const element = canvas.current;
    if (element === null) return undefined;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const x = event.offsetX / width;
      setView((v) =>
        zoomed(v, v.from + x * (v.to - v.from), event.deltaY < 0 ? 0.8 : 1.25, sectors),
      );
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [width, sectors]);

  const at = pointed ?? (view.from + view.to) / 2;
  const onKeyDown = (event: React.KeyboardEvent) => {
    const next: Record<string, () => View> = {
      '+': () => zoomed(view, at, 0.5, sectors),
      '=': () => zoomed(view, at, 0.5, sectors),
      '-': () => zoomed(view, at, 2, sectors),
      ArrowLeft: () => shifted(view, -0.2),
      ArrowRight: () => shifted(view, 0.2),
      '0': () => WHOLE,
    };
    const change = next[event.key];
    if (change === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    setPointed(null);
    setView(change());
  };
  const x = (share: number) => LEFT + ((share - view.from) / (view.to - view.from)) * width;

  return (
    <Box ref={box}>
      {LATENCIES.map(([us, words]) => (
        <YLabel key={us} style={{ top: PLOT * (1 - height(us)) - 9 }}>
          {words}
        </YLabel>
      ))}
      <YLabel style={{ top: PLOT + 8 }}>{t('web.drive.profile.lost')}</YLabel>
      {labels(surface, view, x, LEFT + width).map((label) => (
        <Trouble key={label.left} data-bad={label.bad || undefined} style={{ left: label.left }}>
          {label.words}
        </Trouble>
      ))}
      <canvas
        ref={canvas}
        role="img"
        tabIndex={0}
        aria-label={t('web.drive.profile.latency-by-position', {
          readout: readout(surface, view, at),
        })}
        aria-keyshortcuts="+ - ArrowLeft ArrowRight 0"
        style={{ width, height: PLOT + LANE, marginLeft: LEFT }}
        onKeyDown={onKeyDown}
        onPointerMove={(event) =>
          setPointed(view.from + (event.nativeEvent.offsetX / width) * (view.to - view.from))
        }
        onPointerLeave={() => setPointed(null)}
      />
      <Axis>
        {ticks(view, surface.sizeBytes).map((tick) => (
          <span
            key={tick}
            style={{ left: Math.min(LEFT + width - 28, x(tick / surface.sizeBytes)) }}
          >
            {bytes(tick)}
          </span>
        ))}
      </Axis>
      <Readout>
        <span aria-live="polite">{readout(surface, view, at)}</span>
        <small>{t('web.drive.profile.wheel-or-to-zoom-to-move')}</small>
      </Readout>
    </Box>
  );
}

const LABEL = 118;

/** Names of places of trouble where they have room; damage goes before slowness. */
function labels(surface: Surface, view: View, x: (share: number) => number, right: number) {
  const placed: { left: number; words: string; bad: boolean }[] = [];
  for (const t of [...troubles(surface)].sort((a, b) => Number(b.bad) - Number(a.bad))) {
    const share = t.from / surface.sizeBytes;
    const left = Math.min(right - LABEL, Math.max(LEFT, x(share) - LABEL / 2));
    if (visible(share, view) && placed.every((p) => Math.abs(p.left - left) >= LABEL)) {
      placed.push({ left, words: t.words, bad: t.bad });
    }
  }
  return placed;
}

function visible(share: number, view: View): boolean {
  return share >= view.from && share <= view.to;
}

/** What stands at a place, in words. */
function readout(surface: Surface, view: View, share: number): string {
  const sector = Math.floor((share * surface.sizeBytes) / surface.sectorBytes);
  const [here] = columns(surface, { from: share, to: share + 1e-12 }, 1);
  const bad = surface.bad.find(
    (b) => sector >= b.firstSector && sector < b.firstSector + b.sectors,
  );
  const place = t('web.drive.profile.sector', {
    bytes: bytes(share * surface.sizeBytes),
    count: count(sector),
  });
  const span =
    view.to - view.from < 1
      ? ` ${t('web.drive.profile.shown', { bytes: bytes((view.to - view.from) * surface.sizeBytes) })}`
      : '';
  if (bad !== undefined) return t('web.drive.profile.cannot-be-read', { place, span });
  if (here === undefined || here.typical === null)
    return t('web.drive.profile.not-read-yet', { place, span });
  const zone = here.bad > 0 ? t('web.drive.profile.lost-in-this-zone', { bad: here.bad }) : '';
  return t('web.drive.profile.typically-slowest', {
    place,
    span,
    latency: latency(here.typical),
    latency2: latency(here.slowest ?? 0),
    zone,
  });
}

function withAlpha(hex: string, alpha: number): string {
  const n = Number.parseInt(hex.slice(1), 16);
  return `rgba(${n >> 16}, ${(n >> 8) & 255}, ${n & 255}, ${alpha})`;
}

const Box = styled.div`
  position: relative;
  padding: 0;
  canvas {
    display: block;
    touch-action: none;
    cursor: crosshair;
  }
  canvas:focus-visible {
    outline: 3px solid ${color.leanMark};
  }
`;

const YLabel = styled.span`
  position: absolute;
  left: 0;
  width: ${LEFT - 8}px;
  text-align: right;
  font-size: ${size.small};
  color: ${color.ink2};
`;

const Trouble = styled.b`
  position: absolute;
  top: 0;
  font-size: ${size.small};
  padding: 0 4px;
  background: ${color.sheet};
  color: ${color.lean};
  white-space: nowrap;
  pointer-events: none;
  width: 118px;
  text-align: center;
  &[data-bad] {
    color: ${color.implicated};
  }
`;

const Axis = styled.div`
  position: relative;
  height: 20px;
  overflow: hidden;
  span {
    position: absolute;
    transform: translateX(-50%);
    font-size: ${size.small};
    color: ${color.ink2};
    white-space: nowrap;
  }
`;

const Readout = styled.p`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 16px;
  padding: 4px 0 0 ${LEFT}px;
  font-size: ${size.text};
  min-height: 24px;
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
`;
