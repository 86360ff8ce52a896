import type { CauseShare } from '../../api/types';

/** What a cause is known by on this screen. */
export const causeKey = (cause: CauseShare) => `${cause.cause}@${cause.part}`;
