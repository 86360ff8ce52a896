import { t } from '../../words/words';
import { Field } from '../../ui/Field';
import { Card } from './Card';
import { Choices } from './Choices';
import type { StepProps } from './stepProps';

const LEFT = [
  t('web.intake.cards.adapter'),
  t('web.intake.cards.bag'),
  t('web.intake.cards.mouse'),
  t('web.intake.cards.outside-drive'),
  t('web.intake.cards.paper-with-notes'),
].map((name) => ({
  id: name,
  name,
  hint: '',
}));

export function LeftCard({ answers, change, onNext, onSkip }: StepProps) {
  const left = answers.leftWithUs ?? [];
  const named = LEFT.map((l) => l.id);
  const other = left.filter((l) => !named.includes(l)).join(', ');
  return (
    <Card
      title={t('web.intake.cards.what-stays-here-with-it')}
      hint={t('web.intake.cards.the-owner-gets-it-back-with')}
      next={
        left.length === 0 ? t('web.intake.cards.nothing-else') : t('web.intake.cards.that-is-all')
      }
      onNext={() => {
        if (answers.leftWithUs == null) change({ leftWithUs: [] });
        onNext();
      }}
      onSkip={onSkip}
    >
      <Choices
        label={t('web.intake.cards.what-stays-here')}
        several
        options={LEFT}
        chosen={left}
        onChoose={(ids) => change({ leftWithUs: ids })}
      />
      <Field
        label={t('web.intake.cards.something-else')}
        value={other}
        onChange={(value) => {
          const kept = left.filter((l) => named.includes(l));
          change({ leftWithUs: value === '' ? kept : [...kept, value.slice(0, 60)] });
        }}
      />
    </Card>
  );
}
