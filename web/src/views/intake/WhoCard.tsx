import { t } from '../../words/words';
import { useQuery } from '@tanstack/react-query';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Card } from './Card';
import type { StepProps } from './stepProps';
import { Row } from '../../ui/Layout';
import { upTo } from '../../theme/theme';
import { missing } from '../../ui/missing';

/** Whose it is. Somebody who was here before is offered, never assumed. */
export function WhoCard({ answers, change, onNext, onSkip }: StepProps) {
  const name = answers.customerName ?? '';
  const known = useQuery({
    queryKey: ['customers', name],
    queryFn: () => told(api.GET('/api/customers', { params: { query: { name } } })),
    enabled: name.trim().length > 1 && answers.customerId == null,
  });
  return (
    <Card
      title={t('web.intake.who-card.whose-is-it')}
      next={t('web.intake.who-card.that-is-who')}
      onNext={onNext}
      onSkip={onSkip}
      missing={missing([name.trim() !== '', t('web.missing.a-name')])}
    >
      <Fields>
        <Field
          label={t('web.intake.who-card.name-of-person-or-business')}
          value={name}
          onChange={(value) => change({ customerName: value, customerId: null })}
          autoComplete="off"
        />
        <Field
          label={t('web.intake.who-card.phone')}
          value={answers.phone ?? ''}
          onChange={(value) => change({ phone: value === '' ? null : value })}
          autoComplete="off"
        />
        <Field
          label={t('web.intake.who-card.e-mail')}
          value={answers.email ?? ''}
          onChange={(value) => change({ email: value === '' ? null : value })}
          autoComplete="off"
        />
      </Fields>
      {answers.customerId == null && (known.data?.length ?? 0) > 0 && (
        <Row aria-label={t('web.intake.who-card.here-before')}>
          <span>{t('web.intake.who-card.here-before-2')}</span>
          {known.data?.map((who) => (
            <Button
              key={who.id}
              data-do
              onPress={() =>
                change({
                  customerId: who.id,
                  customerName: who.name,
                  phone: who.phone,
                  email: who.email,
                })
              }
            >
              {who.name}
              {who.phone === null ? '' : `, ${who.phone}`} (
              {t('web.intake.who-card.words', { jobs: who.jobs })})
            </Button>
          ))}
        </Row>
      )}
      {answers.customerId != null && <p>{t('web.intake.who-card.here-before-the-job-is-added')}</p>}
    </Card>
  );
}

const Fields = styled.div`
  display: grid;
  grid-template-columns: 2fr 1fr 1fr;
  gap: 12px;
  ${upTo.middle} {
    grid-template-columns: 1fr;
  }
`;
