import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import type { KnowHowChoices } from '../../api/types';
import { CheckedField } from '../../ui/form/CheckedField';
import { CheckedTicks } from '../../ui/form/CheckedTicks';
import { t } from '../../words/words';
import { Pair } from './parts';
import type { MOVE_WORDS } from './moveWords';

interface MoveWordsFieldsProps<V extends FieldValues, O> {
  /** Of a form that has all fields of `MOVE_WORDS`. */
  control: Control<V, unknown, O>;
  choices: KnowHowChoices;
}

/** What a move says: its name, what for, minutes, steps and what it needs. */
export function MoveWordsFields<V extends FieldValues, O>({
  control,
  choices,
}: MoveWordsFieldsProps<V, O>) {
  const at = (name: keyof typeof MOVE_WORDS) => ({ control, name: name as FieldPath<V> });
  return (
    <>
      <CheckedField
        {...at('name')}
        label={t('web.know-how.editors.name')}
        hint={t('web.know-how.editors.stands-for-the-part-it-is')}
        maxLength={120}
      />
      <CheckedField
        {...at('purpose')}
        label={t('web.know-how.editors.why-it-is-worth-doing')}
        maxLength={300}
      />
      <Pair>
        <CheckedField
          {...at('handsOn')}
          label={t('web.know-how.editors.minutes-of-hands')}
          inputMode="numeric"
        />
        <CheckedField
          {...at('waiting')}
          label={t('web.know-how.editors.minutes-of-waiting')}
          inputMode="numeric"
        />
      </Pair>
      <CheckedField
        {...at('steps')}
        label={t('web.know-how.editors.what-to-do-a-step-a')}
        hint={t('web.know-how.editors.30-at-the-end-of-a')}
        area
      />
      <CheckedField
        {...at('needs')}
        label={t('web.know-how.editors.what-is-needed-a-thing-a')}
        area
      />
      <CheckedTicks
        {...at('families')}
        label={t('web.know-how.editors.offered-for-these-complaints-none-ticked')}
        options={choices.families}
      />
    </>
  );
}
