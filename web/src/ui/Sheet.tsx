import { useEffect, useRef, type ComponentProps } from 'react';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { color, radius, size } from '../theme/theme';

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
    font-size: ${size.small};
    color: ${color.ink2};
  }
`;

/** Small title of a column. */
export const Lead = styled.h2`
  font-size: ${size.text};
  font-weight: 700;
  color: ${color.ink2};
`;

export const Page = styled.main`
  padding: 14px 18px 40px;
  max-width: 1680px;
  margin: 0 auto;
`;

/** The finding: every view's title, and with the job's number the page's own. */
export function Title(props: ComponentProps<typeof Heading>) {
  const heading = useRef<HTMLHeadingElement>(null);
  const { number } = useParams();
  useEffect(() => {
    const words = heading.current?.textContent ?? '';
    if (words !== '' && props['aria-hidden'] === undefined) {
      document.title = `${number === undefined ? '' : `${number}: `}${words} – Tekmerion`;
    }
  });
  return <Heading {...props} ref={heading} />;
}

const Heading = styled.h1`
  font-size: ${size.title};
  line-height: 1.25;
`;

export const Sub = styled.p`
  color: ${color.ink2};
  font-size: ${size.body};
`;

export const Mono = styled.span`
  font-family: 'JetBrains Mono Variable', ui-monospace, monospace;
  font-size: ${size.text};
`;

/** What stands in a sheet that has nothing to show yet: what belongs there, and how it comes. */
export const Teach = styled.p`
  padding: 0 16px 14px;
  color: ${color.ink2};
`;
