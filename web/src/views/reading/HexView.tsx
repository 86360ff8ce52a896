import { say, t } from '../../words/words';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { color, size } from '../../theme/theme';
import { rangeWords, type Range } from './range';

export interface HexViewProps {
  name: string;
  /** Two letters a byte. */
  hex: string;
  /** Bytes to point out. */
  range: Range | null;
  /** Told which byte the cursor is on. */
  onByte?: ((offset: number) => void) | undefined;
  /** What the marked bytes mean. */
  meaning?: string | null;
}

const PER_ROW = 16;

/** The bytes as they came, 16 a row. */
export function HexView({ name, hex, range, onByte, meaning = null }: HexViewProps) {
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
        {say('web.reading.hex-view.bytes', {
          name,
          length: hex.length / 2,
          value:
            range !== null &&
            `; ${t('web.reading.hex-view.marked', { rangeWords: rangeWords(range) })}`,
          value2: meaning !== null && <b>{meaning}</b>,
        })}
      </Caption>
      <Bytes
        role="region"
        aria-label={t('web.reading.hex-view.bytes-of', { name })}
        tabIndex={0}
        onPointerOver={(event) => {
          const at = (event.target as HTMLElement).dataset.at;
          if (at !== undefined) onByte?.(Number(at));
        }}
        onKeyDown={(event) => {
          const step: Record<string, number> = {
            ArrowRight: 1,
            ArrowLeft: -1,
            ArrowDown: PER_ROW,
            ArrowUp: -PER_ROW,
          };
          const by = step[event.key];
          if (by === undefined || onByte === undefined) return;
          event.preventDefault();
          const from =
            range === null ? -by : by < 0 ? range.offset : range.offset + range.length - 1;
          onByte(Math.min(hex.length / 2 - 1, Math.max(0, from + by)));
        }}
      >
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
                    <td key={column} data-at={at} data-marked={isIn(at) || undefined}>
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
  font-size: ${size.text};
  color: ${color.ink2};
  max-width: 480px;
  b {
    display: block;
    color: ${color.ink};
    min-height: 20px;
  }
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
  max-height: 70vh;
  overflow: auto;
  td {
    padding: 0 3px;
  }
  td[data-marked] {
    background: ${color.implicated};
    color: ${color.sheet};
  }
`;
