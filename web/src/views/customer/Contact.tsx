import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { object } from 'valibot';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { CustomerLife } from '../../api/types';
import { Button } from '../../ui/Button';
import { CheckedField } from '../../ui/form/CheckedField';
import { perhaps, perhapsMail, said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { Row } from '../../ui/Layout';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { OwnersLanguage } from './OwnersLanguage';

const CONTACT = object({ name: said(200), phone: perhaps(60), email: perhapsMail() });

interface ContactProps {
  customer: CustomerLife;
  /** The counter and the lead change it. */
  canChange: boolean;
}

/** How a customer is reached, and in which language they read. */
export function Contact({ customer, canChange }: ContactProps) {
  const [changing, setChanging] = useState(false);
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.customer.contact.contact')}</Lead>
      </SheetHead>
      <Facts>
        <dt>{t('web.customer.contact.phone')}</dt>
        <dd>
          {customer.phone === null ? (
            t('web.customer.contact.not-said')
          ) : (
            <a href={`tel:${customer.phone.replace(/[^+\d]/g, '')}`}>{customer.phone}</a>
          )}
        </dd>
        <dt>{t('web.customer.contact.e-mail')}</dt>
        <dd>
          {customer.email === null ? (
            t('web.customer.contact.not-said')
          ) : (
            <a href={`mailto:${customer.email}`}>{customer.email}</a>
          )}
        </dd>
      </Facts>
      <Controls>
        <OwnersLanguage customer={customer.id} language={customer.language} />
        {canChange && (
          <Button onPress={() => setChanging(true)}>
            {t('web.customer.contact.change-the-contact')}
          </Button>
        )}
      </Controls>
      {changing && <Change customer={customer} onClose={() => setChanging(false)} />}
    </Sheet>
  );
}

function Change({ customer, onClose }: { customer: CustomerLife; onClose: () => void }) {
  const call = useCall(keys.customer(String(customer.id)), keys.floor, ['job']);
  const { control, handleSubmit } = useChecked(CONTACT, {
    name: customer.name,
    phone: customer.phone ?? '',
    email: customer.email ?? '',
  });
  const send = handleSubmit((body) =>
    call.mutate(
      () => api.PUT('/api/customers/{id}', { params: { path: { id: customer.id } }, body }),
      { onSuccess: onClose },
    ),
  );
  return (
    <Modal
      title={t('web.customer.contact.how-is-reached', { name: customer.name })}
      isOpen
      onClose={onClose}
    >
      <Form onSubmit={send} noValidate>
        <CheckedField control={control} name="name" label={t('web.customer.contact.name')} />
        <CheckedField
          control={control}
          name="phone"
          type="tel"
          label={t('web.customer.contact.phone')}
        />
        <CheckedField
          control={control}
          name="email"
          type="email"
          label={t('web.customer.contact.e-mail')}
        />
        {call.isError && <ProblemNote error={call.error} />}
        <Row>
          <Button primary type="submit" isPending={call.isPending}>
            {t('web.customer.contact.keep-the-contact')}
          </Button>
          <Button onPress={onClose}>{t('web.customer.customer-view.leave-it')}</Button>
        </Row>
      </Form>
    </Modal>
  );
}

const Facts = styled.dl`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px 16px;
  padding: 0 16px 12px;
  overflow-wrap: anywhere;
`;

const Controls = styled(Row)`
  padding: 0 16px 14px;
`;

const Form = styled.form`
  display: grid;
  gap: 12px;
`;
