import styled from 'styled-components';
import type { DriveData } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Lead } from '../../ui/Sheet';

const NAMES: Record<number, string> = { 30: '30 days', 90: '90 days', 365: '1 year' };

/** How likely it fails, with its range and what drove it. */
export function OutlookCard({ drive }: { drive: DriveData }) {
  const outlook = drive.outlook;
  return (
    <Card>
      <Lead as="h3">Outlook</Lead>
      {outlook === null ? (
        <p>Without a sound self-report nothing can be said.</p>
      ) : (
        <>
          <p>{sentence(outlook)}</p>
          <Bars>
            {outlook.days.map((d) => (
              <li key={d.days}>
                <span
                  role="img"
                  aria-label={`${percent(d.probability)} in ${NAMES[d.days] ?? d.days}`}
                >
                  <i style={{ width: `${100 * d.probability}%` }} />
                </span>
                {NAMES[d.days]} <b>{percent(d.probability)}</b>
                <small>
                  {percent(d.low)} to {percent(d.high)}
                </small>
              </li>
            ))}
          </Bars>
          {outlook.drivers.length > 0 && (
            <Drivers>
              {outlook.drivers.map((driver) => (
                <li key={driver.words}>
                  {driver.words}: about {driver.relativeRisk.toFixed(0)} times likelier (
                  {driver.low.toFixed(0)} to {driver.high.toFixed(0)}), {driver.source}
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
  const range = `${Math.round(100 * ninety.low)} to ${Math.max(1, Math.round(100 * ninety.high))}`;
  return outlook.drivers.length === 0
    ? `Of drives of this age ${range} in 100 fail within 90 days. Nothing found raises that; over half of failed drives showed nothing before.`
    : `Of drives that looked like this, ${range} in 100 failed within 90 days.`;
}

function survivalWords(drive: DriveData): string {
  const last = drive.survival.at(-1);
  if (last === undefined) return '.';
  return `; after ${Math.round(last.hours).toLocaleString('en-GB')} h ${percent(last.survival)} still worked (${percent(last.low)} to ${percent(last.high)}).`;
}

function percent(share: number): string {
  const p = 100 * share;
  if (p > 0 && p < 1) return '<1 %';
  return `${p.toFixed(0)} %`;
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
