import { t } from '../../words/words';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { color, radius } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { patternOf, type Beep } from './beeps';

/** Tapped along with the beeps: held for a long one. What was heard is told as a pattern. */
export function BeepTap({ onHeard }: { onHeard: (pattern: string) => void }) {
  const [beeps, setBeeps] = useState<readonly Beep[]>([]);
  const down = useRef<number | null>(null);
  const begin = () => {
    down.current ??= performance.now();
  };
  const end = () => {
    if (down.current === null) return;
    const all = [...beeps, { down: down.current, up: performance.now() }];
    down.current = null;
    setBeeps(all);
    onHeard(patternOf(all));
  };
  return (
    <Box role="group" aria-label={t('web.job.beep-tap.tap-the-beeps')}>
      <Pad
        type="button"
        onPointerDown={begin}
        onPointerUp={end}
        onPointerLeave={end}
        onKeyDown={(event) => {
          if (event.key === ' ' && !event.repeat) begin();
        }}
        onKeyUp={(event) => {
          if (event.key === ' ') end();
        }}
      >
        {t('web.job.beep-tap.tap-with-each-beep-hold-for')}
      </Pad>
      {beeps.length > 0 && (
        <>
          <b role="status">{patternOf(beeps)}</b>
          <Button
            onPress={() => {
              setBeeps([]);
              onHeard('');
            }}
          >
            {t('web.job.beep-tap.once-more')}
          </Button>
        </>
      )}
    </Box>
  );
}

const Box = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
`;

const Pad = styled.button`
  font: inherit;
  min-height: 52px;
  padding: 8px 18px;
  border: 2px solid ${color.clear};
  border-radius: ${radius};
  background: ${color.clearSoft};
  color: ${color.ink};
  cursor: pointer;
  touch-action: none;
  &:active {
    background: ${color.clear};
    color: ${color.sheet};
  }
`;
