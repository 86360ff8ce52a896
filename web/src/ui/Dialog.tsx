import type { ReactNode } from 'react';
import {
  Dialog as AriaDialog,
  Heading,
  Modal as AriaModal,
  ModalOverlay,
} from 'react-aria-components';
import styled from 'styled-components';
import { color, radius, size } from '../theme/theme';

export interface ModalProps {
  title: string;
  isOpen: boolean;
  onClose: () => void;
  children: ReactNode;
}

/** A dialog above the page; Escape closes it. */
export function Dialog({ title, isOpen, onClose, children }: ModalProps) {
  return (
    <Overlay isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <Box>
        <Inner>
          <Heading slot="title">{title}</Heading>
          {children}
        </Inner>
      </Box>
    </Overlay>
  );
}

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: ${color.veil};
  display: grid;
  place-items: center;
  z-index: 10;
`;

const Box = styled(AriaModal)`
  width: min(560px, calc(100vw - 32px));
  max-height: calc(100vh - 32px);
  overflow: auto;
  background: ${color.sheet};
  border-radius: ${radius};
  box-shadow: 0 12px 40px ${color.shadow};
`;

const Inner = styled(AriaDialog)`
  padding: 20px 24px 24px;
  display: grid;
  gap: 14px;
  outline: none;
  h2 {
    font-size: ${size.title};
  }
`;
