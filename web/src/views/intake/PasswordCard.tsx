import { t } from '../../words/words';
import { useState } from 'react';
import { api } from '../../api/client';
import { useCall } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { Card } from './Card';
import type { StepProps } from './stepProps';

export function PasswordCard({ intake, answers, change, onNext, onSkip }: StepProps) {
  const call = useCall(['intake', intake.id]);
  const [secret, setSecret] = useState('');
  const keep = () => {
    if (secret === '') {
      change({ unknown: [...(answers.unknown ?? []).filter((u) => u !== 'password'), 'password'] });
      onNext();
      return;
    }
    call.mutate(
      () =>
        api.PUT('/api/intakes/{id}/secret', {
          params: { path: { id: intake.id } },
          body: { secret },
        }),
      {
        onSuccess: () => {
          setSecret('');
          onNext();
        },
      },
    );
  };
  return (
    <Card
      title={t('web.intake.cards.does-it-need-a-password')}
      hint={t('web.intake.cards.sealed-at-once-a-technician-on')}
      next={secret === '' ? t('web.intake.cards.none-is-needed') : t('web.intake.cards.seal-it')}
      onNext={keep}
      onSkip={onSkip}
      isPending={call.isPending}
    >
      {intake.secretKept && (
        <Row>
          <p>{t('web.intake.cards.a-password-is-kept-sealed')}</p>
          <Button
            data-do
            onPress={() =>
              call.mutate(() =>
                api.DELETE('/api/intakes/{id}/secret', { params: { path: { id: intake.id } } }),
              )
            }
          >
            {t('web.intake.cards.forget-it')}
          </Button>
        </Row>
      )}
      <Field
        label={t('web.intake.cards.password-or-pin-of-the-machine')}
        type="password"
        value={secret}
        onChange={setSecret}
        autoComplete="off"
      />
      {call.isError && <ProblemNote error={call.error} />}
    </Card>
  );
}
