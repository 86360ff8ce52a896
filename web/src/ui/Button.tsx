import type { SyntheticEvent } from 'react';
import { Button as AriaButton, type ButtonProps as AriaButtonProps } from 'react-aria-components';
import styled from 'styled-components';
import { color, radius } from '../theme/theme';

export interface ButtonProps extends AriaButtonProps {
  /** The one that is meant; all others are plain. */
  primary?: boolean;
  /** What it began is under way: it keeps the focus, and does nothing. */
  isPending?: boolean;
}

/**
 * Big enough for a gloved hand: 44 px high. While what it began is under way it is pending, not
 * disabled: that would lose the focus and send the keyboard round the whole page. The library's own
 * `isPending` tells of a button that may be gone by then.
 */
export function Button({ primary = false, isPending = false, ...props }: ButtonProps) {
  const idle = isPending ? IDLE : {};
  return (
    <Styled
      {...props}
      {...idle}
      data-primary={primary || undefined}
      data-pending={isPending || undefined}
    />
  );
}

/** A form is not sent a second time either: Enter in a field clicks its button. */
const IDLE = {
  onPress: () => undefined,
  onClickCapture: (event: SyntheticEvent) => event.preventDefault(),
  'aria-disabled': true,
} as const;

const Styled = styled(AriaButton)`
  font: inherit;
  font-weight: 700;
  min-height: 44px;
  padding: 8px 18px;
  border: 1.5px solid ${color.mat};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
  cursor: pointer;
  @media (prefers-color-scheme: dark) {
    border-color: ${color.ink2};
  }
  &[data-hovered] {
    background: ${color.clearSoft};
  }
  &[data-primary] {
    background: ${color.act};
    border-color: ${color.act};
    color: ${color.actInk};
  }
  &[data-primary][data-hovered] {
    background: ${color.actOver};
  }
  &[data-pressed] {
    transform: translateY(1px);
  }
  &[data-pending] {
    border-style: dashed;
    cursor: progress;
  }
  &[data-disabled] {
    opacity: 1;
    border-style: dashed;
    border-color: ${color.ink3};
    background: ${color.sunken};
    color: ${color.ink2};
    cursor: default;
  }
`;
