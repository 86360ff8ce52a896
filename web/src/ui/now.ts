/** By how much the shop's clock is ahead of this browser's, in milliseconds. */
let aheadMs = 0;

/** Told with the session: whatever this computer's clock shows, the shop's counts. */
export function shopClockShows(iso: string): void {
  const shown = Date.parse(iso);
  if (!Number.isNaN(shown)) aheadMs = shown - Date.now();
}

/** What the shop's clock shows now. */
export const shopNow = (): Date => new Date(Date.now() + aheadMs);
