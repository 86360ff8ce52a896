import { say } from '../words/words';
import styled from 'styled-components';
import { color } from '../theme/theme';

/** What comes before everything else. */
export function UnsafeBattery({ why }: { why: string }) {
  return (
    <Warning role="alert">{say('web.ui.unsafe-battery.do-not-charge-it-load-it', { why })}</Warning>
  );
}

const Warning = styled.p`
  margin: 12px 0;
  padding: 12px 16px;
  border: 2px solid ${color.implicated};
  background: ${color.implicatedSoft};
`;
