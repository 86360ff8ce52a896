import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { CustomerLife } from '../../api/types';
import { answering, session, show } from '../../test-data';
import { CustomerView } from './CustomerView';

afterEach(() => {
  vi.unstubAllGlobals();
});

const VISIT: CustomerLife['jobs'][number] = {
  number: 'J-2263',
  machine: 'Ostrel 17',
  machineSerial: 'OS17-0042',
  complaint: 'Slow since spring',
  found: 'Drive A is failing',
  decided: 'Replace drive A',
  takenInAt: '2026-03-02T08:00:00Z',
  endedAt: '2026-03-04T15:00:00Z',
  endedHow: 'HANDED_BACK',
  paid: 187.5,
  currency: 'EUR',
};

const CUSTOMER: CustomerLife = {
  id: 12,
  name: 'Bakery on the quay',
  phone: '+47 555 10 20',
  email: null,
  language: null,
  erasedAt: null,
  jobs: [
    { ...VISIT, number: 'J-2291', endedAt: null, endedHow: null, paid: null, decided: null },
    { ...VISIT, number: 'J-2280', machine: 'Norrvik mini', machineSerial: null },
    VISIT,
  ],
  agreed: [
    {
      job: 'J-2263',
      what: 'ESTIMATE_BY_PHONE',
      words: 'Replace drive A',
      signer: 'Ada Lund',
      at: '2026-03-02T11:00:00Z',
      upTo: 200,
      currency: 'EUR',
      fromElsewhere: false,
      revoked: false,
    },
  ],
};

function open(role: 'TECHNICIAN' | 'COUNTER', customer = CUSTOMER) {
  const sent = answering((method, path) =>
    path === '/api/session' ? [200, session(role)] : method === 'GET' ? [200, customer] : [204, ''],
  );
  show(<CustomerView />, '/customer/12', '/customer/:id');
  return sent;
}

it('tells each machine with its visits, and what was agreed', async () => {
  open('TECHNICIAN');

  expect(
    await screen.findByRole('heading', { name: 'Bakery on the quay: 1 machine in the shop' }),
  ).toBeVisible();
  expect(screen.getByText('3 visits of 2 machines since 2 Mar 2026')).toBeVisible();
  expect(screen.getAllByRole('heading', { level: 3 }).map((h) => h.textContent)).toEqual([
    'Ostrel 17 OS17-0042',
    'Norrvik mini ',
  ]);
  expect(screen.getAllByText('handed back, €187.50 paid')).toHaveLength(2);
  expect(screen.getByText('Estimate agreed by phone at most €200.00')).toBeVisible();
  expect(screen.queryByRole('button', { name: /Change the contact/ })).toBeNull();
});

it('changes how the customer is reached, and says at its field what does not hold', async () => {
  const sent = open('COUNTER');
  await userEvent.click(await screen.findByRole('button', { name: 'Change the contact…' }));
  const dialog = within(await screen.findByRole('dialog'));
  const mail = dialog.getByRole('textbox', { name: 'E-mail' });
  await userEvent.type(mail, 'ada at example');
  await userEvent.clear(dialog.getByRole('textbox', { name: 'Phone' }));
  await userEvent.click(dialog.getByRole('button', { name: 'Keep the contact' }));

  expect(await dialog.findByText('An address such as name@example.org.')).toBeVisible();
  expect(mail).toHaveFocus();
  expect(sent.filter((s) => s.method === 'PUT')).toEqual([]);

  await userEvent.clear(mail);
  await userEvent.type(mail, 'ada@example.org{Enter}');

  await waitFor(() => {
    expect(sent.find((s) => s.method === 'PUT')).toEqual({
      method: 'PUT',
      path: '/api/customers/12',
      body: { name: 'Bakery on the quay', phone: null, email: 'ada@example.org' },
    });
  });
});
