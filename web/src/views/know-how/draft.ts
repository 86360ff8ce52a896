import { t } from '../../words/words';
import type { KnowHowChange, KnowHowEntry } from '../../api/types';

/** A row of a table of likelihoods while it is typed: of 100, as text. */
export interface Row {
  /** Cause or complaint family; empty for "no cause". */
  id: string;
  values: string[];
}

type What = KnowHowChange['what'];
type Part = Partial<Omit<KnowHowChange, 'what' | 'id'>>;

/** A change with every other part left out. */
export const changeOf = (what: What, id: string, part: Part = {}): KnowHowChange => ({
  what,
  id,
  subject: null,
  likelihood: null,
  finding: null,
  cause: null,
  move: null,
  remedy: null,
  ownMove: null,
  ...part,
});

/** Of 100, without digits that come from counting in twos. */
export const ofHundredText = (p: number) => String(Math.round(p * 1e6) / 1e4);

/** @returns NaN for what is no number */
export const fromHundred = (text: string) =>
  text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')) / 100;

export const rowsOf = (byId: Record<string, number[]>): Row[] =>
  Object.entries(byId).map(([id, p]) => ({ id, values: p.map(ofHundredText) }));

export const listsOf = (rows: readonly Row[]): Record<string, number[]> =>
  Object.fromEntries(rows.map((row) => [row.id, row.values.map(fromHundred)]));

/** The rows fit the columns, whatever was typed since. */
export const fitted = (rows: readonly Row[], columns: readonly string[]): Row[] =>
  rows.map((row) => ({ ...row, values: columns.map((_, i) => row.values[i] ?? '0') }));

/** What is wrong with a row that must come to 100, or null. */
export function rowProblem(row: Row): string | null {
  const p = row.values.map(fromHundred);
  if (p.some((x) => !(x >= 0 && x <= 1))) return t('web.know-how.draft.each-is-a-number-from-0');
  const sum = p.reduce((all, x) => all + x, 0);
  if (Math.abs(sum - 1) > 1e-9)
    return t('web.know-how.draft.comes-to-not-to-100', { ofHundredText: ofHundredText(sum) });
  return null;
}

/** What a past version set, as a change to be made again; null if it was no whole entry. */
export function again(entry: KnowHowEntry, past: KnowHowChange): KnowHowChange | null {
  return ['FINDING', 'CAUSE', 'MOVE', 'REMEDY'].includes(past.what) && past.id === entry.id
    ? past
    : null;
}
