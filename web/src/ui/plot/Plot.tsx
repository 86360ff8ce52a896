import { useId, useState, type KeyboardEvent, type PointerEvent, type SVGProps } from 'react';
import styled from 'styled-components';
import { t } from '../../words/words';
import { color, size } from '../../theme/theme';
import { useWidth } from '../useWidth';
import { areaOf, axesOf, lineOf, nearest, wholeOf, type Margins } from './axes';
import { PlotTools } from './PlotTools';
import type { Limit, PlotData, Point } from './plotData';
import { valueWords, xWords } from './plotWords';
import { useZoom, type Range, type Zoom } from './useZoom';

export interface PlotProps {
  data: PlotData;
  /** What it shows, with its numbers, for those who do not see it. */
  label: string;
  height?: number;
  /** On paper: nothing to press. */
  still?: boolean;
}

const MARGINS: Margins = { left: 52, right: 14, top: 20, bottom: 22 };

/** Lines over time or over a number, with axes, limits, a forecast, and what each point says. */
export function Plot({ data, label, height = 190, still = false }: PlotProps) {
  const [box, width] = useWidth();
  const [at, setAt] = useState<number | null>(null);
  const whole = wholeOf(data);
  const zoom = useZoom(data, whole);
  const axes = axesOf(data, width, height, MARGINS, zoom.shown ?? undefined);
  const main = data.series.find((s) => s.faint !== true) ?? data.series[0];
  const points = within(main?.points ?? [], zoom.shown);
  const here = at === null ? undefined : points[at];
  const readout =
    here === undefined ? '' : `${xWords(data, here[0])}: ${valueWords(data, here[1])}`;
  const onPointer = (event: PointerEvent<SVGSVGElement>) => {
    const left = event.currentTarget.getBoundingClientRect().left;
    setAt(nearest(points, axes.xAt(event.clientX - left)));
    zoom.onMove(event);
  };
  const onKey = (event: KeyboardEvent) => {
    const last = points.length - 1;
    const zoomed = zoomBy(event.key, zoom);
    if (zoomed !== undefined) {
      event.preventDefault();
      zoomed(here?.[0] ?? middleOf(zoom.shown ?? whole));
      setAt(null);
      return;
    }
    const to = { ArrowLeft: -1, ArrowRight: 1, Home: -Infinity, End: Infinity }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    setAt(Math.min(last, Math.max(0, (at ?? (to > 0 ? -1 : last + 1)) + to)));
  };
  const drawing = (
    <Drawing
      axes={axes}
      data={data}
      box={box}
      here={here}
      marked={zoom.marked}
      {...(still
        ? {}
        : {
            onPointerMove: onPointer,
            onPointerDown: zoom.onDown,
            onPointerUp: (event) => {
              zoom.onUp(event, axes);
              setAt(null);
            },
          })}
    />
  );
  if (still) {
    return (
      <Frame role="img" aria-label={label}>
        {drawing}
      </Frame>
    );
  }
  return (
    <Frame onPointerLeave={() => setAt(null)}>
      <Focus
        tabIndex={0}
        role="slider"
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={Math.max(0, points.length - 1)}
        aria-valuenow={at ?? 0}
        aria-valuetext={
          readout === '' ? t('web.ui.plot.plot.arrows-move', { isMany: zoom.isOffered }) : readout
        }
        onKeyDown={onKey}
        onBlur={() => setAt(null)}
      >
        {drawing}
        {readout !== '' && <Readout>{readout}</Readout>}
      </Focus>
      <PlotTools
        data={data}
        svg={box}
        {...(zoom.isOffered ? { zoom, middle: here?.[0] ?? middleOf(zoom.shown ?? whole) } : {})}
      />
    </Frame>
  );
}

const middleOf = ([from, to]: Range) => (from + to) / 2;

const within = (points: readonly Point[], shown: Range | null) =>
  shown === null ? points : points.filter(([x]) => x >= shown[0] && x <= shown[1]);

/** What a key does to what is shown: plus and minus, and Escape for all of it. */
function zoomBy(key: string, zoom: Zoom): ((around: number) => void) | undefined {
  if (!zoom.isOffered) return undefined;
  if (key === '+' || key === '=') return zoom.closer;
  if (key === '-') return zoom.further;
  return key === 'Escape' && zoom.shown !== null ? zoom.whole : undefined;
}

interface DrawingProps extends Pick<
  SVGProps<SVGSVGElement>,
  'onPointerMove' | 'onPointerDown' | 'onPointerUp'
> {
  axes: ReturnType<typeof axesOf>;
  data: PlotData;
  box: ReturnType<typeof useWidth>[0];
  here: readonly [number, number] | undefined;
  /** What is being marked for a closer look [px]. */
  marked: Range | null;
}

function Drawing({ axes, data, box, here, marked, ...pointer }: DrawingProps) {
  const { x, y, width, height } = axes;
  const fade = useId();
  const clip = useId();
  const open = useId();
  const right = width - MARGINS.right;
  const bottom = height - MARGINS.bottom;
  // A limit may lie beyond what is looked at closely.
  const isInside = (limit: Limit) => y(limit.value) >= MARGINS.top - 4 && y(limit.value) <= bottom;
  return (
    <Svg ref={box} viewBox={`0 0 ${width} ${height}`} height={height} aria-hidden {...pointer}>
      <defs>
        <linearGradient id={fade}>
          <stop offset="0" stopColor={color.leanMark} stopOpacity="0.04" />
          <stop offset="0.4" stopColor={color.leanMark} stopOpacity="0.28" />
          <stop offset="1" stopColor={color.leanMark} stopOpacity="0.04" />
        </linearGradient>
        <linearGradient
          id={open}
          gradientUnits="userSpaceOnUse"
          x1="0"
          x2="0"
          y1={MARGINS.top - 4}
          y2={bottom}
        >
          <stop offset="0" stopColor="#fff" stopOpacity="0" />
          <stop offset="0.6" stopColor="#fff" stopOpacity="1" />
        </linearGradient>
        <mask id={`${open}m`} maskUnits="userSpaceOnUse" x="0" y="0" width={width} height={height}>
          <rect width={width} height={height} fill={`url(#${open})`} />
        </mask>
        <clipPath id={clip}>
          <rect
            x={MARGINS.left}
            y={MARGINS.top - 4}
            width={Math.max(0, right - MARGINS.left)}
            height={Math.max(0, bottom - MARGINS.top + 5)}
          />
        </clipPath>
      </defs>
      <text className="unit" x={MARGINS.left} y={11}>
        {data.y.unit}
      </text>
      {axes.yTicks.map(([value, words]) => (
        <g key={value}>
          <line className="grid" x1={MARGINS.left} x2={right} y1={y(value)} y2={y(value)} />
          <text x={MARGINS.left - 6} y={y(value) + 5} textAnchor="end">
            {words}
          </text>
        </g>
      ))}
      {axes.xTicks.map(([value, words]) => (
        <g key={value}>
          <line className="tick" x1={x(value)} x2={x(value)} y1={bottom} y2={bottom + 4} />
          <text x={Math.min(x(value), right)} y={height - 5} textAnchor={anchorAt(x(value), right)}>
            {words}
          </text>
        </g>
      ))}
      <g clipPath={`url(#${clip})`}>
        {data.band !== undefined && (
          // A forecast fades out where it has no end: it knows no wall.
          <g {...(data.ahead === undefined ? {} : { mask: `url(#${open}m)` })}>
            <path
              fill={data.ahead === undefined ? color.leanSoft : `url(#${fade})`}
              d={areaOf(axes, data.band)}
            />
          </g>
        )}
        {data.ahead !== undefined && <path className="ahead" d={lineOf(axes, data.ahead, false)} />}
        {data.limits?.filter(isInside).map((limit) => (
          <line
            key={limit.words}
            className="limit"
            x1={MARGINS.left}
            x2={right}
            y1={y(limit.value)}
            y2={y(limit.value)}
          />
        ))}
        {data.series.map((s) => (
          <path
            key={s.name}
            className="line"
            data-faint={s.faint || undefined}
            data-grave={s.grave || undefined}
            d={lineOf(axes, s.points, s.step === true)}
          />
        ))}
      </g>
      {data.limits?.filter(isInside).map((limit) => (
        <text key={limit.words} className="limit" x={right} y={y(limit.value) - 4} textAnchor="end">
          {limit.words}
        </text>
      ))}
      {marked !== null && (
        <rect
          className="marked"
          x={marked[0]}
          width={marked[1] - marked[0]}
          y={MARGINS.top - 4}
          height={Math.max(0, bottom - MARGINS.top + 4)}
        />
      )}
      {data.series.map(
        (s) =>
          s.dots === true &&
          s.points.map(([px, py]) => (
            <circle
              key={`${s.name} ${px} ${py}`}
              data-grave={s.grave || undefined}
              cx={x(px)}
              cy={y(py)}
              r={3.5}
            />
          )),
      )}
      {here !== undefined && (
        <g className="cross">
          <line x1={x(here[0])} x2={x(here[0])} y1={MARGINS.top - 4} y2={bottom} />
          <circle cx={x(here[0])} cy={y(here[1])} r={5} />
        </g>
      )}
    </Svg>
  );
}

/** Words stay within the picture. */
function anchorAt(px: number, right: number): 'start' | 'middle' | 'end' {
  if (px > right - 24) return 'end';
  return px < MARGINS.left + 24 ? 'start' : 'middle';
}

const Frame = styled.figure`
  position: relative;
  margin: 0;
`;

const Focus = styled.div`
  position: relative;
`;

/** Over the top right corner, where nothing of the picture stands. */
const Readout = styled.p`
  position: absolute;
  top: 0;
  right: 14px;
  margin: 0;
  padding: 0 4px;
  background: ${color.sheet};
  font-size: ${size.small};
  color: ${color.ink};
`;

const Svg = styled.svg`
  display: block;
  inline-size: 100%;
  touch-action: pan-y;
  text {
    font-size: ${size.small};
    fill: ${color.ink2};
  }
  .grid,
  .tick {
    stroke: ${color.line};
  }
  .line {
    fill: none;
    stroke: ${color.clear};
    stroke-width: 2;
  }
  .line[data-faint] {
    stroke: ${color.ink3};
    stroke-width: 1.4;
    stroke-dasharray: 4 3;
  }
  .line[data-grave],
  circle[data-grave] {
    stroke: ${color.implicated};
  }
  .ahead {
    fill: none;
    stroke: ${color.leanMark};
    stroke-width: 1.6;
    stroke-dasharray: 5 4;
  }
  circle {
    fill: ${color.sheet};
    stroke: ${color.clear};
    stroke-width: 2;
  }
  line.limit {
    stroke: ${color.implicated};
    stroke-dasharray: 2 4;
  }
  text.limit {
    fill: ${color.implicated};
  }
  .marked {
    fill: ${color.clear};
    opacity: 0.18;
  }
  .cross line {
    stroke: ${color.ink2};
  }
  .cross circle {
    fill: ${color.ink};
    stroke: ${color.sheet};
  }
`;
