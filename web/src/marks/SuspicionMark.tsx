import { t } from '../words/words';
import styled from 'styled-components';
import type { Suspicion } from '../api/types';
import { color, type Token } from '../theme/theme';

export interface SuspicionMarkProps {
  suspicion: Suspicion;
  /** Width in px; readable from 14. Default 22. */
  size?: number;
  /** On the mat the level mark needs a lighter grey. */
  onMat?: boolean;
}

interface Look {
  /** Degrees; to the right is towards the fault. */
  turn: number;
  token: Token;
  /** What lies on the lower end of the beam. */
  weight: 'none' | 'dot' | 'ring' | 'square' | 'full';
  words: string;
}

/** Direction, shape and colour each tell the state alone. */
const LOOKS: Record<Suspicion, Look> = {
  UNKNOWN: {
    turn: 0,
    token: 'ink3',
    weight: 'none',
    words: t('web.marks.suspicion-mark.nothing-known'),
  },
  CLEARED: {
    turn: -20,
    token: 'clear',
    weight: 'ring',
    words: t('web.marks.suspicion-mark.cleared'),
  },
  LEANING_CLEAR: {
    turn: -9,
    token: 'clear',
    weight: 'ring',
    words: t('web.marks.suspicion-mark.leaning-clear'),
  },
  OPEN: {
    turn: 0,
    token: 'ink2',
    weight: 'dot',
    words: t('web.marks.suspicion-mark.open-something-found-nothing-decided'),
  },
  LEANING: {
    turn: 11,
    token: 'leanMark',
    weight: 'square',
    words: t('web.marks.suspicion-mark.leaning-to-fault'),
  },
  IMPLICATED: {
    turn: 25,
    token: 'implicated',
    weight: 'full',
    words: t('web.marks.suspicion-mark.implicated'),
  },
};

/** A beam on a pivot: the state of a part, a cause, a job, everywhere the same. */
export function SuspicionMark({ suspicion, size = 22, onMat = false }: SuspicionMarkProps) {
  const look = LOOKS[suspicion];
  const ink =
    onMat && (suspicion === 'UNKNOWN' || suspicion === 'OPEN') ? color.matInk : color[look.token];
  return (
    <Mark
      viewBox="0 0 28 24"
      width={size}
      height={(size * 24) / 28}
      role="img"
      aria-label={look.words}
    >
      <path d="M14 13.5l4.4 7.5H9.6z" fill={ink} opacity="0.75" />
      <Beam style={{ transform: `rotate(${look.turn}deg)` }}>
        <rect x="2" y="10.6" width="24" height="2.6" fill={ink} />
        {look.weight === 'dot' && <circle cx="14" cy="6.8" r="2.4" fill={ink} />}
        {look.weight === 'ring' && (
          <circle cx="5.2" cy="7.4" r="2.9" fill="none" stroke={ink} strokeWidth="1.9" />
        )}
        {look.weight === 'square' && (
          <rect x="19" y="3.6" width="6" height="6" fill="none" stroke={ink} strokeWidth="1.9" />
        )}
        {look.weight === 'full' && <rect x="18" y="2.6" width="8" height="8" fill={ink} />}
      </Beam>
    </Mark>
  );
}

const Mark = styled.svg`
  flex: none;
  display: block;
  overflow: visible;
`;

const Beam = styled.g`
  transform-origin: 14px 12px;
  transition: transform 400ms ease-out;
`;
