import { t } from '../words/words';
import type { ReactNode } from 'react';
import {
  Button,
  Dialog,
  DialogTrigger,
  Heading,
  Popover,
  VisuallyHidden,
} from 'react-aria-components';
import styled from 'styled-components';
import { color, radius, size } from '../theme/theme';

export interface HowWeKnowProps {
  /** What the number is of: "complaint gone, 97 in 100". */
  of: string;
  /** The number as it stands in its place. */
  children: ReactNode;
  /** How it was made. */
  how: ReactNode;
}

/** A number that can be asked how it was made. */
export function HowWeKnow({ of, children, how }: HowWeKnowProps) {
  return (
    <DialogTrigger>
      <Asked>
        <VisuallyHidden>{t('web.ui.how-we-know.how-do-we-know', { of })}</VisuallyHidden>
        <Shown>{children}</Shown>
      </Asked>
      <Popup>
        <Answer>
          <Heading slot="title">{of}</Heading>
          {how}
        </Answer>
      </Popup>
    </DialogTrigger>
  );
}

const Asked = styled(Button)`
  font: inherit;
  color: inherit;
  text-align: inherit;
  min-height: 44px;
  padding: 2px 4px;
  border: 0;
  border-radius: ${radius};
  background: none;
  cursor: pointer;
  p > & {
    margin: -12px -4px;
    display: inline-block;
  }
  &[data-hovered] {
    background: ${color.sunken};
  }
`;

const Shown = styled.span`
  display: block;
  text-decoration: underline dotted ${color.ink3};
  text-underline-offset: 4px;
`;

const Popup = styled(Popover)`
  width: min(440px, 92vw);
  max-height: 80vh;
  overflow: auto;
  border: 1.5px solid ${color.ink3};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
  box-shadow: 0 6px 20px ${color.shadow};
`;

const Answer = styled(Dialog)`
  padding: 12px 16px 14px;
  display: grid;
  gap: 8px;
  outline: none;
  font-size: ${size.text};
  h2 {
    font-size: ${size.body};
    text-transform: none;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 3px 8px 3px 0;
    vertical-align: top;
  }
  thead th {
    font-size: ${size.small};
    color: ${color.ink2};
  }
  td,
  thead th:not(:first-child) {
    text-align: right;
    white-space: nowrap;
    padding-right: 0;
    padding-left: 8px;
  }
`;
