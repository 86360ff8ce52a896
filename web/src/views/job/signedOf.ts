import type { DriveHolds, DriveSigned } from '../../api/types';

/**
 * What was ticked, as it is signed for: a drive's key is all of it; the key and a number are one of
 * the things that would be lost with it.
 */
export function signedOf(open: DriveHolds[], chosen: string[]): DriveSigned[] {
  return open.flatMap((d): DriveSigned[] => {
    if (chosen.includes(d.partKey)) {
      return [{ partKey: d.partKey, scope: 'ALL_DATA', holdings: [] }];
    }
    const shown = d.open.filter((h) => h.holding.kind !== 'NOT_SURVEYED');
    const holdings = shown
      .filter((_, i) => chosen.includes(`${d.partKey} ${i}`))
      .map((h) => h.holding);
    return holdings.length === 0 ? [] : [{ partKey: d.partKey, scope: 'HOLDINGS', holdings }];
  });
}
