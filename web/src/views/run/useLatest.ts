import { useRun } from '../../api/queries';
import type { Run } from '../../api/types';

/** The run that goes on, as it is told while it goes on, and what ended before it. */
export function useLatest(runs: readonly Run[]) {
  const open = runs.find((r) => r.state !== 'ENDED');
  const live = useRun(open?.id ?? null);
  const running = open === undefined ? null : (live.data ?? open);
  return { running, ended: runs.filter((r) => r.state === 'ENDED') };
}
