import { t } from '../../words/words';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useModelLives } from '../../api/queries';
import type { ModelLivesData } from '../../api/types';
import { color, size } from '../../theme/theme';
import { count, when, fixed } from '../../ui/format';
import { Plot } from '../../ui/plot/Plot';
import { Loaded } from '../../ui/Loaded';

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
  const percent = (of: (s: ModelLivesData['survival'][number]) => number) =>
    [...data.survival, { ...last, hours: end }].map((s) => [s.hours, 100 * of(s)] as const);
  return (
    <figure>
      <Plot
        label={words(last)}
        data={{
          title: t('web.stock.model-lives.still-works'),
          x: { kind: 'number', name: t('web.ui.plot.power-on-hours'), unit: 'h', from: 0, to: end },
          y: { unit: '%', from: 0, to: 100, digits: 0 },
          series: [
            {
              name: t('web.stock.model-lives.still-works'),
              points: [[0, 100], ...percent((s) => s.survival)],
              step: true,
            },
            {
              name: t('web.stock.model-lives.95-lower'),
              points: [[0, 100], ...percent((s) => s.low)],
              step: true,
              faint: true,
            },
            {
              name: t('web.stock.model-lives.95-upper'),
              points: [[0, 100], ...percent((s) => s.high)],
              step: true,
              faint: true,
            },
          ],
        }}
        height={150}
      />
      <figcaption>{words(last)}</figcaption>
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
