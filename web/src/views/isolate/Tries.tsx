import { useState } from 'react';
import { Checkbox, CheckboxGroup, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { keys, useCall } from '../../api/queries';
import type { Things } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { KINDS } from './sorts';

type Outcome = Things['starts'][number]['outcome'];

const SAYS: Record<Outcome, string> = {
  FAIL: 'failed',
  PASS: 'ran',
  INCONCLUSIVE: 'nobody could tell',
};

/** Every try with what was in play; below, the next one, ticked already. */
export function Tries({ things }: { things: Things }) {
  const call = useCall(
    keys.things(things.number, things.sort),
    keys.job(things.number),
    keys.floor,
  );
  const [inPlay, setInPlay] = useState<readonly number[]>(things.next?.inPlay ?? []);
  const post = (what: string, body: object) =>
    call.mutate({
      method: 'POST',
      path: `/api/jobs/${things.number}/things/${things.sort}/${what}`,
      body: { version: things.version, ...body },
    });
  const report = (outcome: Outcome) => post('starts', { inPlay, outcome, note: '' });
  const last = things.starts[things.starts.length - 1];
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {things.starts.length === 0
            ? 'No try yet'
            : `${things.starts.length} ${things.starts.length === 1 ? 'try' : 'tries'}`}
        </Lead>
        <small>each row is one start with the complaint looked for</small>
      </SheetHead>
      <List>
        {things.starts.map((start, i) => (
          <li key={start.id}>
            <span>{i + 1}</span>
            <span>{wordsOf(things, start.inPlay)}</span>
            <span>
              <SuspicionMark suspicion={suspicionOf(start.outcome)} size={20} />
              <b>{SAYS[start.outcome]}</b>
            </span>
            <small>
              {start.by}, {when(start.at)}
            </small>
          </li>
        ))}
      </List>
      {last !== undefined && (
        <Slip>
          <Button
            isDisabled={call.isPending}
            onPress={() => post(`starts/${last.id}/take-back`, {})}
          >
            Take back the last try
          </Button>
        </Slip>
      )}
      <Next>
        <b>
          {things.next === null
            ? 'Another try, if it helps'
            : `${things.starts.length + 1} · Next: with ${things.next.words}`}
        </b>
        {things.next !== null && things.starts.length > 0 && (
          <small>
            tells {things.next.bits.toFixed(2)} bit, takes {Math.round(things.next.minutes)} min
          </small>
        )}
        {things.sort === 'CHAIN' ? (
          <Kinds things={things} inPlay={inPlay} onChange={setInPlay} />
        ) : (
          <Ticks
            aria-label="In play"
            value={inPlay.map(String)}
            onChange={(values) => setInPlay(values.map(Number))}
          >
            {things.things.map((thing, i) => (
              <Tick key={thing.name} value={String(i)}>
                <i aria-hidden="true" />
                {thing.name}
              </Tick>
            ))}
          </Ticks>
        )}
        <Row>
          <Big isDisabled={call.isPending} onPress={() => report('FAIL')}>
            It failed
          </Big>
          <Big isDisabled={call.isPending} onPress={() => report('PASS')}>
            It ran
          </Big>
          <Big isDisabled={call.isPending} onPress={() => report('INCONCLUSIVE')}>
            Could not tell
          </Big>
        </Row>
        {call.isError && <ProblemNote error={call.error} />}
      </Next>
    </Sheet>
  );
}

interface KindsProps {
  things: Things;
  inPlay: readonly number[];
  onChange: (inPlay: readonly number[]) => void;
}

/** One of each kind. */
function Kinds({ things, inPlay, onChange }: KindsProps) {
  const of = (kind: string) =>
    things.things.flatMap((thing, i) => (thing.kind === kind ? [i] : []));
  return (
    <>
      {KINDS.filter((kind) => of(kind).length > 0).map((kind) => (
        <Ones
          key={kind}
          aria-label={kind}
          value={String(of(kind).find((i) => inPlay.includes(i)) ?? '')}
          onChange={(value) =>
            onChange([...inPlay.filter((i) => !of(kind).includes(i)), Number(value)])
          }
        >
          {of(kind).map((i) => (
            <One key={i} value={String(i)}>
              <i aria-hidden="true" />
              {things.things[i]?.name}
            </One>
          ))}
        </Ones>
      ))}
    </>
  );
}

function wordsOf(things: Things, inPlay: readonly number[]): string {
  const name = (i: number) => things.things[i]?.name ?? '';
  if (inPlay.length === things.things.length) return 'with all of them';
  if (inPlay.length === 0) return 'with none of them';
  const out = things.things.map((_, i) => i).filter((i) => !inPlay.includes(i));
  return things.sort !== 'CHAIN' && out.length < inPlay.length
    ? `without ${out.map(name).join(', ')}`
    : `with ${inPlay.map(name).join(', ')}`;
}

const suspicionOf = (outcome: Outcome) =>
  outcome === 'FAIL' ? 'IMPLICATED' : outcome === 'PASS' ? 'CLEARED' : 'UNKNOWN';

const List = styled.ol`
  li {
    display: grid;
    grid-template-columns: 28px minmax(0, 1fr) auto;
    gap: 2px 12px;
    padding: 8px 16px;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  li > span:nth-child(3) {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  small {
    grid-column: 2 / -1;
    font-size: ${size.text};
    color: ${color.ink2};
  }
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
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const group = `
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

const choice = `
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  padding: 6px 14px 6px 10px;
  border: 1.5px solid ${color.ink3};
  border-radius: ${radius};
  background: ${color.sheet};
  cursor: pointer;
  overflow-wrap: anywhere;
  i {
    flex: none;
    inline-size: 18px;
    block-size: 18px;
    border: 2px solid ${color.ink2};
  }
  &[data-selected] {
    border-color: ${color.clear};
    font-weight: 700;
  }
  &[data-selected] i {
    border-color: ${color.clear};
    background: ${color.clear};
    box-shadow: inset 0 0 0 3px ${color.sheet};
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.leanMark};
    outline-offset: 2px;
  }
`;

const Ticks = styled(CheckboxGroup)`
  ${group}
`;

const Tick = styled(Checkbox)`
  ${choice}
`;

const Ones = styled(RadioGroup)`
  ${group}
`;

const One = styled(Radio)`
  ${choice}
  i {
    border-radius: 50%;
  }
`;

const Big = styled(Button)`
  min-height: 52px;
  min-width: 150px;
`;
