import styled from 'styled-components';
import { color } from '../theme/theme';

/** What comes before everything else. */
export function UnsafeBattery({ why }: { why: string }) {
  return (
    <Warning role="alert">
      <b>{why}</b> Do not charge it, load it, press it or pierce it. Switch the machine off, take
      the battery out if that needs no force, and keep it away from what burns.
    </Warning>
  );
}

const Warning = styled.p`
  margin: 12px 0;
  padding: 12px 16px;
  border: 2px solid ${color.implicated};
  background: ${color.implicatedSoft};
`;
