import { useId, useState, type Ref, type SyntheticEvent } from 'react';
import { Button as AriaButton, type ButtonProps as AriaButtonProps } from 'react-aria-components';
import styled from 'styled-components';
import { color, radius, size } from '../theme/theme';
import { t } from '../words/words';
import { listed } from './format';

export interface ButtonProps extends AriaButtonProps {
  /** The one that is meant; all others are plain. */
  primary?: boolean;
  /** What it began is under way: it keeps the focus, and does nothing. */
  isPending?: boolean;
  /**
   * What it still waits for, each as a noun: "a name". Pressed, it does nothing but say so; a
   * disabled button could not, and Enter would find nothing.
   */
  missing?: readonly string[];
  ref?: Ref<HTMLButtonElement>;
}

/**
 * Big enough for a gloved hand: 44 px high. While what it began is under way it is pending, not
 * disabled: that would lose the focus and send the keyboard round the whole page. The library's own
 * `isPending` tells of a button that may be gone by then.
 */
export function Button({
  primary = false,
  isPending = false,
  missing = NOTHING,
  ...props
}: ButtonProps) {
  const [asked, setAsked] = useState(false);
  const why = useId();
  const waits = missing.length > 0 && props.isDisabled !== true;
  if (asked && !waits) setAsked(false);
  const idle = isPending ? IDLE : waits ? { ...IDLE, onPress: () => setAsked(true) } : {};
  return (
    <>
      <Styled
        {...props}
        {...idle}
        {...(asked ? { 'aria-describedby': why } : {})}
        data-primary={primary || undefined}
        data-pending={isPending || undefined}
        data-waits={waits || undefined}
      />
      {asked && waits && (
        <Why id={why} role="alert">
          {t('web.ui.button.still-missing', { missing: listed(missing) })}
        </Why>
      )}
    </>
  );
}

const NOTHING: readonly string[] = [];

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
  &[data-disabled],
  &[data-waits] {
    opacity: 1;
    border-style: dashed;
    border-color: ${color.ink3};
    background: ${color.sunken};
    color: ${color.ink2};
    cursor: default;
  }
`;

const Why = styled.p`
  font-size: ${size.text};
  color: ${color.lean};
`;
