import { say, t } from '../../words/words';
import { useVirtualizer } from '@tanstack/react-virtual';
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

/** Up to so many are all drawn. */
const MANY_ROWS = 64;

/** 13 px of type, lines 1.6 high. */
const ROW_PX = 21;

/** The bytes as they came, 16 a row. */
export function HexView({ name, hex, range, onByte, meaning = null }: HexViewProps) {
  const scroll = useRef<HTMLDivElement>(null);
  const rows = Math.ceil(hex.length / 2 / PER_ROW);
  // A page may be of a megabyte: only the rows in sight are drawn.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_PX,
    overscan: 16,
    initialRect: { width: 480, height: 640 },
  });
  const { scrollToIndex } = virtual;
  const markedRow = range === null ? null : Math.floor(range.offset / PER_ROW);
  useEffect(() => {
    if (markedRow !== null) scrollToIndex(markedRow, { align: 'auto' });
  }, [markedRow, scrollToIndex]);
  const items = virtual.getVirtualItems();
  const drawn =
    rows <= MANY_ROWS ? Array.from({ length: rows }, (_, row) => row) : items.map((i) => i.index);
  const above = (drawn[0] ?? 0) * ROW_PX;
  const below = (rows - 1 - (drawn.at(-1) ?? rows - 1)) * ROW_PX;
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
        ref={scroll}
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
        <table aria-rowcount={rows}>
          <tbody>
            {above > 0 && <Gap $px={above} />}
            {drawn.map((row) => (
              <tr key={row} aria-rowindex={row + 1}>
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
            {below > 0 && <Gap $px={below} />}
          </tbody>
        </table>
      </Bytes>
    </>
  );
}

/** The rows that are out of sight. */
const Gap = styled.tr.attrs({ 'aria-hidden': true })<{ $px: number }>`
  height: ${({ $px }) => $px}px;
`;

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
  tr {
    height: ${ROW_PX}px;
  }
  td {
    padding: 0 3px;
  }
  td[data-marked] {
    background: ${color.implicated};
    color: ${color.sheet};
  }
`;
