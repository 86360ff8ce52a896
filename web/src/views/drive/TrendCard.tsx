import { say } from '../../words/words';
import styled from 'styled-components';
import { SuspicionMark } from '../../marks/SuspicionMark';
import type { TrendSeries } from '../../api/types';
import { color, size } from '../../theme/theme';
import { count } from '../../ui/format';
import { Mono } from '../../ui/Sheet';
import { trendGeometry } from './trendGeometry';

const WIDTH = 320;
const HEIGHT = 92;

/** One number over time and where it leads: measured points, then the band. */
export function TrendCard({ trend }: { trend: TrendSeries }) {
  return (
    <Card>
      <h3>
        <SuspicionMark suspicion={trend.grave ? 'IMPLICATED' : 'LEANING_CLEAR'} size={18} />
        {trend.name}
        <Mono>
          {count(trend.now)} {trend.unit}
        </Mono>
      </h3>
      <p>{trend.words}</p>
      {trend.splits.length > 0 && (
        <p>{say('web.drive.trend-card.begins-anew', { at: trend.splits.at(-1) })}</p>
      )}
      {trend.points.length > 1 && <Chart trend={trend} />}
    </Card>
  );
}

function Chart({ trend }: { trend: TrendSeries }) {
  const g = trendGeometry(trend, WIDTH, HEIGHT);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 18}`}
      role="img"
      aria-label={`${trend.name}: ${trend.points.map((p) => p.value).join(', ')}`}
    >
      <line className="base" x1={g.left} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} />
      {g.limitY !== null && (
        <>
          <line className="limit" x1={g.left} x2={WIDTH} y1={g.limitY} y2={g.limitY} />
          <text className="limit" x={WIDTH} y={g.limitY - 4} textAnchor="end">
            {say('web.drive.trend-card.limit', { limit: trend.limit })}
          </text>
        </>
      )}
      {g.band !== '' && <path className="band" d={g.band} />}
      {g.ahead !== '' && <path className="ahead" d={g.ahead} />}
      <path className="line" data-grave={trend.grave || undefined} d={g.line} />
      {g.points.map((p) => (
        <circle key={p.x} cx={p.x} cy={p.y} r={3} data-grave={trend.grave || undefined} />
      ))}
      <text x={g.left - 6} y={12} textAnchor="end">
        {g.top}
      </text>
      <text x={g.left - 6} y={HEIGHT} textAnchor="end">
        {g.bottom}
      </text>
      {g.dates.map((d) => (
        <text key={d.words} x={d.x} y={HEIGHT + 15} textAnchor={d.anchor}>
          {d.words}
        </text>
      ))}
    </svg>
  );
}

const Card = styled.article`
  border-top: 1px solid ${color.line};
  padding: 10px 14px 6px;
  h3 {
    display: flex;
    align-items: center;
    gap: 8px;
    font-size: ${size.body};
  }
  h3 > span:last-child {
    margin-left: auto;
  }
  p {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  > svg {
    width: 100%;
    margin-top: 4px;
  }
  > svg text {
    font-size: ${size.small};
    fill: ${color.ink2};
  }
  .base {
    stroke: ${color.line};
  }
  .limit {
    stroke: ${color.implicated};
    stroke-dasharray: 2 3;
  }
  text.limit {
    stroke: none;
    fill: ${color.implicated};
  }
  .line {
    fill: none;
    stroke: ${color.clear};
    stroke-width: 2.2;
  }
  .line[data-grave] {
    stroke: ${color.implicated};
  }
  circle {
    fill: ${color.sheet};
    stroke: ${color.clear};
    stroke-width: 2;
  }
  circle[data-grave] {
    stroke: ${color.implicated};
  }
  .band {
    fill: ${color.leanMark};
    opacity: 0.2;
  }
  .ahead {
    fill: none;
    stroke: ${color.leanMark};
    stroke-width: 1.6;
    stroke-dasharray: 5 4;
  }
`;
