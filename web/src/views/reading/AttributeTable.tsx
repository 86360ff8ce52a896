import { say, t } from '../../words/words';
import styled from 'styled-components';
import { Button as AriaButton } from 'react-aria-components';
import type { Attribute, Reading } from '../../api/types';
import { color } from '../../theme/theme';
import { count } from '../../ui/format';
import { sameRange, type Range } from './range';
import { DataTable } from './DataTable';

export interface AttributeTableProps {
  attributes: readonly Attribute[];
  smart: Reading['smart'];
  range: Range | null;
  onRange: (range: Range) => void;
}

const ENTRY_BYTES = 12;

/** What the drive counts about itself; choosing a row shows its bytes. */
export function AttributeTable({ attributes, smart, range, onRange }: AttributeTableProps) {
  return (
    <>
      {smart !== null && (
        <Self data-failed={smart.selfTestFailed || undefined}>
          {say('web.reading.attribute-table.self-test', {
            selfTest: smart.selfTest,
            value:
              smart.extendedSelfTestMinutes !== null &&
              ` ${t('web.reading.attribute-table.a-full-one-takes-about-min', { extendedSelfTestMinutes: smart.extendedSelfTestMinutes })}`,
          })}
        </Self>
      )}
      <DataTable>
        <thead>
          <tr>
            <th scope="col">{t('web.reading.attribute-table.id')}</th>
            <th scope="col">{t('web.reading.attribute-table.what-it-counts')}</th>
            <th scope="col" className="number">
              {t('web.reading.attribute-table.reads-as')}
            </th>
            <th scope="col" className="number">
              {t('web.reading.attribute-table.value-worst-limit')}
            </th>
            <th scope="col">{t('web.reading.attribute-table.state')}</th>
            <th scope="col">{t('web.reading.attribute-table.raw-bytes')}</th>
          </tr>
        </thead>
        <tbody>
          {attributes.map((a) => {
            const bytes = { offset: a.offset, length: ENTRY_BYTES };
            return (
              <tr key={a.offset} data-here={sameRange(range, bytes) || undefined}>
                <td className="mono">{a.id}</td>
                <td>
                  <RowButton
                    onPress={() => onRange(bytes)}
                    aria-label={t('web.reading.attribute-table.show-bytes', { nameOf: nameOf(a) })}
                  >
                    {nameOf(a)}
                  </RowButton>
                </td>
                <td className="number mono">
                  {meaningOf(a)}
                  <small>{alsoOf(a)}</small>
                </td>
                <td className="number mono">
                  {a.value} / {a.worst} /{' '}
                  {a.threshold ?? t('web.reading.attribute-table.not-reported')}
                </td>
                <td>
                  <State data-state={a.state}>{a.stateWords}</State>
                  {a.preFailure && (
                    <small>{t('web.reading.attribute-table.predicts-failure')}</small>
                  )}
                </td>
                <td className="mono">{a.rawHex}</td>
              </tr>
            );
          })}
        </tbody>
      </DataTable>
    </>
  );
}

const nameOf = (a: Attribute) => a.name ?? t('web.reading.attribute-table.attribute', { id: a.id });

function meaningOf(a: Attribute): string {
  if (a.meaning === null) return t('web.reading.attribute-table.no-rule-fits');
  const unit = ['count', 'errors'].includes(a.meaning.unit) ? '' : ` ${a.meaning.unit}`;
  return `${count(a.meaning.value)}${unit}`;
}

/** What was packed into the same raw value: "lowestC 17" reads as "lowest 17 °C". */
function alsoOf(a: Attribute): string {
  return Object.entries(a.meaning?.also ?? {})
    .filter(([name, value]) => value !== 0 && name !== 'millisecondsOfHour')
    .map(([name, value]) => {
      const celsius = name.endsWith('C');
      const words = name.replace(/C$/, '').replace(/([A-Z]|\d+)/g, ' $1');
      return `${words.toLowerCase()} ${count(value)}${celsius ? ' °C' : ''}`;
    })
    .join(', ');
}

const RowButton = styled(AriaButton)`
  font: inherit;
  text-align: left;
  padding: 9px 0;
  width: 100%;
  min-height: 40px;
  border: 0;
  background: none;
  color: ${color.ink};
  text-decoration: underline;
  text-decoration-color: ${color.line};
  text-underline-offset: 4px;
  cursor: pointer;
`;

const State = styled.span`
  white-space: nowrap;
  &[data-state='FAILS_NOW'] {
    font-weight: 700;
    color: ${color.implicated};
  }
  &[data-state='FAILED_BEFORE'] {
    font-weight: 700;
    color: ${color.lean};
  }
`;

const Self = styled.p`
  padding: 12px 14px;
  border-bottom: 1px solid ${color.line};
  &[data-failed] {
    font-weight: 700;
    color: ${color.implicated};
  }
`;
