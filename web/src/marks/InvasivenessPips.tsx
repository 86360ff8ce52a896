import styled from 'styled-components';
import type { Invasiveness } from '../api/types';
import { color, size } from '../theme/theme';

/** The gentlest first. */
export const levels: readonly Invasiveness[] = [
  'LOOKS_ONLY',
  'NO_TOOLS',
  'OPENS_CASE',
  'CHANGES_SETTINGS',
  'WRITES_TO_DRIVE',
  'ERASES',
];

export interface InvasivenessPipsProps {
  invasiveness: Invasiveness;
  words: string;
}

/** How invasive a move is: its word, and as many filled pips of five. */
export function InvasivenessPips({ invasiveness, words }: InvasivenessPipsProps) {
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
            fill={step <= levels.indexOf(invasiveness) ? color.ink2 : 'none'}
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
  font-size: ${size.text};
`;
