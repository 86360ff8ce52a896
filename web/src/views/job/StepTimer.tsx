import { t } from '../../words/words';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';

/** A wait within a step; it goes by the clock, so that a sleeping tab does not stretch it. */
export function StepTimer({ seconds }: { seconds: number }) {
  const [endsAt, setEndsAt] = useState<number | null>(null);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (endsAt === null) return undefined;
    const tick = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(tick);
  }, [endsAt]);
  if (endsAt === null) {
    return (
      <Row>
        <Button
          onPress={() => {
            const begins = Date.now();
            setNow(begins);
            setEndsAt(begins + 1000 * seconds);
          }}
        >
          {t('web.job.step-timer.wait', { length: length(seconds) })}
        </Button>
      </Row>
    );
  }
  const left = Math.max(0, Math.ceil((endsAt - now) / 1000));
  return (
    <Row>
      <progress max={seconds} value={seconds - left} aria-label={t('web.job.step-timer.wait-2')} />
      <span role="timer">
        {left === 0
          ? t('web.job.step-timer.done-go-on')
          : t('web.job.step-timer.left', { length: length(left) })}
      </span>
    </Row>
  );
}

/** "45 s", "3 min", "2 min 30 s". */
export function length(seconds: number): string {
  const minutes = Math.floor(seconds / 60);
  const rest = seconds % 60;
  if (minutes === 0) return `${rest} s`;
  return rest === 0
    ? t('web.job.step-timer.min', { minutes })
    : t('web.job.step-timer.min-s', { minutes, rest });
}

const Row = styled.span`
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 6px;
  progress {
    width: 160px;
    height: 10px;
    accent-color: ${color.clear};
  }
`;
