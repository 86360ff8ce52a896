import { count, fixed } from '../../ui/format';
import { t } from '../../words/words';
import styled from 'styled-components';
import type { DriveData } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Lead } from '../../ui/Sheet';

const NAMES: Record<number, string> = {
  30: t('web.drive.outlook-card.30-days'),
  90: t('web.drive.outlook-card.90-days'),
  365: t('web.drive.outlook-card.1-year'),
};

/** How likely it fails, with its range and what drove it. */
export function OutlookCard({ drive }: { drive: DriveData }) {
  const outlook = drive.outlook;
  return (
    <Card>
      <Lead as="h3">{t('web.drive.outlook-card.outlook')}</Lead>
      {outlook === null ? (
        <p>{t('web.drive.outlook-card.without-a-sound-self-report-nothing')}</p>
      ) : (
        <>
          <p>{sentence(outlook)}</p>
          <Bars>
            {outlook.days.map((d) => (
              <li key={d.days}>
                <span
                  role="img"
                  aria-label={t('web.drive.outlook-card.in', {
                    percent: percent(d.probability),
                    days: NAMES[d.days] ?? d.days,
                  })}
                >
                  <i style={{ width: `${100 * d.probability}%` }} />
                </span>
                {NAMES[d.days]} <b>{percent(d.probability)}</b>
                <small>
                  {t('web.drive.outlook-card.to', {
                    percent: percent(d.low),
                    percent2: percent(d.high),
                  })}
                </small>
              </li>
            ))}
          </Bars>
          {outlook.drivers.length > 0 && (
            <Drivers>
              {outlook.drivers.map((driver) => (
                <li key={driver.words}>
                  {t('web.drive.outlook-card.about-times-likelier-to', {
                    words: driver.words,
                    relativeRisk: fixed(driver.relativeRisk, 0),
                    low: fixed(driver.low, 0),
                    high: fixed(driver.high, 0),
                    source: driver.source,
                  })}
                </li>
              ))}
            </Drivers>
          )}
          <p>
            {drive.survivalNote}
            {survivalWords(drive)}
          </p>
        </>
      )}
    </Card>
  );
}

function sentence(outlook: NonNullable<DriveData['outlook']>): string {
  const ninety = outlook.days.find((d) => d.days === 90);
  if (ninety === undefined) return '';
  const range = t('web.drive.outlook-card.to-2', {
    low: Math.round(100 * ninety.low),
    value: Math.max(1, Math.round(100 * ninety.high)),
  });
  return outlook.drivers.length === 0
    ? t('web.drive.outlook-card.of-drives-of-this-age-in', { range })
    : t('web.drive.outlook-card.of-drives-that-looked-like-this', { range });
}

function survivalWords(drive: DriveData): string {
  const last = drive.survival.at(-1);
  if (last === undefined) return '.';
  return t('web.drive.outlook-card.after-h-still-worked-to', {
    count: count(Math.round(last.hours)),
    percent: percent(last.survival),
    percent2: percent(last.low),
    percent3: percent(last.high),
  });
}

function percent(share: number): string {
  const p = 100 * share;
  if (p > 0 && p < 1) return '<1 %';
  return `${fixed(p, 0)} %`;
}

const Card = styled.div`
  border-top: 1px solid ${color.line};
  padding: 12px 14px 16px;
  display: grid;
  gap: 8px;
  p {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Bars = styled.ul`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  font-size: ${size.text};
  span {
    display: block;
    height: 10px;
    background: ${color.sunken};
    border: 1px solid ${color.line};
    margin-bottom: 3px;
  }
  i {
    display: block;
    height: 100%;
    background: ${color.implicated};
  }
  small {
    display: block;
    font-size: ${size.small};
    color: ${color.ink2};
  }
`;

const Drivers = styled.ul`
  list-style: disc;
  padding-left: 18px;
  font-size: ${size.text};
  color: ${color.ink2};
`;
