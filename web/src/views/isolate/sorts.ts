import type { Isolation } from '../../api/types';

export type Sort = Isolation['sort'];

/** What can be isolated beside memory, by its address. */
export const SORTS: readonly { sort: Sort; path: string; words: string; hint: string }[] = [
  {
    sort: 'OUTSIDE',
    path: 'outside',
    words: 'what is plugged in',
    hint: 'Everything that can be unplugged: printer, hub, outside drives, mouse.',
  },
  {
    sort: 'START_UP',
    path: 'start-up',
    words: 'start-up items',
    hint: 'Every program that starts with the system.',
  },
  {
    sort: 'SERVICES',
    path: 'services',
    words: 'third-party services',
    hint: 'Every service that did not come with the system.',
  },
  {
    sort: 'UPDATES',
    path: 'updates',
    words: 'recent updates',
    hint: 'Every update since it last ran well, newest first.',
  },
  {
    sort: 'CHAIN',
    path: 'chain',
    words: 'drive, cable, port and machine',
    hint: 'What it came with first, then spares that are known to be good.',
  },
];

export const sortOf = (path: string): Sort => SORTS.find((s) => s.path === path)?.sort ?? 'OUTSIDE';

/** What it did if it did not fail: a start of memory runs a test. */
export const passedWord = (sort: Sort) => (sort === 'MEMORY' ? 'passed' : 'ran');

/** Kinds of a chain; exactly one of each is in play. */
export const KINDS = ['drive', 'cable', 'port', 'machine'] as const;
