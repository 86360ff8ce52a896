import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { Run, Memory } from '../../api/types';
import { color, size } from '../../theme/theme';
import { count, counted, when } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';
import { ErrorLanes } from './ErrorLanes';

const STARTS = [
  {
    kind: 'MEMORY_TEST',
    name: 'Memory test',
    about: 'Stuck cells, transitions, couplings, wrong addresses; minutes',
  },
  {
    kind: 'MEMORY_TEST_LONG',
    name: 'Long memory test',
    about: 'Also what shows only after a pause or now and then; an hour and more',
  },
] as const;

/** How each kind of fault reads. */
const FAULTS: Record<string, string> = {
  'stuck-at': 'stuck',
  transition: 'not changing in one direction',
  coupling: 'turned by another cell',
  decoder: 'at another’s address',
  retention: 'losing its value in a pause',
  intermittent: 'now and then',
  'heat-related': 'only when warm',
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
                {counted(n, 'bit')} {FAULTS[fault] ?? fault}
              </span>
            ))}
            {found.stretches.length > 0 && (
              <span>
                {counted(found.stretches.length, 'place')}, the first at{' '}
                {mebibytes(found.stretches[0]?.fromWord ?? 0)} of {mebibytes(found.bytes / 8)}
              </span>
            )}
            <span>
              {found.done.length === 0
                ? `Now: ${found.algorithm}`
                : `Ran whole: ${found.done.join(', ')}`}
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
            {r.name} {r.endedAt !== null && when(r.endedAt)} could not run: {r.why}
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
      ? 'Memory test goes on, no error so far'
      : `Memory test goes on: ${count(errors)} wrong reads so far`;
  }
  const last = resultOf(
    ended.find((r) => resultOf(r, 'memory-test') !== null),
    'memory-test',
  );
  if (last === null) return 'No memory test yet';
  if (last.where !== '') return `Memory test: ${last.where}`;
  if (last.mismatches > 0)
    return 'The memory test found errors and was ended before it could tell where';
  return last.passes > 0
    ? 'The memory test found no error in a whole pass'
    : 'The memory test was ended before one whole pass: no error until then';
}

const mebibytes = (words: number) => `${((8 * words) / 1_048_576).toFixed(2)} MiB`;

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
