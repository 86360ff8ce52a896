import { say, t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import type { Memory } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Row } from '../../ui/Layout';
import { Select } from '../../ui/Select';
import { Starts, type Arrangement } from '../isolate/Starts';
import { modulesOf, slotsOf } from './modules';

/** Starts with modules placed otherwise, by lists or by dragging. */
export function Swaps({ memory }: { memory: Memory }) {
  const modules = modulesOf(memory);
  const slots = slotsOf(memory);
  const [placement, setPlacement] = useState<Arrangement>(proposed(memory));
  const isPossible = placement.some((m) => m >= 0) && isOnce(placement);
  const seenNow = isNews(memory) && String(memory.placedNow) === String(placement);
  return (
    <Starts
      isolation={memory.isolation}
      heads={slots}
      cells={(arrangement) =>
        arrangement.map((m) =>
          m < 0 ? (
            <Empty key={m}>{t('web.memory.swaps.empty')}</Empty>
          ) : (
            <Module key={m}>{modules[m]}</Module>
          ),
        )
      }
      arrangement={placement}
      isPossible={isPossible}
    >
      <Row>
        {slots.map((slot, s) => (
          <Slot
            key={slot}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              event.preventDefault();
              setPlacement(moved(placement, Number(event.dataTransfer.getData(MODULE)), s));
            }}
          >
            <Select
              label={slot}
              value={String(placement[s] ?? -1)}
              options={[
                ['-1', t('web.memory.swaps.empty')],
                ...modules.map((name, m) => [String(m), name] as const),
              ]}
              onChange={(to) => setPlacement(placement.map((m, at) => (at === s ? Number(to) : m)))}
            />
          </Slot>
        ))}
        <Tray
          onDragOver={(event) => event.preventDefault()}
          onDrop={(event) => {
            event.preventDefault();
            setPlacement(moved(placement, Number(event.dataTransfer.getData(MODULE)), -1));
          }}
        >
          {say('web.memory.swaps.drag', {
            modules: modules.map((name, m) => (
              <Held
                key={name}
                draggable
                onDragStart={(event) => event.dataTransfer.setData(MODULE, String(m))}
              >
                {name}
              </Held>
            )),
          })}
        </Tray>
      </Row>
      {seenNow && <p role="status">{t('web.memory.swaps.the-machine-tells-that-it-sits')}</p>}
      {!isPossible && <p role="status">{t('web.memory.swaps.one-module-sits-in-one-slot')}</p>}
    </Starts>
  );
}

/** Whether somebody has started it since the last start that was kept, and it told how it sits. */
function isNews({ isolation, placedNow, seenAt }: Memory): boolean {
  const last = isolation.starts[isolation.starts.length - 1];
  return (
    placedNow !== null &&
    seenAt !== null &&
    (last === undefined || new Date(seenAt) > new Date(last.at))
  );
}

/** As it sits, if it told; else what tells most; once one is named, as it was last. */
function proposed(memory: Memory): Arrangement {
  if (isNews(memory) && memory.placedNow !== null) return memory.placedNow;
  const { options, starts } = memory.isolation;
  return options[0]?.arrangement ?? starts[starts.length - 1]?.arrangement ?? [];
}

const MODULE = 'text/plain';

/**
 * The same with a module in another slot, or out.
 * @param to -1: out
 */
function moved(placement: Arrangement, module: number, to: number): Arrangement {
  return placement.map((m, slot) => (slot === to ? module : m === module ? -1 : m));
}

function isOnce(placement: Arrangement): boolean {
  const placed = placement.filter((m) => m >= 0);
  return new Set(placed).size === placed.length;
}

const Module = styled.span`
  display: inline-block;
  min-width: 44px;
  padding: 3px 8px;
  text-align: center;
  font-weight: 700;
  border: 2px solid ${color.clear};
  border-radius: ${radius};
`;

/** Modules may also be dragged; what they can do, the lists can do as well. */
const Slot = styled.div`
  min-width: 110px;
`;

const Tray = styled.div`
  display: flex;
  align-items: center;
  gap: 6px;
  align-self: end;
  min-height: 44px;
  font-size: ${size.text};
  color: ${color.ink2};
`;

const Held = styled(Module)`
  cursor: grab;
  color: ${color.ink};
  background: ${color.sheet};
`;

const Empty = styled.span`
  color: ${color.ink2};
`;
