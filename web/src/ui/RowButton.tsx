import { Button } from 'react-aria-components';
import styled from 'styled-components';
import { color, size } from '../theme/theme';

/** A whole row that can be chosen; `data-here` marks the chosen one. Columns are the caller's. */
export const RowButton = styled(Button)`
  font: inherit;
  width: 100%;
  display: grid;
  text-align: left;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  color: ${color.ink};
  cursor: pointer;
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  &[data-hovered] {
    background: ${color.sunken};
  }
  &[data-here] {
    background: ${color.clearSoft};
    border-left-color: ${color.clear};
  }
`;
