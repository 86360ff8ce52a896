import type { Ref } from 'react';
import {
  Input,
  Label,
  Text,
  TextArea,
  TextField,
  type TextFieldProps,
} from 'react-aria-components';
import styled from 'styled-components';
import { color, radius, size } from '../theme/theme';
import { INVALID, Wrong } from './Wrong';

export interface FieldProps extends TextFieldProps {
  label: string;
  /** Several lines. */
  area?: boolean;
  /** How many lines of it show; 3 if not said. */
  rows?: number;
  /** Below the field: what it is for. */
  hint?: string;
  /** What is wrong with what stands in it. */
  error?: string | undefined;
  /** Of the input itself, for whoever moves the focus there. */
  inputRef?: Ref<HTMLInputElement & HTMLTextAreaElement>;
}

/** A labelled text field. */
export function Field({
  label,
  area = false,
  rows = 3,
  hint,
  error,
  inputRef,
  ...props
}: FieldProps) {
  return (
    <Box {...props} {...(error === undefined ? {} : INVALID)}>
      <Label>{label}</Label>
      {area ? <Area rows={rows} ref={inputRef} /> : <Line ref={inputRef} />}
      {hint !== undefined && <Hint slot="description">{hint}</Hint>}
      <Wrong>{error}</Wrong>
    </Box>
  );
}

const Box = styled(TextField)`
  display: grid;
  gap: 6px;
  font-weight: 700;
`;

const inputStyle = `
  font: inherit;
  font-weight: 400;
  min-height: 44px;
  padding: 8px 12px;
  border-radius: ${radius};
  border: 1.5px solid ${color.ink3};
  background: ${color.sheet};
  color: ${color.ink};
  width: 100%;
  &[data-invalid] {
    border-color: ${color.leanMark};
    border-width: 2px;
  }
  &[data-disabled] {
    border-style: dashed;
    background: ${color.sunken};
    color: ${color.ink2};
  }
`;

const Line = styled(Input)`
  ${inputStyle}
`;

const Hint = styled(Text)`
  font-weight: 400;
  font-size: ${size.text};
  color: ${color.ink2};
`;

const Area = styled(TextArea)`
  ${inputStyle}
  resize: vertical;
`;
