import { t } from '../../words/words';
import { useState } from 'react';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { address } from '../../api/client';
import { useCustomer, useSession } from '../../api/queries';
import type { CustomerLife } from '../../api/types';
import { Button } from '../../ui/Button';
import { day, when } from '../../ui/format';
import { Row, Stack, TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Page, Sub, Title } from '../../ui/Sheet';
import { Agreements } from './Agreements';
import { Contact } from './Contact';
import { EraseCustomer } from './EraseCustomer';
import { Machines, machinesOf } from './Machines';

/** A customer: how they are reached, what they brought, what they agreed to. */
export function CustomerView() {
  const { id = '' } = useParams();
  const customer = useCustomer(id);
  return <Loaded query={customer}>{(data) => <Shown customer={data} />}</Loaded>;
}

function Shown({ customer }: { customer: CustomerLife }) {
  const role = useSession().data?.person?.role;
  const [erasing, setErasing] = useState(false);
  const { jobs, erasedAt } = customer;
  const isKnown = erasedAt === null;
  return (
    <Page>
      <Title>
        {t('web.customer.customer-view.has-in-the-shop', {
          name: customer.name,
          n: jobs.filter((job) => job.endedAt === null).length,
        })}
      </Title>
      <Sub>
        {isKnown
          ? t('web.customer.customer-view.visits-of-machines', {
              visits: jobs.length,
              machines: machinesOf(jobs).length,
              first: jobs.length === 0 ? '' : day(jobs.at(-1)?.takenInAt ?? ''),
            })
          : t('web.customer.customer-view.personal-data-erased-what-the-machines', {
              when: when(erasedAt),
            })}
      </Sub>
      <TwoColumns>
        <Machines jobs={jobs} />
        <Stack>
          {isKnown && (
            <Contact customer={customer} canChange={role === 'LEAD' || role === 'COUNTER'} />
          )}
          <Agreements agreed={customer.agreed} />
          <Actions>
            {(role === 'LEAD' || role === 'COUNTER') && isKnown && (
              <a href={address('/api/customers/{id}/export', { id: customer.id })} download>
                {t('web.customer.customer-view.export-what-belongs-to-them')}
              </a>
            )}
            {role === 'LEAD' && isKnown && (
              <Button onPress={() => setErasing(true)}>
                {t('web.customer.customer-view.erase-the-personal-data')}
              </Button>
            )}
          </Actions>
        </Stack>
      </TwoColumns>
      {erasing && <EraseCustomer customer={customer} onClose={() => setErasing(false)} />}
    </Page>
  );
}

const Actions = styled(Row)`
  gap: 16px;
`;
