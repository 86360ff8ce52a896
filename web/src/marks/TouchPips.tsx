import styled from 'styled-components';
import { color } from '../theme/theme';

export interface TouchPipsProps {
  /** 0 looks only … 5 erases. */
  touch: number;
  words: string;
}

/** How invasive a move is: its word, and as many filled pips of five. */
export function TouchPips({ touch, words }: TouchPipsProps) {
  return (
    <Line>
      {words}
      <svg width="52" height="10" aria-hidden="true">
        {[1, 2, 3, 4, 5].map((step) => (
          <rect
            key={step}
            x={(step - 1) * 10.5 + 0.75}
            y="1.25"
            width="7.5"
            height="7.5"
            fill={step <= touch ? color.ink2 : 'none'}
            stroke={color.ink2}
          />
        ))}
      </svg>
    </Line>
  );
}

const Line = styled.span`
  display: inline-flex;
  align-items: center;
  gap: 8px;
  color: ${color.ink2};
  font-size: 14px;
`;
