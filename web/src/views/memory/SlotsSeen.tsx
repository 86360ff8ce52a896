import { t } from '../../words/words';
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
            ? t('web.memory.slots-seen.nobody-has-read-its-slots-yet')
            : t('web.memory.slots-seen.of-its-slots-filled', {
                filled,
                length: memory.seen.length,
              })}
        </Lead>
        <small>
          {memory.seenAt === null
            ? ''
            : t('web.memory.slots-seen.told-by-the-machine', { when: when(memory.seenAt) })}
        </small>
      </SheetHead>
      {memory.seenAt === null ? (
        <Teach>{t('web.memory.slots-seen.a-probe-on-the-machine-tells')}</Teach>
      ) : (
        <List>
          {memory.seen.map((slot) => (
            <li key={slot.slot}>
              <b>{slot.slot}</b>
              <span>{slot.module ?? t('web.memory.slots-seen.empty')}</span>
              {slot.module !== null && (
                <Mono>{slot.serial ?? t('web.memory.slots-seen.serial-not-reported')}</Mono>
              )}
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
