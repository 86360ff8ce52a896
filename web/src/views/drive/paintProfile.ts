import type { Surface } from '../../api/types';
import { columns, height, type Column, type View } from './profileGeometry';

export interface Colors {
  typical: string;
  high: string;
  slowest: string;
  bad: string;
  line: string;
  sunken: string;
  ink: string;
  before: string;
}

export interface Drawing {
  surface: Surface;
  /** An earlier pass, drawn as a line over the new one; null if there is none. */
  before: Surface | null;
  view: View;
  /** Share of the drive where the pass reads; null if it is not running. */
  here: number | null;
  width: number;
  /** Of the profile, without the lane of damage below. */
  plot: number;
  lane: number;
}

/** Draws the profile and the lane of damage below it. */
export function paintProfile(g: CanvasRenderingContext2D, d: Drawing, c: Colors) {
  g.clearRect(0, 0, d.width, d.plot + d.lane);
  const cols = columns(d.surface, d.view, d.width);
  g.strokeStyle = c.line;
  g.lineWidth = 1;
  for (const us of [100, 1_000, 10_000, 100_000, 1_000_000, 10_000_000]) {
    const y = Math.round(d.plot * (1 - height(us))) + 0.5;
    g.beginPath();
    g.moveTo(0, y);
    g.lineTo(d.width, y);
    g.stroke();
  }
  if (d.here !== null) shadeUnread(g, d, c);
  area(g, cols, d.plot, (col) => col.slowest, c.slowest);
  area(g, cols, d.plot, (col) => col.high, c.high);
  line(g, cols, d.plot, c.typical, 2);
  if (d.before !== null) {
    g.setLineDash([5, 4]);
    line(g, columns(d.before, d.view, d.width), d.plot, c.before, 1.5);
    g.setLineDash([]);
  }
  lane(g, d, c);
}

function shadeUnread(g: CanvasRenderingContext2D, d: Drawing, c: Colors) {
  const x = xOf(d.here ?? 0, d);
  g.fillStyle = c.sunken;
  g.fillRect(Math.max(0, x), 0, d.width - Math.max(0, x), d.plot);
  if (x >= 0 && x <= d.width) {
    g.fillStyle = c.ink;
    g.fillRect(x - 1, 0, 2, d.plot + d.lane);
  }
}

/** From the typical latency up to `value`. */
function area(
  g: CanvasRenderingContext2D,
  cols: readonly Column[],
  plot: number,
  value: (col: Column) => number | null,
  fill: string,
) {
  g.fillStyle = fill;
  cols.forEach((col, x) => {
    const us = value(col);
    if (us !== null && col.typical !== null) {
      const top = plot * (1 - height(us));
      g.fillRect(x, top, 1, Math.max(1, plot * (1 - height(col.typical)) - top));
    }
  });
}

/** Where nothing was read nothing is drawn. */
function line(
  g: CanvasRenderingContext2D,
  cols: readonly Column[],
  plot: number,
  stroke: string,
  width: number,
) {
  g.strokeStyle = stroke;
  g.lineWidth = width;
  g.beginPath();
  let drawing = false;
  cols.forEach((col, x) => {
    if (col.typical === null) {
      drawing = false;
      return;
    }
    const y = plot * (1 - height(col.typical));
    if (drawing) g.lineTo(x, y);
    else g.moveTo(x, y);
    drawing = true;
  });
  g.stroke();
}

/** Sectors that cannot be read, each at least two pixels wide so that none is overlooked. */
function lane(g: CanvasRenderingContext2D, d: Drawing, c: Colors) {
  const top = d.plot + 8;
  g.fillStyle = c.sunken;
  g.fillRect(0, top, d.width, d.lane - 8);
  g.fillStyle = c.bad;
  const sectors = d.surface.sizeBytes / d.surface.sectorBytes;
  for (const range of d.surface.bad) {
    const from = xOf(range.firstSector / sectors, d);
    const to = xOf((range.firstSector + range.sectors) / sectors, d);
    if (to >= 0 && from <= d.width) g.fillRect(from, top, Math.max(2, to - from), d.lane - 8);
  }
}

function xOf(share: number, d: Drawing): number {
  return ((share - d.view.from) / (d.view.to - d.view.from)) * d.width;
}
