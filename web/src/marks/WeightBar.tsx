import styled from 'styled-components';
import { color } from '../theme/theme';

export interface WeightBarProps {
  /** Decibans that speak against, at most 0. */
  against: number;
  /** Decibans that speak for, at least 0. */
  inFavour: number;
  /** Decibans at the ends of the scale, above 0; what exceeds it is cut at the end. */
  scale: number;
  /** Colour of the side that speaks for. */
  tone: 'implicated' | 'leanMark' | 'bar';
}

const WIDTH = 100;

/** Hollow to the left speaks against, filled to the right speaks for; both from one middle line. */
export function WeightBar({ against, inFavour, scale, tone }: WeightBarProps) {
  const half = WIDTH / 2;
  const length = (decibans: number) => (Math.min(Math.abs(decibans), scale) / scale) * half;
  return (
    <Bar viewBox={`0 0 ${WIDTH} 12`} preserveAspectRatio="none" aria-hidden="true">
      <rect
        x={half - length(against)}
        y="1.5"
        width={length(against)}
        height="9"
        fill="none"
        stroke={color.clear}
        strokeWidth="1.4"
        vectorEffect="non-scaling-stroke"
      />
      <rect x={half} y="1" width={length(inFavour)} height="10" fill={color[tone]} />
      <line
        x1={half}
        x2={half}
        y1="-3"
        y2="15"
        stroke={color.ink3}
        vectorEffect="non-scaling-stroke"
      />
    </Bar>
  );
}

const Bar = styled.svg`
  display: block;
  width: 100%;
  height: 12px;
  overflow: visible;
`;
