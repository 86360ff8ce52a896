import { t } from '../../words/words';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useModelLives } from '../../api/queries';
import type { ModelLivesData } from '../../api/types';
import { color, size } from '../../theme/theme';
import { count, when, fixed } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';

const WIDTH = 600;
const HEIGHT = 90;
const FEW = 5;

/** How long drives of a model lasted here, as a curve, and each of them on the way to its life. */
export function ModelLives({ model }: { model: string }) {
  const lives = useModelLives(model);
  return (
    <Box>
      <Loaded query={lives}>
        {(data) => (
          <>
            <Curve data={data} />
            <ul>
              {data.lives.map((life) => (
                <li key={life.part}>
                  <Link to={`/part/${life.part}`}>
                    {life.serial ?? t('web.stock.model-lives.serial-not-reported')}
                  </Link>
                  <span>{count(Math.round(life.hours))} h</span>
                  <span>
                    {life.replaced
                      ? t('web.stock.model-lives.decided-to-be-replaced')
                      : t('web.stock.model-lives.worked')}
                  </span>
                  <span>{t('web.stock.model-lives.last-seen', { when: when(life.lastSeen) })}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </Loaded>
    </Box>
  );
}

/** Kaplan and Meier: a step for each drive that failed, with its 95 % band. */
function Curve({ data }: { data: ModelLivesData }) {
  // The last drives of all say nothing of others: told is as far as a few were followed.
  const last = data.survival.filter((s) => s.atRisk >= FEW).at(-1);
  if (last === undefined) {
    return <p>{t('web.stock.model-lives.none-failed-or-too-few-were')}</p>;
  }
  const end = Math.max(last.hours, ...data.lives.map((l) => l.hours));
  const x = (hours: number) => (WIDTH * hours) / end;
  const y = (share: number) => HEIGHT * (1 - share);
  const steps = (of: (s: ModelLivesData['survival'][number]) => number) =>
    data.survival.map((s) => `H${x(s.hours)} V${y(of(s))}`).join(' ');
  const back = [...data.survival]
    .reverse()
    .map((s, i, all) => `V${y(s.high)} H${x(all[i + 1]?.hours ?? 0)}`)
    .join(' ');
  return (
    <figure>
      <Plot
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={words(last)}
      >
        <path
          className="band"
          d={`M0 0 ${steps((s) => s.low)} H${x(end)} V${y(data.survival.at(-1)?.high ?? 1)} H${x(data.survival.at(-1)?.hours ?? 0)} ${back} Z`}
        />
        <path className="curve" d={`M0 0 ${steps((s) => s.survival)} H${x(end)}`} />
        <line className="axis" x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} />
      </Plot>
      <figcaption>
        {t('web.stock.model-lives.share-that-still-works-from-0', {
          count: count(Math.round(end)),
          words: words(last),
        })}
      </figcaption>
    </figure>
  );
}

function words(last: ModelLivesData['survival'][number]): string {
  const percent = (share: number) => `${fixed(100 * share, 0)} %`;
  return t('web.stock.model-lives.after-h-still-worked-95-to', {
    count: count(Math.round(last.hours)),
    percent: percent(last.survival),
    percent2: percent(last.low),
    percent3: percent(last.high),
  });
}

const Box = styled.div`
  grid-column: 1 / -1;
  padding: 8px 0 4px;
  font-weight: 400;
  figure {
    margin: 0 0 8px;
  }
  figcaption,
  p {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  ul {
    max-height: 260px;
    overflow-y: auto;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) 90px minmax(0, 1fr) minmax(0, 1.2fr);
    gap: 10px;
    padding: 4px 0;
    border: 0;
    font-size: ${size.body};
    min-height: 0;
  }
`;

const Plot = styled.svg`
  display: block;
  width: 100%;
  height: ${HEIGHT}px;
  path,
  line {
    vector-effect: non-scaling-stroke;
  }
  .band {
    fill: ${color.sunken};
  }
  .curve {
    fill: none;
    stroke: ${color.clear};
    stroke-width: 2;
  }
  .axis {
    stroke: ${color.line};
  }
`;
