import { ToggleButton, ToggleButtonGroup, type Key } from 'react-aria-components';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import type { Option } from '../../api/types';
import { color, radius, size } from '../../theme/theme';

export interface ChoicesProps {
  label: string;
  options: readonly Pick<Option, 'id' | 'name' | 'hint'>[];
  chosen: readonly string[];
  several?: boolean;
  /** Rungs: everything up to the chosen one is reached; keys count from 0. */
  ladder?: boolean;
  /** A second group on a card has no digits of its own, but its label stands above it. */
  second?: boolean;
  onChoose: (ids: string[]) => void;
}

/** Big keys to choose from; digits choose as well, unless something is being typed. */
export function Choices({
  label,
  options,
  chosen,
  several = false,
  ladder = false,
  second = false,
  onChoose,
}: ChoicesProps) {
  const first = ladder ? 0 : 1;
  const group = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (second) return undefined;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || !/^\d$/.test(event.key)) return;
      if (event.target instanceof HTMLElement && event.target.closest('input, textarea')) return;
      const option = options[Number(event.key) - first];
      if (option === undefined) return;
      event.preventDefault();
      // The focus goes along, so that one frame shows where one is.
      group.current?.querySelectorAll('button')[Number(event.key) - first]?.focus();
      if (!several) onChoose([option.id]);
      else if (chosen.includes(option.id)) onChoose(chosen.filter((id) => id !== option.id));
      else onChoose([...chosen, option.id]);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  });
  const at = ladder ? options.findIndex((o) => chosen.includes(o.id)) : -1;
  return (
    <div>
      {second && <Title aria-hidden="true">{label}</Title>}
      <Group
        ref={group}
        aria-label={label}
        selectionMode={several ? 'multiple' : 'single'}
        selectedKeys={chosen}
        onSelectionChange={(keys: Set<Key>) => onChoose([...keys].map(String))}
        data-ladder={ladder || undefined}
      >
        {options.map((option, i) => (
          <Choice
            key={option.id}
            id={option.id}
            data-reached={i < at || undefined}
            data-first={i === 0 || undefined}
          >
            <b>{option.name}</b>
            {option.hint !== '' && <small>{option.hint}</small>}
            {!second && <kbd aria-hidden="true">{i + first}</kbd>}
          </Choice>
        ))}
      </Group>
    </div>
  );
}

const Title = styled.p`
  font-weight: 700;
  padding-bottom: 6px;
`;

const Group = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  &[data-ladder] {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(92px, 1fr));
  }
`;

const Choice = styled(ToggleButton)`
  font: inherit;
  color: ${color.ink};
  text-align: left;
  min-height: 46px;
  padding: 8px 12px;
  display: flex;
  align-items: center;
  gap: 10px;
  border: 1.5px solid ${color.ink3};
  border-radius: ${radius};
  background: ${color.sheet};
  cursor: pointer;
  b {
    font-weight: 400;
  }
  kbd {
    font: inherit;
    font-size: ${size.small};
    border: 1px solid currentcolor;
    border-radius: 3px;
    padding: 0 5px;
    margin-left: auto;
  }
  [data-ladder] & {
    flex-direction: column;
    align-items: flex-start;
    gap: 2px;
    min-height: 92px;
    b {
      font-weight: 700;
    }
    kbd {
      align-self: flex-end;
      margin-top: auto;
    }
  }
  &[data-reached] {
    background: ${color.clearSoft};
    border-color: ${color.clear};
  }
  &[data-hovered] {
    background: ${color.sunken};
  }
  &[data-selected] {
    background: ${color.act};
    border-color: ${color.act};
    color: ${color.actInk};
    b {
      font-weight: 700;
    }
  }
`;
