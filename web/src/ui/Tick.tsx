import { Checkbox, type CheckboxProps } from 'react-aria-components';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { color, size } from '../theme/theme';

/** A box to tick, with its words. */
export function Tick({
  children,
  ...props
}: Omit<CheckboxProps, 'children'> & { children: ReactNode }) {
  return (
    <Line {...props}>
      {({ isSelected }) => (
        <>
          <i aria-hidden>{isSelected && '✓'}</i>
          {children}
        </>
      )}
    </Line>
  );
}

const Line = styled(Checkbox)`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  font-size: ${size.body};
  cursor: pointer;
  overflow-wrap: anywhere;
  i {
    flex: none;
    inline-size: 22px;
    block-size: 22px;
    display: grid;
    place-items: center;
    font-style: normal;
    border: 1.5px solid ${color.ink3};
    background: ${color.sheet};
  }
  &[data-selected] i {
    border-color: ${color.clear};
    background: ${color.clear};
    color: ${color.sheet};
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.leanMark};
    outline-offset: 2px;
  }
`;
