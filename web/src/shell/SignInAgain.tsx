import { t } from '../words/words';
import { Dialog, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import type { Person } from '../api/types';
import { ground, SignInCard } from '../views/sign-in/SignInView';

export interface SignInAgainProps {
  /** Who was signed in. What this person typed is still there after signing in. */
  whose: Person;
}

/** Over everything, also over an open dialog, until somebody signs in. */
export function SignInAgain({ whose }: SignInAgainProps) {
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

const Overlay = styled(ModalOverlay)`
  ${ground}
  position: fixed;
  inset: 0;
  overflow: auto;
  z-index: 30;
`;
