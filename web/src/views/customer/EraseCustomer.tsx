import { t } from '../../words/words';
import { useState } from 'react';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { CustomerLife } from '../../api/types';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';
import { missing } from '../../ui/missing';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';

interface EraseCustomerProps {
  customer: CustomerLife;
  onClose: () => void;
}

/** Cannot be undone, so the name is typed. */
export function EraseCustomer({ customer, onClose }: EraseCustomerProps) {
  const call = useCall(keys.customer(String(customer.id)), keys.floor);
  const [name, setName] = useState('');
  return (
    <Modal
      title={t('web.customer.customer-view.erase-what-belongs-to', { name: customer.name })}
      isOpen
      onClose={onClose}
    >
      <p>{t('web.customer.customer-view.name-phone-e-mail-words-signatures')}</p>
      <Field
        label={t('web.customer.customer-view.type-the-name-as-it-stands')}
        value={name}
        onChange={setName}
        autoComplete="off"
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button
          missing={missing([name.trim() === customer.name, t('web.missing.the-name-as-it-stands')])}
          isPending={call.isPending}
          onPress={() =>
            call.mutate(
              () =>
                api.POST('/api/customers/{id}/erase', {
                  params: { path: { id: customer.id } },
                  body: { name },
                }),
              { onSuccess: onClose },
            )
          }
        >
          {t('web.customer.customer-view.erase-for-good')}
        </Button>
        <Button primary onPress={onClose}>
          {t('web.customer.customer-view.leave-it')}
        </Button>
      </Row>
    </Modal>
  );
}
