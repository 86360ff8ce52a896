import { Button as AriaButton, type ButtonProps as AriaButtonProps } from 'react-aria-components';
import styled from 'styled-components';
import { color, radius } from '../theme/theme';

export interface ButtonProps extends AriaButtonProps {
  /** The one that is meant; all others are plain. */
  primary?: boolean;
}

/** Big enough for a gloved hand: 44 px high. */
export function Button({ primary = false, ...props }: ButtonProps) {
  return <Styled {...props} data-primary={primary || undefined} />;
}

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
  &[data-disabled] {
    opacity: 1;
    border-style: dashed;
    border-color: ${color.ink3};
    background: ${color.sunken};
    color: ${color.ink2};
    cursor: default;
  }
`;
