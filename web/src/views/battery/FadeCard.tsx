import { say, t } from '../../words/words';
import styled from 'styled-components';
import type { Battery } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when, fixed } from '../../ui/format';
import { LineChart } from '../../ui/LineChart';
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
      {new Set(looks.map((l) => l.at.slice(0, 10))).size > 1 && <Plot battery={battery} />}
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
  return battery.looks.length < 3
    ? t('web.battery.fade-card.too-few-looks-to-foretell-its')
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

function Plot({ battery }: { battery: Battery }) {
  const times = battery.looks.map((l) => new Date(l.at).getTime());
  const first = Math.min(...times);
  const last = Math.max(...times, first + 86_400_000);
  const low = Math.min(0.5, ...battery.looks.map((l) => l.health));
  const line = (measured: boolean) =>
    battery.looks
      .filter((l) => l.measured === measured)
      .map((l) => [new Date(l.at).getTime(), l.health] as const);
  return (
    <Padded>
      <LineChart
        label={t('web.battery.fade-card.share-of-a-new-one-over', {
          length: battery.looks.length,
          looks: battery.looks.map((l) => percent(l.health)).join(', '),
        })}
        lines={[
          { name: t('web.battery.fade-card.self-report'), points: line(false), dots: true },
          {
            name: t('web.battery.fade-card.measured'),
            points: line(true),
            dots: true,
            faint: true,
          },
        ]}
        x={[first, last]}
        y={[Math.floor(10 * low) / 10, 1]}
        xTicks={[
          [first, when(new Date(first).toISOString())],
          [last, when(new Date(last).toISOString())],
        ]}
        yTicks={[
          [1, '100 %'],
          [0.6, '60 %'],
        ]}
        limits={[[0.8, t('web.battery.fade-card.worn-by-convention-80')]]}
        height={130}
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
