import { t } from '../words/words';
import { useEffect } from 'react';
import { Dialog, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import type { Person } from '../api/types';
import { isTyping } from './isTyping';
import { ground, SignInCard } from '../views/sign-in/SignInView';

export interface SignInAgainProps {
  /** Who was signed in. What this person typed is still there after signing in. */
  whose: Person;
}

/** Over everything, also over an open dialog, until somebody signs in. */
export function SignInAgain({ whose }: SignInAgainProps) {
  useNoShortcuts();
  return (
    <Overlay isOpen isKeyboardDismissDisabled>
      <Modal>
        <Dialog aria-label={t('web.sign-in.sign-in-view.sign-in-to-tekmerion')}>
          <SignInCard
            says={t('web.shell.sign-in-again.your-session-has-ended', { name: whose.displayName })}
            stays={whose}
          />
        </Dialog>
      </Modal>
    </Overlay>
  );
}

/** What is behind stays as it is: a key pressed beside a field goes nowhere. */
function useNoShortcuts() {
  useEffect(() => {
    const stop = (event: KeyboardEvent) => {
      if (event.key.length === 1 && event.key !== ' ' && !isTyping(event)) event.stopPropagation();
    };
    window.addEventListener('keydown', stop, { capture: true });
    return () => {
      window.removeEventListener('keydown', stop, { capture: true });
    };
  }, []);
}

const Overlay = styled(ModalOverlay)`
  ${ground}
  position: fixed;
  inset: 0;
  overflow: auto;
  z-index: 30;
`;
