import { t } from '../../words/words';
import styled from 'styled-components';
import { color, size } from '../../theme/theme';
import { count } from '../../ui/format';

const LANES = 8;
const BITS = 8;

/**
 * The 64 lines of the memory bus in their eight byte lanes: on a module of eight-bit chips each lane
 * is one chip. A bar for each line that errs, with how many words.
 */
export function ErrorLanes({ byBit }: { byBit: readonly number[] }) {
  const most = Math.max(1, ...byBit);
  const bad = byBit.flatMap((n, bit) =>
    n > 0 ? [t('web.memory.error-lanes.line', { bit, count: count(n) })] : [],
  );
  return (
    <Lanes
      role="img"
      aria-label={
        bad.length === 0
          ? t('web.memory.error-lanes.no-error-on-any-of-the')
          : t('web.memory.error-lanes.faulty-words-by-line', { bad: bad.join(', ') })
      }
    >
      {Array.from({ length: LANES }, (_, lane) => {
        const sum = byBit.slice(BITS * lane, BITS * lane + BITS).reduce((a, b) => a + b, 0);
        return (
          <Lane key={lane} data-bad={sum > 0 || undefined}>
            <Bars>
              {Array.from({ length: BITS }, (__, bit) => {
                const n = byBit[BITS * lane + bit] ?? 0;
                return (
                  <i
                    key={bit}
                    data-bad={n > 0 || undefined}
                    style={{ blockSize: n > 0 ? `${25 + (75 * n) / most}%` : '3px' }}
                  />
                );
              })}
            </Bars>
            <b>{t('web.memory.error-lanes.lane', { lane })}</b>
            <span>
              {sum === 0
                ? t('web.memory.error-lanes.no-error')
                : t('web.memory.error-lanes.words', { sum })}
            </span>
          </Lane>
        );
      })}
    </Lanes>
  );
}

const Lanes = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(76px, 1fr));
  gap: 6px;
  padding: 4px 16px 12px;
`;

const Lane = styled.div`
  display: grid;
  padding: 6px;
  border: 1px solid ${color.line};
  text-align: center;
  font-size: ${size.text};
  color: ${color.ink2};
  b {
    font-weight: 400;
  }
  &[data-bad] {
    border: 2px solid ${color.implicated};
    padding: 5px;
    color: ${color.implicated};
    font-weight: 700;
  }
`;

const Bars = styled.div`
  display: flex;
  align-items: end;
  gap: 2px;
  block-size: 56px;
  i {
    flex: 1;
    background: ${color.bar};
  }
  i[data-bad] {
    background: ${color.implicated};
  }
`;
