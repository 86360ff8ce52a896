import { Form as Sent } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '../../ui/Button';
import { t } from '../../words/words';

/** Sends the form: what the change would have done to the last jobs is shown before it is in force. */
export function Propose() {
  return (
    <Button primary type="submit">
      {t('web.know-how.editors.what-would-it-have-changed')}
    </Button>
  );
}

export const Form = styled(Sent)`
  display: grid;
  gap: 14px;
  justify-items: start;
  padding: 4px 16px 16px;
  > * {
    max-width: 100%;
  }
  > :not(button) {
    justify-self: stretch;
  }
`;

export const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  align-items: start;
  gap: 12px;
`;
