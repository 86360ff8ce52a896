import styled from 'styled-components';
import { useWidth } from './useWidth';
import { color, size } from '../theme/theme';

export interface Line {
  name: string;
  points: readonly (readonly [number, number])[];
  /** The one before, or of less weight: thin and broken. */
  faint?: boolean;
  dots?: boolean;
}

export interface LineChartProps {
  /** What it shows, with its numbers, for those who do not see it. */
  label: string;
  lines: readonly Line[];
  x: readonly [number, number];
  y: readonly [number, number];
  xTicks: readonly (readonly [number, string])[];
  yTicks: readonly (readonly [number, string])[];
  /** A limit, drawn across, with its words. */
  limits?: readonly (readonly [number, string])[];
  height?: number;
}

const LEFT = 56;
const RIGHT = 12;
const BELOW = 24;

/** Lines in a box with axes; text is drawn at its own size, never stretched. */
export function LineChart({
  label,
  lines,
  x,
  y,
  xTicks,
  yTicks,
  limits = [],
  height = 200,
}: LineChartProps) {
  const [box, width] = useWidth();
  const at = (value: number) =>
    LEFT + ((width - LEFT - RIGHT) * (value - x[0])) / Math.max(1e-9, x[1] - x[0]);
  const up = (value: number) =>
    height - ((height - 10) * (value - y[0])) / Math.max(1e-9, y[1] - y[0]);
  return (
    <Svg
      ref={box}
      viewBox={`0 0 ${width} ${height + BELOW}`}
      height={height + BELOW}
      role="img"
      aria-label={label}
    >
      {yTicks.map(([value, words]) => (
        <g key={words}>
          <line className="grid" x1={LEFT} x2={width - RIGHT} y1={up(value)} y2={up(value)} />
          <text x={LEFT - 6} y={up(value) + 5} textAnchor="end">
            {words}
          </text>
        </g>
      ))}
      {limits.map(([value, words]) => (
        <g key={words} className="limit">
          <line x1={LEFT} x2={width - RIGHT} y1={up(value)} y2={up(value)} />
          <text x={width - RIGHT} y={up(value) - 4} textAnchor="end">
            {words}
          </text>
        </g>
      ))}
      {lines.map((line) => (
        <g key={line.name}>
          <path
            data-faint={line.faint || undefined}
            d={line.points
              .map(
                ([px, py], i) => `${i === 0 ? 'M' : 'L'}${at(px).toFixed(1)} ${up(py).toFixed(1)}`,
              )
              .join('')}
          />
          {line.dots === true &&
            line.points.map(([px, py]) => (
              <circle key={`${px} ${py}`} cx={at(px)} cy={up(py)} r={3.5} />
            ))}
        </g>
      ))}
      {xTicks.map(([value, words], i) => (
        <text
          key={words}
          x={at(value)}
          y={height + 18}
          textAnchor={i === 0 ? 'start' : i === xTicks.length - 1 ? 'end' : 'middle'}
        >
          {words}
        </text>
      ))}
    </Svg>
  );
}

const Svg = styled.svg`
  display: block;
  inline-size: 100%;
  text {
    font-size: ${size.text};
    fill: ${color.ink2};
  }
  .grid {
    stroke: ${color.line};
  }
  path {
    fill: none;
    stroke: ${color.clear};
    stroke-width: 2;
  }
  path[data-faint] {
    stroke: ${color.ink3};
    stroke-width: 1.4;
    stroke-dasharray: 4 3;
  }
  circle {
    fill: ${color.sheet};
    stroke: ${color.clear};
    stroke-width: 2;
  }
  .limit line {
    stroke: ${color.implicated};
    stroke-dasharray: 2 4;
  }
  .limit text {
    fill: ${color.implicated};
  }
`;
