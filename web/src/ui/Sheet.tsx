import styled from 'styled-components';
import { color, radius } from '../theme/theme';

/** Work lies on light sheets: thin line, no shadow. */
export const Sheet = styled.section`
  background: ${color.sheet};
  border: 1px solid ${color.line};
  border-radius: ${radius};
  min-width: 0;
`;

export const SheetHead = styled.header`
  padding: 14px 16px 10px;
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 12px;
  small {
    font-size: 13px;
    color: ${color.ink2};
  }
`;

/** Small title of a column. */
export const Lead = styled.h2`
  font-size: 14px;
  font-weight: 700;
  color: ${color.ink2};
`;

export const Page = styled.main`
  padding: 14px 18px 40px;
  max-width: 1680px;
  margin: 0 auto;
`;

/** The finding: every view's title. */
export const Title = styled.h1`
  font-size: 21px;
  line-height: 1.25;
`;

export const Sub = styled.p`
  color: ${color.ink2};
  font-size: 15px;
`;

export const Mono = styled.span`
  font-family: 'JetBrains Mono Variable', ui-monospace, monospace;
  font-size: 14px;
`;
