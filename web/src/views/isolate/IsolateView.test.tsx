import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { Isolation } from '../../api/types';
import { answering, show } from '../../test-data';
import { IsolateView, titleOf } from './IsolateView';

const things = (more: Partial<Isolation> = {}): Isolation => ({
  number: 'J-1',
  version: 5,
  machine: 'Tarnwick desk tower',
  sort: 'OUTSIDE',
  title: 'What is plugged in',
  things: ['hub', 'printer', 'camera'].map((name) => ({ kind: '', name, serial: null })),
  starts: [
    {
      id: 3,
      arrangement: [0, 1, 2],
      outcome: 'FAIL',
      note: '',
      by: 'Ines R.',
      at: '2026-11-23T08:00:00Z',
    },
  ],
  suspects: [
    { words: 'hub', probability: 0.4, suspicion: 'LEANING' },
    { words: 'camera', probability: 0.3, suspicion: 'UNKNOWN' },
  ],
  named: null,
  options: [{ arrangement: [0], words: 'hub', bits: 0.91, minutes: 5 }],
  error: 0.05,
  ...more,
});

it('offers the start that tells most, ticked, and keeps how it came out', async () => {
  const sent = answering((method) => [method === 'POST' ? 204 : 200, things()]);
  const user = userEvent.setup();
  show(<IsolateView />, '/isolate/J-1/outside', '/isolate/:number/:sort');

  expect(await screen.findByText('2 · Next: with hub')).toBeVisible();
  expect(screen.getByRole('checkbox', { name: 'hub' })).toBeChecked();
  await user.click(screen.getByRole('checkbox', { name: 'camera' }));
  await user.click(screen.getByRole('button', { name: 'It ran' }));

  expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
    version: 5,
    arrangement: [0, 2],
    outcome: 'PASS',
    note: '',
  });
});

it('has one of each kind of a chain in play', async () => {
  const chain = things({
    sort: 'CHAIN',
    things: [
      { kind: 'drive', name: 'its drive', serial: null },
      { kind: 'drive', name: 'spare drive', serial: null },
      { kind: 'cable', name: 'its cable', serial: null },
    ],
    options: [{ arrangement: [0, 2], words: 'its drive, its cable', bits: 0.5, minutes: 4 }],
  });
  const sent = answering((method) => [method === 'POST' ? 204 : 200, chain]);
  const user = userEvent.setup();
  show(<IsolateView />, '/isolate/J-1/chain', '/isolate/:number/:sort');

  await user.click(await screen.findByRole('radio', { name: 'spare drive' }));
  await user.click(screen.getByRole('button', { name: 'It failed' }));

  expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({ arrangement: [2, 1] });
});

it('takes the names of what there is, one a line', async () => {
  const empty = things({ things: [], starts: [], suspects: [], options: [] });
  const sent = answering((method) => [method === 'PUT' ? 204 : 200, empty]);
  const user = userEvent.setup();
  show(<IsolateView />, '/isolate/J-1/outside', '/isolate/:number/:sort');

  const field = await screen.findByLabelText('What there is, one a line');
  await user.click(screen.getByRole('button', { name: 'Begin the isolation' }));
  expect(await screen.findByText('Name 2 to 64 things.')).toBeTruthy();
  expect(sent.some((s) => s.method === 'PUT')).toBe(false);
  await user.type(field, 'hub{Enter}printer{Enter}hub{Enter}');
  await user.click(screen.getByRole('button', { name: 'Begin the isolation' }));

  expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({
    version: 5,
    things: [
      { kind: '', name: 'hub' },
      { kind: '', name: 'printer' },
    ],
  });
});

it('has the finding as its title', () => {
  expect(titleOf(things())).toBe('Perhaps hub, or camera: not told apart yet');
  expect(titleOf(things({ named: 'camera' }))).toBe('It is camera');
  expect(titleOf(things({ named: 'none of these' }))).toBe('It is none of these');
  expect(titleOf(things({ things: [] }))).toBe('What is plugged in: what is there?');
});
