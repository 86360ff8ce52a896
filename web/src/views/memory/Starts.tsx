import { useState } from 'react';
import styled from 'styled-components';
import { keys, useCall } from '../../api/queries';
import type { Memory, SwapStart } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

type Outcome = SwapStart['outcome'];

const SAYS: Record<Outcome, string> = {
  FAIL: 'failed',
  PASS: 'passed',
  INCONCLUSIVE: 'nobody could tell',
};

/** Every start with what sat where; below, the next one. */
export function Starts({ memory }: { memory: Memory }) {
  const call = useCall(keys.memory(memory.number), keys.job(memory.number), keys.floor);
  const [placement, setPlacement] = useState<readonly number[]>(proposed(memory));
  const post = (what: string, body: object) =>
    call.mutate({
      method: 'POST',
      path: `/api/jobs/${memory.number}/memory/${what}`,
      body: { version: memory.version, ...body },
    });
  const report = (outcome: Outcome) => post('starts', { placement, outcome, note: '' });
  const seenNow = isNews(memory) && String(memory.placedNow) === String(placement);
  const last = memory.starts[memory.starts.length - 1];
  const best = memory.options.find((option) => String(option.placement) === String(placement));
  const proposal = best === undefined || last === undefined ? '' : `: ${best.words}`;
  const possible = placement.some((m) => m >= 0) && isOnce(placement);
  return (
    <Sheet>
      <SheetHead>
        <Lead>Starts so far</Lead>
        <small>each row is one arrangement and one start with the test</small>
      </SheetHead>
      <Table>
        <thead>
          <tr>
            <th scope="col">#</th>
            {memory.slots.map((slot) => (
              <th key={slot} scope="col">
                {slot}
              </th>
            ))}
            <th scope="col">It</th>
          </tr>
        </thead>
        <tbody>
          {memory.starts.map((start, i) => (
            <tr key={start.id}>
              <td>{i + 1}</td>
              {memory.slots.map((slot, s) => (
                <td key={slot}>
                  <Chip name={memory.modules[start.placement[s] ?? -1]} />
                </td>
              ))}
              <td>
                <Said>
                  <SuspicionMark suspicion={suspicionOf(start.outcome)} size={20} />
                  <b>{SAYS[start.outcome]}</b>
                  <small>
                    {start.by}, {when(start.at)}
                  </small>
                </Said>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      {last !== undefined && (
        <Slip>
          <Button
            isDisabled={call.isPending}
            onPress={() => post(`starts/${last.id}/take-back`, {})}
          >
            Take back the last start
          </Button>
        </Slip>
      )}
      <Next>
        <b>
          {memory.named === null
            ? `${memory.starts.length + 1} · Next${proposal}`
            : 'Another start, if it helps'}
        </b>
        <Row>
          {memory.slots.map((slot, s) => (
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
                  ['-1', 'empty'],
                  ...memory.modules.map((name, m) => [String(m), name] as const),
                ]}
                onChange={(to) =>
                  setPlacement(placement.map((m, at) => (at === s ? Number(to) : m)))
                }
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
            Drag:{' '}
            {memory.modules.map((name, m) => (
              <Held
                key={name}
                draggable
                onDragStart={(event) => event.dataTransfer.setData(MODULE, String(m))}
              >
                {name}
              </Held>
            ))}
          </Tray>
        </Row>
        {seenNow && (
          <p role="status">The machine tells that it sits so now: filled in by its serials.</p>
        )}
        {!possible && <p role="status">One module sits in one slot, and one at least is in.</p>}
        <Row>
          <Big isDisabled={!possible || call.isPending} onPress={() => report('FAIL')}>
            It failed
          </Big>
          <Big isDisabled={!possible || call.isPending} onPress={() => report('PASS')}>
            It passed
          </Big>
          <Big isDisabled={!possible || call.isPending} onPress={() => report('INCONCLUSIVE')}>
            Could not tell
          </Big>
        </Row>
        {call.isError && <ProblemNote error={call.error} />}
      </Next>
    </Sheet>
  );
}

/** Whether somebody has started it since the last start that was kept, and it told how it sits. */
function isNews(memory: Memory): boolean {
  const last = memory.starts[memory.starts.length - 1];
  return (
    memory.placedNow !== null &&
    memory.seenAt !== null &&
    (last === undefined || new Date(memory.seenAt) > new Date(last.at))
  );
}

/** As it sits, if it told; else what tells most. The first start is as it came. */
function proposed(memory: Memory): readonly number[] {
  if (isNews(memory) && memory.placedNow !== null) return memory.placedNow;
  const best = memory.options[0];
  return memory.starts.length > 0 && best !== undefined
    ? best.placement
    : memory.slots.map((_, slot) => (slot < memory.modules.length ? slot : -1));
}

const MODULE = 'text/plain';

/**
 * The same with a module in another slot, or out.
 * @param to -1: out
 */
function moved(placement: readonly number[], module: number, to: number): readonly number[] {
  return placement.map((m, slot) => (slot === to ? module : m === module ? -1 : m));
}

function isOnce(placement: readonly number[]): boolean {
  const placed = placement.filter((m) => m >= 0);
  return new Set(placed).size === placed.length;
}

const suspicionOf = (outcome: Outcome) =>
  outcome === 'FAIL' ? 'IMPLICATED' : outcome === 'PASS' ? 'CLEARED' : 'UNKNOWN';

function Chip({ name }: { name: string | undefined }) {
  return name === undefined ? <Empty>empty</Empty> : <Module>{name}</Module>;
}

const Table = styled.table`
  border-collapse: collapse;
  inline-size: 100%;
  th,
  td {
    padding: 8px 16px;
    text-align: left;
  }
  th {
    font-weight: 400;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
`;

const Said = styled.span`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

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

const Slip = styled.div`
  padding: 8px 16px;
`;

const Next = styled.div`
  display: grid;
  gap: 12px;
  padding: 14px 16px;
  border-top: 2px solid ${color.lean};
  background: ${color.leanSoft};
`;

const Big = styled(Button)`
  min-height: 52px;
  min-width: 150px;
`;
