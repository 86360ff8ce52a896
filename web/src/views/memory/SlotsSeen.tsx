import styled from 'styled-components';
import type { Memory } from '../../api/types';
import { color } from '../../theme/theme';
import { when } from '../../ui/format';
import { Lead, Mono, Sheet, SheetHead, Teach } from '../../ui/Sheet';

/** What the machine itself tells of its slots. */
export function SlotsSeen({ memory }: { memory: Memory }) {
  const filled = memory.seen.filter((slot) => slot.module !== null).length;
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {memory.seenAt === null
            ? 'Nobody has read its slots yet'
            : `${filled} of its ${memory.seen.length} slots filled`}
        </Lead>
        <small>{memory.seenAt === null ? '' : `told by the machine, ${when(memory.seenAt)}`}</small>
      </SheetHead>
      {memory.seenAt === null ? (
        <Teach>
          A probe on the machine tells at each start which module sits where, by its serial.
        </Teach>
      ) : (
        <List>
          {memory.seen.map((slot) => (
            <li key={slot.slot}>
              <b>{slot.slot}</b>
              <span>{slot.module ?? 'empty'}</span>
              {slot.module !== null && <Mono>{slot.serial ?? 'serial not reported'}</Mono>}
            </li>
          ))}
        </List>
      )}
    </Sheet>
  );
}

const List = styled.ul`
  padding: 0 16px 10px;
  li {
    display: grid;
    grid-template-columns: 84px 1fr;
    gap: 2px 12px;
    padding: 7px 0;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  li > :nth-child(3) {
    grid-column: 2;
  }
`;
