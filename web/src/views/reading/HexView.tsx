import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { color } from '../../theme/theme';
import { rangeWords, type Range } from './range';

export interface HexViewProps {
  name: string;
  /** Two letters a byte. */
  hex: string;
  /** Bytes to point out. */
  range: Range | null;
}

const PER_ROW = 16;

/** The bytes as they came, 16 a row. */
export function HexView({ name, hex, range }: HexViewProps) {
  const marked = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    marked.current?.scrollIntoView({ block: 'nearest' });
  }, [range?.offset]);
  const rows = Math.ceil(hex.length / 2 / PER_ROW);
  const isIn = (at: number) =>
    range !== null && at >= range.offset && at < range.offset + range.length;
  return (
    <>
      <Caption>
        {name}, {hex.length / 2} bytes
        {range !== null && `; ${rangeWords(range)} marked`}
      </Caption>
      <Bytes role="region" aria-label={`Bytes of ${name}`}>
        <table>
          <tbody>
            {Array.from({ length: rows }, (_, row) => (
              <tr
                key={row}
                ref={range !== null && Math.floor(range.offset / PER_ROW) === row ? marked : null}
              >
                <th scope="row">{(row * PER_ROW).toString(16).padStart(3, '0')}</th>
                {Array.from({ length: PER_ROW }, (_, column) => {
                  const at = row * PER_ROW + column;
                  return (
                    <td key={column} data-marked={isIn(at) || undefined}>
                      {hex.slice(2 * at, 2 * at + 2)}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Bytes>
    </>
  );
}

const Caption = styled.p`
  padding: 12px 14px 6px;
  font-size: 14px;
  color: ${color.ink2};
`;

const Bytes = styled.div`
  padding: 0 14px 14px;
  font:
    13px/1.6 'JetBrains Mono Variable',
    monospace;
  table {
    border-collapse: collapse;
  }
  th {
    font-weight: 400;
    color: ${color.ink2};
    padding-right: 10px;
  }
  td {
    padding: 0 3px;
  }
  td[data-marked] {
    background: ${color.implicated};
    color: ${color.sheet};
  }
`;
