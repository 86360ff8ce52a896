import styled from 'styled-components';
import type { DriveRun, Memory } from '../../api/types';
import { color } from '../../theme/theme';
import { count, when } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';
import { ErrorLanes } from './ErrorLanes';

const STARTS = [
  {
    kind: 'MARCH',
    name: 'March',
    about: 'Stuck cells, transitions, couplings, wrong addresses; minutes',
  },
  {
    kind: 'MARCH_LONG',
    name: 'Long march',
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
export function March({ memory }: { memory: Memory }) {
  const { running, ended } = useLatest(memory.runs);
  const shown = running?.march != null ? running : (ended.find((r) => r.march !== null) ?? null);
  return (
    <Sheet>
      <SheetHead>
        <Lead>{marchTitle(running, ended)}</Lead>
        {shown?.march != null && <small>{shown.march.coverage}</small>}
      </SheetHead>
      {running !== null && <RunPanel run={running} job={memory.number} />}
      {shown?.march != null && (
        <>
          <ErrorLanes byBit={shown.march.byBit} />
          <Facts>
            {Object.entries(shown.march.byClass).map(([fault, n]) => (
              <span key={fault}>
                {count(n)} {n === 1 ? 'bit' : 'bits'} {FAULTS[fault] ?? fault}
              </span>
            ))}
            {shown.march.stretches.length > 0 && (
              <span>
                {shown.march.stretches.length}{' '}
                {shown.march.stretches.length === 1 ? 'place' : 'places'}, the first at{' '}
                {mebibytes(shown.march.stretches[0]?.fromWord ?? 0)} of{' '}
                {mebibytes(shown.march.bytes / 8)}
              </span>
            )}
            <span>
              {shown.march.done.length === 0
                ? `Now: ${shown.march.algorithm}`
                : `Ran whole: ${shown.march.done.join(', ')}`}
            </span>
            {shown.endedAt !== null && <span>{when(shown.endedAt)}</span>}
          </Facts>
        </>
      )}
      {ended
        .filter((r) => r.march === null)
        .slice(0, 1)
        .map((r) => (
          <Why key={r.id}>
            {r.name} {r.endedAt !== null && when(r.endedAt)} could not run: {r.why}
          </Why>
        ))}
      {running === null && (
        <StartPart job={memory.number} part="board" starts={STARTS} lockedWhy={memory.canMarch} />
      )}
    </Sheet>
  );
}

export function marchTitle(running: DriveRun | null, ended: readonly DriveRun[]): string {
  if (running !== null) {
    const errors = running.march?.mismatches ?? 0;
    return errors === 0
      ? 'A march goes on, no error so far'
      : `A march goes on: ${count(errors)} wrong reads so far`;
  }
  const last = ended.find((r) => r.march !== null)?.march ?? null;
  if (last === null) return 'Its memory has not been marched through yet';
  if (last.where !== '') return `The march: ${last.where}`;
  if (last.mismatches > 0) return 'The march found errors and was ended before it could tell where';
  return last.passes > 0
    ? 'The march found no error in a whole pass'
    : 'The march was ended before one whole pass: no error until then';
}

const mebibytes = (words: number) => `${((8 * words) / 1_048_576).toFixed(2)} MiB`;

const Facts = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 0 16px 12px;
  font-size: 14px;
  color: ${color.ink2};
`;

const Why = styled.p`
  padding: 0 16px 12px;
  font-size: 14px;
`;
