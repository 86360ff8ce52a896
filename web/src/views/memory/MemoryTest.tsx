import { say, t } from '../../words/words';
import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { Run, Memory } from '../../api/types';
import { color, size } from '../../theme/theme';
import { count, when, fixed } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';
import { ErrorLanes } from './ErrorLanes';

const STARTS = [
  {
    kind: 'MEMORY_TEST',
    name: t('web.memory.memory-test.memory-test'),
    about: t('web.memory.memory-test.stuck-cells-transitions-couplings-wrong-addr'),
  },
  {
    kind: 'MEMORY_TEST_LONG',
    name: t('web.memory.memory-test.long-memory-test'),
    about: t('web.memory.memory-test.also-what-shows-only-after-a'),
  },
] as const;

/** How each kind of fault reads. */
const FAULTS: Record<string, string> = {
  'stuck-at': t('web.memory.memory-test.stuck'),
  transition: t('web.memory.memory-test.not-changing-in-one-direction'),
  coupling: t('web.memory.memory-test.turned-by-another-cell'),
  decoder: t('web.memory.memory-test.at-another-s-address'),
  retention: t('web.memory.memory-test.losing-its-value-in-a-pause'),
  intermittent: t('web.memory.memory-test.now-and-then'),
  'heat-related': t('web.memory.memory-test.only-when-warm'),
};

/** The march of this machine: as it goes on, or what the last one found. */
export function MemoryTest({ memory }: { memory: Memory }) {
  const { running, ended } = useLatest(memory.runs);
  const shown =
    resultOf(running, 'memory-test') !== null
      ? running
      : (ended.find((r) => resultOf(r, 'memory-test') !== null) ?? null);
  const found = resultOf(shown, 'memory-test');
  return (
    <Sheet>
      <SheetHead>
        <Lead>{memoryTestTitle(running, ended)}</Lead>
        {found !== null && <small>{found.coverage}</small>}
      </SheetHead>
      {running !== null && <RunPanel run={running} job={memory.isolation.number} />}
      {found !== null && (
        <>
          <ErrorLanes byBit={found.byBit} />
          <Facts>
            {Object.entries(found.byClass).map(([fault, n]) => (
              <span key={fault}>
                {t('web.memory.memory-test.words', { n })} {FAULTS[fault] ?? fault}
              </span>
            ))}
            {found.stretches.length > 0 && (
              <span>
                {t('web.memory.memory-test.the-first-at-of', {
                  length: found.stretches.length,
                  mebibytes: mebibytes(found.stretches[0]?.fromWord ?? 0),
                  mebibytes2: mebibytes(found.bytes / 8),
                })}
              </span>
            )}
            <span>
              {found.done.length === 0
                ? t('web.memory.memory-test.now', { algorithm: found.algorithm })
                : t('web.memory.memory-test.ran-whole', { done: found.done.join(', ') })}
            </span>
            {shown?.endedAt != null && <span>{when(shown.endedAt)}</span>}
          </Facts>
        </>
      )}
      {ended
        .filter((r) => resultOf(r, 'memory-test') === null)
        .slice(0, 1)
        .map((r) => (
          <Why key={r.id}>
            {say('web.memory.memory-test.could-not-run', {
              name: r.name,
              when: r.endedAt !== null && when(r.endedAt),
              why: r.why,
            })}
          </Why>
        ))}
      {running === null && (
        <StartPart
          job={memory.isolation.number}
          part="board"
          starts={STARTS}
          lockedWhy={memory.canTestMemory}
        />
      )}
    </Sheet>
  );
}

export function memoryTestTitle(running: Run | null, ended: readonly Run[]): string {
  if (running !== null) {
    const errors = resultOf(running, 'memory-test')?.mismatches ?? 0;
    return errors === 0
      ? t('web.memory.memory-test.memory-test-goes-on-no-error')
      : t('web.memory.memory-test.memory-test-goes-on-wrong-reads', { count: count(errors) });
  }
  const last = resultOf(
    ended.find((r) => resultOf(r, 'memory-test') !== null),
    'memory-test',
  );
  if (last === null) return t('web.memory.memory-test.no-memory-test-yet');
  if (last.where !== '') return t('web.memory.memory-test.memory-test-2', { where: last.where });
  if (last.mismatches > 0) return t('web.memory.memory-test.the-memory-test-found-errors-and');
  return last.passes > 0
    ? t('web.memory.memory-test.the-memory-test-found-no-error')
    : t('web.memory.memory-test.the-memory-test-was-ended-before');
}

const mebibytes = (words: number) =>
  t('web.memory.memory-test.mib', { words: fixed((8 * words) / 1_048_576, 2) });

const Facts = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 0 16px 12px;
  font-size: ${size.text};
  color: ${color.ink2};
`;

const Why = styled.p`
  padding: 0 16px 12px;
  font-size: ${size.text};
`;
