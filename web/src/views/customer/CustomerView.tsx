import { t } from '../../words/words';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { address, api } from '../../api/client';
import { keys, useCall, useCustomer, useSession } from '../../api/queries';
import type { CustomerLife } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Mono, Page, Sheet, Sub, Title } from '../../ui/Sheet';

/** A customer: what they brought, and what of it is personal. */
export function CustomerView() {
  const { id = '' } = useParams();
  const customer = useCustomer(id);
  return <Loaded query={customer}>{(data) => <Shown customer={data} />}</Loaded>;
}

function Shown({ customer }: { customer: CustomerLife }) {
  const role = useSession().data?.person?.role;
  const [erasing, setErasing] = useState(false);
  return (
    <Page>
      <Title>
        {customer.name}: {t('web.customer.customer-view.words', { length: customer.jobs.length })}
      </Title>
      <Sub>
        {customer.erasedAt !== null
          ? t('web.customer.customer-view.personal-data-erased-what-the-machines', {
              when: when(customer.erasedAt),
            })
          : [customer.phone, customer.email].filter((x) => x !== null).join(' · ') ||
            t('web.customer.customer-view.no-phone-or-e-mail-known')}
      </Sub>
      <Actions>
        {role !== 'TECHNICIAN' && customer.erasedAt === null && (
          <a href={address('/api/customers/{id}/export', { id: customer.id })} download>
            {t('web.customer.customer-view.export-what-belongs-to-them')}
          </a>
        )}
        {role === 'LEAD' && customer.erasedAt === null && (
          <Button onPress={() => setErasing(true)}>
            {t('web.customer.customer-view.erase-the-personal-data')}
          </Button>
        )}
      </Actions>
      <Sheet as="ul">
        {customer.jobs.map((job) => (
          <Line key={job.number}>
            <Link to={`/job/${job.number}`}>
              <Mono>{job.number}</Mono>
            </Link>
            <span>
              <b>{job.machine}</b> {job.machineSerial}
            </span>
            <span>{job.complaint}</span>
            <span>
              {when(job.takenInAt)} –{' '}
              {job.endedAt === null
                ? t('web.customer.customer-view.in-the-shop')
                : when(job.endedAt)}
            </span>
          </Line>
        ))}
      </Sheet>
      {erasing && <Erase customer={customer} onClose={() => setErasing(false)} />}
    </Page>
  );
}

function Erase({ customer, onClose }: { customer: CustomerLife; onClose: () => void }) {
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
          isDisabled={name.trim() !== customer.name}
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

const Line = styled.li`
  display: grid;
  grid-template-columns: 90px 1fr 2fr 1fr;
  gap: 12px;
  padding: 10px 16px;
  & + & {
    border-top: 1px solid ${color.line};
  }
`;

const Actions = styled(Row)`
  gap: 16px;
  margin: 12px 0;
`;
