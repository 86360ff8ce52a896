import { say, t } from '../../words/words';
import { useState } from 'react';
import { Button as AriaButton, Checkbox } from 'react-aria-components';
import styled from 'styled-components';
import { color } from '../../theme/theme';
import { DataTable } from './DataTable';
import { sameRange, type Range } from './range';

export interface FieldTableProps {
  fields: readonly { name: string; offset: number; length: number; value: string | null }[];
  range: Range | null;
  onRange: (range: Range) => void;
}

/** Every field of a page; what it cannot do is folded away at first. */
export function FieldTable({ fields, range, onRange }: FieldTableProps) {
  const [all, setAll] = useState(false);
  const shown = all ? fields : fields.filter((f) => f.value !== null && f.value !== 'false');
  return (
    <>
      <All isSelected={all} onChange={setAll}>
        {say('web.reading.field-table.show-all-fields-hidden-false-or', {
          i: <i aria-hidden="true" />,
          length: fields.length,
          length2: fields.length - shown.length,
        })}
      </All>
      <DataTable>
        <thead>
          <tr>
            <th scope="col">{t('web.reading.field-table.field-of-the-standard')}</th>
            <th scope="col">{t('web.reading.field-table.value')}</th>
            <th scope="col" className="number">
              {t('web.reading.field-table.byte')}
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((field) => {
            const bytes = { offset: field.offset, length: field.length };
            return (
              <tr
                key={`${field.name} ${field.offset}`}
                data-here={sameRange(range, bytes) || undefined}
              >
                <td>
                  <RowButton
                    onPress={() => onRange(bytes)}
                    aria-label={t('web.reading.field-table.show-bytes', {
                      spaced: spaced(field.name),
                    })}
                  >
                    {spaced(field.name)}
                  </RowButton>
                </td>
                <td className="mono wraps">
                  {field.value ?? t('web.reading.field-table.not-reported')}
                </td>
                <td className="number mono">{field.offset}</td>
              </tr>
            );
          })}
        </tbody>
      </DataTable>
    </>
  );
}

const ACRONYMS = new Set(
  'ACS ATA ATAPI CFA DMA DRQ EXT FPDMA FUA IORDY LBA NCQ NOP NS PHY PIO SATA SCT SMART US'.split(
    ' ',
  ),
);

/** "dmaSupported" as "DMA supported". */
function spaced(name: string): string {
  return name
    .replace(/([A-Z]|\d+)/g, ' $1')
    .toUpperCase()
    .split(' ')
    .map((word) => (ACRONYMS.has(word) ? word : word.toLowerCase()))
    .join(' ');
}

const All = styled(Checkbox)`
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 48px;
  padding: 6px 14px;
  cursor: pointer;
  i {
    width: 22px;
    height: 22px;
    flex: none;
    border: 2px solid ${color.ink2};
    border-radius: 3px;
  }
  &[data-selected] i {
    background: ${color.act};
    box-shadow: inset 0 0 0 3px ${color.sheet};
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.leanMark};
    outline-offset: -3px;
  }
`;

const RowButton = styled(AriaButton)`
  font: inherit;
  text-align: left;
  width: 100%;
  min-height: 36px;
  border: 0;
  padding: 6px 0;
  background: none;
  color: ${color.ink};
  cursor: pointer;
`;
