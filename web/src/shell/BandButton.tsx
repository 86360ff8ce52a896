import { Button } from 'react-aria-components';
import styled from 'styled-components';
import { color, radius } from '../theme/theme';

/** A plain button on the mat. */
export const BandButton = styled(Button)`
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid ${color.matLine};
  border-radius: ${radius};
  min-height: 46px;
  min-width: 44px;
  padding: 4px 8px;
  cursor: pointer;
  white-space: nowrap;
  &[data-hovered] {
    background: rgb(255 255 255 / 12%);
  }
  kbd {
    font: inherit;
    border: 1px solid currentcolor;
    border-radius: 3px;
    padding: 0 6px;
  }
`;
