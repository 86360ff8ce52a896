import type { Ref } from 'react';
import {
  Button,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
  Select as AriaSelect,
  SelectValue,
} from 'react-aria-components';
import styled from 'styled-components';
import { color, radius } from '../theme/theme';
import { INVALID, Wrong } from './Wrong';

export interface SelectProps<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
  /** "hidden" where the row says it already; still read aloud. Default "above". */
  labelAt?: 'above' | 'beside' | 'hidden';
  /** What is wrong with what is chosen. */
  error?: string | undefined;
  /** Of its button, for whoever moves the focus there. */
  buttonRef?: Ref<HTMLButtonElement>;
}

/** A key is never empty, as an option's value may be. */
const keyOf = (value: string) => `is:${value}`;

/** One of a few: by mouse, by arrows, by the first letters. */
export function Select<T extends string>({
  label,
  value,
  options,
  onChange,
  labelAt = 'above',
  error,
  buttonRef,
}: SelectProps<T>) {
  return (
    <Labelled
      data-at={labelAt}
      {...(labelAt === 'hidden' ? { 'aria-label': label } : {})}
      {...(error === undefined ? {} : INVALID)}
      selectedKey={keyOf(value)}
      onSelectionChange={(key) => {
        const chosen = options.find(([id]) => keyOf(id) === key);
        if (chosen !== undefined) onChange(chosen[0]);
      }}
    >
      {labelAt !== 'hidden' && <Label>{label}</Label>}
      <Shown ref={buttonRef}>
        <SelectValue />
        <span aria-hidden>▾</span>
      </Shown>
      <List>
        <ListBox>
          {options.map(([id, words]) => (
            <Choice key={id} id={keyOf(id)} textValue={words}>
              {words}
            </Choice>
          ))}
        </ListBox>
      </List>
      <Wrong>{error}</Wrong>
    </Labelled>
  );
}

const Labelled = styled(AriaSelect)`
  display: grid;
  justify-items: start;
  gap: 6px;
  font-weight: 700;
  &[data-at='beside'] {
    display: flex;
    align-items: center;
    gap: 8px;
    font-weight: 400;
    color: ${color.ink2};
  }
`;

const Shown = styled(Button)`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  font: inherit;
  font-weight: 400;
  min-height: 44px;
  max-width: 260px;
  padding: 4px 12px;
  text-align: left;
  border: 1.5px solid ${color.ink3};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
`;

const List = styled(Popover)`
  min-width: var(--trigger-width);
  max-width: min(420px, 90vw);
  overflow: auto;
  border: 1.5px solid ${color.ink3};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
  box-shadow: 0 6px 20px ${color.shadow};
  [role='listbox'] {
    padding: 4px;
    outline: none;
  }
`;

const Choice = styled(ListBoxItem)`
  display: flex;
  align-items: center;
  min-height: 44px;
  padding: 4px 12px;
  border-radius: ${radius};
  outline: none;
  cursor: pointer;
  &[data-focused] {
    outline: 2px solid ${color.lean};
    outline-offset: -2px;
  }
  &[data-selected] {
    background: ${color.leanSoft};
    font-weight: 700;
  }
`;
