import { t } from '../../words/words';
import { useState } from 'react';
import { Field } from '../../ui/Field';
import { shopNow } from '../../ui/now';
import { Card } from './Card';
import { Choices } from './Choices';
import type { StepProps } from './stepProps';

/** A moment of the shop's day, some days on. */
function at(days: number, hour: number): Date {
  const day = shopNow();
  day.setDate(day.getDate() + days);
  day.setHours(hour, 0, 0, 0);
  return day;
}

/** Times that are often promised, from now on. */
function promiseOffers() {
  const offers: [Date, string][] = [
    [at(0, 17), t('web.intake.cards.today-17-00')],
    [at(1, 12), t('web.intake.cards.tomorrow-12-00')],
    [at(1, 17), t('web.intake.cards.tomorrow-17-00')],
    [at(3, 17), t('web.intake.cards.in-three-days')],
    [at(7, 17), t('web.intake.cards.in-a-week')],
  ];
  return offers
    .filter(([time]) => time.getTime() > shopNow().getTime())
    .map(([time, name]) => ({ id: time.toISOString(), name, hint: '' }));
}

const local = (iso: string) => {
  const at = new Date(iso);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
};

export function PromiseCard({ answers, change, onNext, onSkip }: StepProps) {
  const [offers] = useState(promiseOffers);
  return (
    <Card
      title={t('web.intake.cards.when-shall-it-be-ready')}
      hint={t('web.intake.cards.what-is-promised-stands-on-the')}
      next={
        answers.promisedAt == null
          ? t('web.intake.cards.nothing-is-promised')
          : t('web.intake.cards.promised')
      }
      onNext={() => {
        if (answers.promisedAt == null)
          change({ unknown: [...(answers.unknown ?? []), 'promise'] });
        onNext();
      }}
      onSkip={onSkip}
    >
      <Choices
        label={t('web.intake.cards.promised-for')}
        options={offers}
        chosen={answers.promisedAt == null ? [] : [new Date(answers.promisedAt).toISOString()]}
        onChoose={([id]) => change({ promisedAt: id ?? null })}
      />
      <Field
        label={t('web.intake.cards.another-time')}
        type="datetime-local"
        value={answers.promisedAt == null ? '' : local(answers.promisedAt)}
        onChange={(value) =>
          change({ promisedAt: value === '' ? null : new Date(value).toISOString() })
        }
      />
    </Card>
  );
}
