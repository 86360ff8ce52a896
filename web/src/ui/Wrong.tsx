import { FieldError } from 'react-aria-components';
import styled from 'styled-components';
import { color, size } from '../theme/theme';

/** Said by us, in our words, and not by the browser when the form is sent. */
export const INVALID = { isInvalid: true, validationBehavior: 'aria' } as const;

/** What is wrong with a field, below it. */
export const Wrong = styled(FieldError)`
  font-weight: 400;
  font-size: ${size.text};
  color: ${color.lean};
`;
