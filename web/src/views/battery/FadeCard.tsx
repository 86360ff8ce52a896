import { say, t } from '../../words/words';
import styled from 'styled-components';
import type { Battery } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when, fixed } from '../../ui/format';
import { Plot } from '../../ui/plot/Plot';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { percent } from './figures';

type FadeSpan = NonNullable<NonNullable<Battery['fade']>['perYear']>;

/** This pack over its visits, where that leads, and others like it. */
export function FadeCard({ battery }: { battery: Battery }) {
  const { fade, others, looks } = battery;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{fadeTitle(battery)}</Lead>
        <small>{t('web.battery.fade-card.robust-slope-with-its-95-range')}</small>
      </SheetHead>
      {new Set(looks.map((l) => l.at.slice(0, 10))).size > 1 && <FadePlot battery={battery} />}
      <Body>
        {fade?.sinceNew != null && (
          <p>
            {t('web.battery.fade-card.since-it-was-new-points-of', {
              abs: fixed(100 * Math.abs(fade.sinceNew), 1),
            })}
          </p>
        )}
        {fade?.perHundredCycles != null && (
          <p>
            {t('web.battery.fade-card.of-late-in-100-cycles', {
              spanWords: spanWords(fade.perHundredCycles),
            })}
          </p>
        )}
        {fade?.perYear != null && (
          <p>
            {t('web.battery.fade-card.of-late-in-a-year', { spanWords: spanWords(fade.perYear) })}
          </p>
        )}
        {fade?.limits.map((limit) => (
          <p key={limit.share}>
            {say('web.battery.fade-card.if-it-goes-on-like-this', {
              percent: percent(limit.share),
              value:
                limit.cycles !== null &&
                t('web.battery.fade-card.in-cycles', { span: span(limit.cycles, 0) }),
              years: limit.cycles !== null && limit.years !== null && ', ',
              value2:
                limit.years !== null &&
                t('web.battery.fade-card.in-years', { span: span(limit.years, 1) }),
            })}
          </p>
        ))}
        {fade !== null && fade.looks < 3 && (
          <p>{t('web.battery.fade-card.from-fewer-than-three-looks-at')}</p>
        )}
        {others === null ? (
          <p>{t('web.battery.fade-card.fewer-than-three-others-of-its')}</p>
        ) : (
          <p>
            {t('web.battery.fade-card.others-of-its-model-met-half', {
              packs: others.packs,
              percent: percent(others.median),
              below: others.below,
            })}
          </p>
        )}
      </Body>
      {looks.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">{t('web.battery.fade-card.looked-at')}</th>
              <th scope="col">{t('web.battery.fade-card.job')}</th>
              <th scope="col">{t('web.battery.fade-card.cycles')}</th>
              <th scope="col">{t('web.battery.fade-card.of-new')}</th>
              <th scope="col">{t('web.battery.fade-card.how')}</th>
            </tr>
          </thead>
          <tbody>
            {looks.map((look) => (
              <tr key={`${look.at} ${look.measured}`}>
                <th scope="row">{when(look.at)}</th>
                <td>{look.job}</td>
                <td>{look.cycles ?? t('web.battery.fade-card.not-counted')}</td>
                <td>{percent(look.health)}</td>
                <td>
                  {look.measured
                    ? t('web.battery.fade-card.measured')
                    : t('web.battery.fade-card.self-report')}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </Sheet>
  );
}

function fadeTitle(battery: Battery): string {
  const next = battery.fade?.limits[0];
  if (next?.years != null) {
    return t('web.battery.fade-card.heading-for-in-about-years', {
      percent: percent(next.share),
      value: fixed(next.years.value, 1),
    });
  }
  if (next?.cycles != null) {
    return t('web.battery.fade-card.heading-for-in-about-cycles', {
      percent: percent(next.share),
      value: Math.round(next.cycles.value),
    });
  }
  if (battery.looks.length === 0) return t('web.battery.fade-card.its-fade-is-not-known-yet');
  if (battery.looks.length < 3) return t('web.battery.fade-card.too-few-looks-to-foretell-its');
  const slope = battery.fade?.perYear ?? battery.fade?.perHundredCycles;
  // What it was heading for lies behind it.
  return slope != null && slope.high !== null && slope.high < 0
    ? t('web.battery.fade-card.down-to-and-fading', {
        percent: percent(battery.looks.at(-1)?.health ?? 0),
      })
    : t('web.battery.fade-card.it-fades-no-further');
}

const span = (of: FadeSpan, digits: number) =>
  t('web.battery.fade-card.to', {
    value: fixed(of.value, digits),
    low: fixed(of.low, digits),
    high: of.high === null ? 'never' : fixed(of.high, digits),
  });

/** A change of a share, as points of 100. */
function spanWords(of: FadeSpan): string {
  const points = (share: number) => fixed(100 * share, 1).replace('-', '−');
  return t('web.battery.fade-card.points-of-100-to', {
    points: points(of.value),
    points2: points(of.low),
    high: of.high === null ? '∞' : points(of.high),
  });
}

function FadePlot({ battery }: { battery: Battery }) {
  const points = (measured: boolean) =>
    battery.looks
      .filter((l) => l.measured === measured)
      .map((l) => [new Date(l.at).getTime(), 100 * l.health] as const);
  return (
    <Padded>
      <Plot
        label={t('web.battery.fade-card.share-of-a-new-one-over', {
          length: battery.looks.length,
          looks: battery.looks.map((l) => percent(l.health)).join(', '),
        })}
        data={{
          title: t('web.battery.fade-card.of-new'),
          x: { kind: 'time', name: t('web.ui.plot.when') },
          y: { unit: '%', to: 100, digits: 0 },
          series: [
            { name: t('web.battery.fade-card.self-report'), points: points(false), dots: true },
            {
              name: t('web.battery.fade-card.measured'),
              points: points(true),
              dots: true,
              faint: true,
            },
          ],
          limits: [{ value: 80, words: t('web.battery.fade-card.worn-by-convention-80') }],
        }}
        height={160}
      />
    </Padded>
  );
}

const Padded = styled.div`
  padding: 0 16px 8px;
`;

const Body = styled.div`
  display: grid;
  gap: 4px;
  padding: 0 16px 12px;
`;

const Table = styled.table`
  border-collapse: collapse;
  inline-size: 100%;
  th,
  td {
    padding: 6px 16px;
    text-align: left;
    font-weight: 400;
  }
  thead th {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
`;
