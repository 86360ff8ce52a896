import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Knock } from '../api/types';
import { answering, choose, floor, floorJob, session, show } from '../test-data';
import { Knocks } from './Knocks';

afterEach(() => {
  vi.unstubAllGlobals();
});

const KNOCK: Knock = {
  id: '4a',
  machine: 'Ostrel 17',
  serial: 'OS-4411',
  drives: 2,
  from: '192.0.2.7',
  since: '2026-11-23T10:00:00Z',
  job: { number: 'J-2301', bay: null },
};

const FLOOR = {
  ...floor(floorJob({ number: 'J-2301', machine: 'Ostrel 17', bay: null })),
  bays: [
    { number: 1, link: 'ONLINE', job: { number: 'J-2291', machine: 'Tarnwick' } },
    { number: 2, link: 'NO_PROBE', job: null },
  ],
};

function open(
  role: 'TECHNICIAN' | 'COUNTER',
  knocks: Knock[],
  refusal: object | null = null,
  bays: object = FLOOR,
) {
  const sent = answering((method, path) => {
    if (method === 'POST') return refusal === null ? [204, null] : [409, refusal];
    return [200, path === '/api/knocks' ? knocks : bays];
  });
  const person = session(role).person;
  if (person === null) throw new Error('nobody is signed in');
  show(<Knocks person={person} />);
  return () => sent.filter((s) => s.method === 'POST');
}

it('shows who knocks and whose serial that is; the counter only looks', async () => {
  open('COUNTER', [KNOCK, { ...KNOCK, id: '4b', machine: '', serial: '', job: null }]);

  expect(
    await screen.findByText(/A machine knocks: Ostrel 17, serial OS-4411, at 192.0.2.7\./),
  ).toBeVisible();
  expect(screen.getByText(/machine of J-2301/)).toBeVisible();
  expect(screen.getByText(/maker and model not reported, serial not reported/)).toBeVisible();
  expect(screen.queryByRole('button')).toBeNull();
});

it('puts the job with its serial in a free bay, by the digits', async () => {
  const sent = open('TECHNICIAN', [KNOCK]);
  await userEvent.click(await screen.findByRole('button', { name: /Let it in/ }));
  const digits = await screen.findByRole('textbox', { name: 'Six digits on its screen' });

  await userEvent.type(digits, '12{Enter}');
  expect(await screen.findByText('Type the six digits of its screen.')).toBeVisible();
  expect(sent()).toEqual([]);
  await userEvent.clear(digits);
  await userEvent.type(digits, '048 213{Enter}');

  await waitFor(() => {
    expect(sent()).toMatchObject([
      { path: '/api/knocks/4a/let-in', body: { digits: '048213', bay: 2, job: 'J-2301' } },
    ]);
  });
});

it('gives no bay to it by itself where none is free', async () => {
  const full = { ...FLOOR, bays: FLOOR.bays.filter((bay) => bay.job !== null) };
  const sent = open('TECHNICIAN', [{ ...KNOCK, job: null }], null, full);
  await userEvent.click(await screen.findByRole('button', { name: /Let it in/ }));
  const digits = await screen.findByRole('textbox', { name: 'Six digits on its screen' });

  await userEvent.type(digits, '048213{Enter}');

  expect(await screen.findByText('Choose the bay that it stands in.')).toBeVisible();
  expect(sent()).toEqual([]);
  await choose('Bay it stands in', 'Bay 1, J-2291, Tarnwick');
  expect(screen.getByText(/What it reads goes into J-2291/)).toBeVisible();
});

it('is turned away by a button, without digits', async () => {
  const sent = open('TECHNICIAN', [KNOCK]);
  await userEvent.click(await screen.findByRole('button', { name: /Let it in/ }));
  await userEvent.click(await screen.findByRole('button', { name: 'Turn it away' }));

  await waitFor(() => {
    expect(sent()).toMatchObject([{ path: '/api/knocks/4a/turn-away' }]);
  });
});

it('warns before another machine’s bay is given to it, and says what is wrong', async () => {
  const sent = open('TECHNICIAN', [KNOCK], { detail: 'These are not the digits', toDo: 'Look' });
  await userEvent.click(await screen.findByRole('button', { name: /Let it in/ }));
  await choose('Bay it stands in', 'Bay 1, J-2291, Tarnwick');

  expect(screen.getByText(/Look twice: its serial is that of the machine of J-2301/)).toBeVisible();
  expect(screen.getByText(/The probe that bay 1 has now is revoked/)).toBeVisible();
  await userEvent.type(
    screen.getByRole('textbox', { name: 'Six digits on its screen' }),
    '048213{Enter}',
  );
  expect(await screen.findByText(/These are not the digits/)).toBeVisible();
  expect(sent()).toMatchObject([{ body: { bay: 1, job: null } }]);
});
