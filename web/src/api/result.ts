import type { Run } from './types';

type Result = NonNullable<Run['result']>;

/** What a run has found so far or at its end, if it is of this kind; else null. */
export function resultOf<K extends Result['kind']>(
  run: Run | null | undefined,
  kind: K,
): Extract<Result, { kind: K }> | null {
  const result = run?.result ?? null;
  return result?.kind === kind ? (result as Extract<Result, { kind: K }>) : null;
}
