import { array, object, string, type InferInput, type InferOutput } from 'valibot';
import type { KnowHowEntry } from '../../api/types';
import { lineList, minutes, said } from '../../ui/form/rules';

export type MoveWords = NonNullable<KnowHowEntry['move']>;

/** What a move says, as it is typed. */
export const MOVE_WORDS = {
  name: said(120),
  purpose: said(300),
  handsOn: minutes(),
  waiting: minutes(),
  families: array(string()),
  needs: lineList(0),
  steps: lineList(1),
};
export const MOVE = object(MOVE_WORDS);
type Typed = InferInput<typeof MOVE>;
type Checked = InferOutput<typeof MOVE>;

export const typedOf = (move: MoveWords): Typed => ({
  name: move.name,
  purpose: move.purpose,
  handsOn: String(move.handsOnMinutes),
  waiting: String(move.waitingMinutes),
  families: [...move.families],
  needs: move.needs.join('\n'),
  steps: move.steps.join('\n'),
});

export const wordsOf = (checked: Checked): MoveWords => ({
  name: checked.name,
  purpose: checked.purpose,
  handsOnMinutes: checked.handsOn,
  waitingMinutes: checked.waiting,
  families: checked.families,
  needs: checked.needs,
  steps: checked.steps,
});
