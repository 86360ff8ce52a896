import styled from 'styled-components';
import type { JournalLine } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

/** Everything that happened, in order. Nothing is ever taken out. */
export function Journal({ lines }: { lines: readonly JournalLine[] }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>History: everything that happened, in order</Lead>
      </SheetHead>
      <Line tabIndex={0} aria-label="History">
        {lines.map((line, i) => (
          <Entry key={`${line.at}-${i}`} data-kind={line.kind}>
            <b>{line.title}</b>
            <span>
              {when(line.at)} · {line.who}
            </span>
            <span>{line.detail}</span>
          </Entry>
        ))}
      </Line>
    </Sheet>
  );
}

const Line = styled.ol`
  display: flex;
  overflow-x: auto;
  padding: 4px 16px 16px;
`;

const Entry = styled.li`
  flex: 1 0 190px;
  max-width: 300px;
  display: grid;
  align-content: start;
  gap: 2px;
  padding: 16px 16px 0 0;
  position: relative;
  border-top: 2px solid ${color.line};
  margin-top: 8px;
  font-size: ${size.text};
  span {
    color: ${color.ink2};
    overflow-wrap: anywhere;
  }
  &::before {
    content: '';
    position: absolute;
    top: -7px;
    left: 0;
    width: 12px;
    height: 12px;
    border-radius: 50%;
    background: ${color.clear};
  }
  &[data-kind='INTAKE']::before {
    background: ${color.ink3};
  }
  &[data-kind='DATA_STATUS']::before {
    border-radius: 0;
    background: ${color.hold};
  }
  &[data-kind='DECISION']::before {
    border-radius: 0;
    background: ${color.ink};
  }
  &[data-kind='PROBE']::before {
    background: ${color.sheet};
    border: 2px solid ${color.ink3};
  }
`;
