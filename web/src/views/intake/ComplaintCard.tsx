import { t } from '../../words/words';
import type { Script } from '../../api/types';
import { Field } from '../../ui/Field';
import { Card } from './Card';
import { Choices } from './Choices';
import type { StepProps } from './stepProps';
import { missing } from '../../ui/missing';

/** What is wrong, in the owner's words; families are heard in them and can be corrected. */
export function ComplaintCard({
  script,
  intake,
  answers,
  change,
  onNext,
  onSkip,
}: StepProps & { script: Script }) {
  const heard = answers.families == null;
  return (
    <Card
      title={t('web.intake.cards.what-is-wrong-with-it')}
      hint={t('web.intake.cards.in-the-owner-s-words')}
      next={t('web.intake.cards.that-is-it')}
      onNext={onNext}
      onSkip={onSkip}
      missing={missing([(answers.complaint ?? '').trim() !== '', t('web.missing.the-complaint')])}
    >
      <Field
        label={t('web.intake.cards.the-owner-says')}
        area
        value={answers.complaint ?? ''}
        onChange={(value) => change({ complaint: value === '' ? null : value })}
      />
      <p>
        {heard
          ? intake.families.length === 0
            ? t('web.intake.cards.no-known-complaint-is-heard-in')
            : t('web.intake.cards.heard-in-these-words-choose-others')
          : t('web.intake.cards.chosen-by-you')}
      </p>
      <Choices
        label={t('web.intake.cards.known-complaints')}
        second
        several
        options={script.families.map((f) => ({ id: f.id, name: f.name, hint: '' }))}
        chosen={intake.families}
        onChoose={(families) => change({ families })}
      />
    </Card>
  );
}

export function ErrorCard({ answers, change, onNext, onSkip }: StepProps) {
  const none = () => {
    change({ unknown: [...(answers.unknown ?? []), 'error'] });
    onNext();
  };
  return (
    <Card
      title={t('web.intake.cards.what-exactly-does-the-screen-say')}
      hint={t('web.intake.cards.error-text-or-stop-code-letter')}
      next={t('web.intake.cards.that-is-what-it-says')}
      onNext={onNext}
      onSkip={onSkip}
      onUnknown={none}
    >
      <Field
        label={t('web.intake.cards.error-text-or-stop-code')}
        area
        value={answers.errorText ?? ''}
        onChange={(value) => change({ errorText: value === '' ? null : value })}
      />
    </Card>
  );
}
