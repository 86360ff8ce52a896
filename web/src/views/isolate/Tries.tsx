import { t } from '../../words/words';
import { useState } from 'react';
import { Checkbox, CheckboxGroup, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Isolation } from '../../api/types';
import { color, radius } from '../../theme/theme';
import { KINDS } from './sorts';
import { Starts, type Arrangement } from './Starts';

/** Starts with things in and out of play; what tells most is ticked already. */
export function Tries({ isolation }: { isolation: Isolation }) {
  const [inPlay, setInPlay] = useState<Arrangement>(isolation.options[0]?.arrangement ?? []);
  return (
    <Starts
      isolation={isolation}
      heads={[t('web.isolate.tries.in-play')]}
      cells={(arrangement) => [wordsOf(isolation, arrangement)]}
      arrangement={inPlay}
      isPossible
    >
      {isolation.sort === 'CHAIN' ? (
        <Kinds isolation={isolation} inPlay={inPlay} onChange={setInPlay} />
      ) : (
        <Ticks
          aria-label={t('web.isolate.tries.in-play')}
          value={inPlay.map(String)}
          onChange={(values) => setInPlay(values.map(Number))}
        >
          {isolation.things.map((thing, i) => (
            <Tick key={thing.name} value={String(i)}>
              <i aria-hidden="true" />
              {thing.name}
            </Tick>
          ))}
        </Ticks>
      )}
    </Starts>
  );
}

interface KindsProps {
  isolation: Isolation;
  inPlay: Arrangement;
  onChange: (inPlay: Arrangement) => void;
}

/** One of each kind. */
function Kinds({ isolation, inPlay, onChange }: KindsProps) {
  const of = (kind: string) =>
    isolation.things.flatMap((thing, i) => (thing.kind === kind ? [i] : []));
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
              {isolation.things[i]?.name}
            </One>
          ))}
        </Ones>
      ))}
    </>
  );
}

function wordsOf(isolation: Isolation, inPlay: Arrangement): string {
  const { things, sort } = isolation;
  const name = (i: number) => things[i]?.name ?? '';
  if (inPlay.length === things.length) return t('web.isolate.tries.all-of-them');
  if (inPlay.length === 0) return t('web.isolate.tries.none-of-them');
  const out = things.map((_, i) => i).filter((i) => !inPlay.includes(i));
  return sort !== 'CHAIN' && out.length < inPlay.length
    ? t('web.isolate.tries.all-but', { out: out.map(name).join(', ') })
    : inPlay.map(name).join(', ');
}

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
