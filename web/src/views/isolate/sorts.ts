import { t } from '../../words/words';
import type { Isolation } from '../../api/types';

export type Sort = Isolation['sort'];

/** What can be isolated beside memory, by its address. */
export const SORTS: readonly { sort: Sort; path: string; words: string; hint: string }[] = [
  {
    sort: 'OUTSIDE',
    path: 'outside',
    words: t('web.isolate.sorts.what-is-plugged-in'),
    hint: t('web.isolate.sorts.everything-that-can-be-unplugged-printer'),
  },
  {
    sort: 'START_UP',
    path: 'start-up',
    words: t('web.isolate.sorts.start-up-items'),
    hint: t('web.isolate.sorts.every-program-that-starts-with-the'),
  },
  {
    sort: 'SERVICES',
    path: 'services',
    words: t('web.isolate.sorts.third-party-services'),
    hint: t('web.isolate.sorts.every-service-that-did-not-come'),
  },
  {
    sort: 'UPDATES',
    path: 'updates',
    words: t('web.isolate.sorts.recent-updates'),
    hint: t('web.isolate.sorts.every-update-since-it-last-ran'),
  },
  {
    sort: 'CHAIN',
    path: 'chain',
    words: t('web.isolate.sorts.drive-cable-port-and-machine'),
    hint: t('web.isolate.sorts.what-it-came-with-first-then'),
  },
];

export const sortOf = (path: string): Sort => SORTS.find((s) => s.path === path)?.sort ?? 'OUTSIDE';

/** What it did if it did not fail: a start of memory runs a test. */
export const passedWord = (sort: Sort) =>
  sort === 'MEMORY' ? t('web.isolate.sorts.passed') : t('web.isolate.sorts.ran');

/** Kinds of a chain; exactly one of each is in play. */
export const KINDS = ['drive', 'cable', 'port', 'machine'] as const;
