import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { KnowHowEntry, KnowHowPreview } from '../../api/types';
import { answering, session, show } from '../../test-data';
import { changeOf } from './draft';
import { EntryView } from './EntryView';

const FAN: KnowHowEntry = {
  subject: 'FINDING',
  id: 'fan.state',
  name: 'The fan',
  version: 2,
  ships: true,
  aside: false,
  source: 'judgement',
  levels: ['turns', 'still'],
  finding: { name: 'The fan', leak: [0.98, 0.02], links: { 'fan-failed': [0.1, 0.9] } },
  cause: null,
  move: null,
  remedy: null,
  history: [
    {
      version: 1,
      change: changeOf('FINDING', 'fan.state', {
        finding: { name: 'The fan', leak: [0.98, 0.02], links: { 'fan-failed': [0.2, 0.8] } },
      }),
      reason: 'Two fans in ten still turned',
      by: 'Mara T.',
      at: '2026-11-20T09:00:00Z',
      leftOut: null,
      differences: [
        { field: 'under Failed fan', before: '10 / 90 of 100', after: '20 / 80 of 100' },
      ],
    },
    {
      version: 2,
      change: changeOf('AS_SHIPPED', 'fan.state', { subject: 'FINDING' }),
      reason: 'That was one batch',
      by: 'Mara T.',
      at: '2026-11-21T09:00:00Z',
      leftOut: null,
      differences: [
        { field: 'under Failed fan', before: '20 / 80 of 100', after: '10 / 90 of 100' },
      ],
    },
  ],
};
const CHOICES = {
  causes: [{ id: 'fan-failed', name: 'Failed fan' }],
  families: [],
  bootStages: [],
};
const PREVIEW: KnowHowPreview = {
  jobs: 40,
  decided: 12,
  rightNow: 10,
  rightThen: 9,
  otherFirst: 1,
  otherCourse: 0,
  otherMove: 1,
  moved: [
    {
      number: 'J-7',
      complaint: 'gets hot',
      decided: 'Failed fan',
      now: { first: 'Failed fan', share: 0.62, move: 'Listen', right: true },
      then: { first: 'Dust', share: 0.51, move: 'Open it', right: false },
    },
  ],
} as KnowHowPreview;

const open = (role: 'LEAD' | 'TECHNICIAN') => {
  const sent = answering((method, path) => {
    if (path === '/api/know-how/preview') return [200, PREVIEW];
    if (method === 'POST') return [204, null];
    if (path === '/api/session') return [200, session(role)];
    return [200, path.endsWith('/choices') ? CHOICES : FAN];
  });
  show(<EntryView />, '/know-how/FINDING/fan.state', '/know-how/:subject/:id');
  return sent;
};

it('puts a likelihood in force only after the last jobs were seen both ways, and with a reason', async () => {
  const sent = open('LEAD');
  const user = userEvent.setup();
  expect(await screen.findByRole('heading', { name: 'The fan: as it ships again' })).toBeTruthy();
  const row = await screen.findByRole('row', { name: /Failed fan/ });
  const [turns, still] = within(row).getAllByRole('textbox') as [HTMLElement, HTMLElement];
  await user.clear(turns);
  await user.type(turns, '30');
  expect(screen.getByText('Comes to 120, not to 100.')).toBeTruthy();
  const propose = screen.getByRole('button', { name: 'What would it have changed?' });
  await user.click(propose);
  expect(await screen.findByText('Each row comes to 100.')).toBeTruthy();
  expect(sent.some((s) => s.path === '/api/know-how/preview')).toBe(false);
  await user.clear(still);
  await user.type(still, '70');
  await user.click(propose);

  expect(
    await screen.findByText(
      'Another cause first in 1 of the last 40 jobs; 9 of 12 decided ones right first instead of 10',
    ),
  ).toBeTruthy();
  expect(sent.some((s) => s.path === '/api/know-how/changes')).toBe(false);
  await user.type(screen.getByRole('textbox', { name: 'Why it is changed' }), 'Seen so');
  await user.click(screen.getByRole('button', { name: 'Put it in force' }));

  expect(sent.find((s) => s.path === '/api/know-how/changes')?.body).toEqual({
    change: changeOf('FINDING', 'fan.state', {
      finding: { name: 'The fan', leak: [0.98, 0.02], links: { 'fan-failed': [0.3, 0.7] } },
    }),
    version: 2,
    reason: 'Seen so',
  });
});

it('shows everyone what it said before and why, and lets only a lead go back to it', async () => {
  open('TECHNICIAN');
  expect(await screen.findByText('Version 1: “Two fans in ten still turned”')).toBeTruthy();
  expect(screen.getByText('20 / 80 of 100 → 10 / 90 of 100')).toBeTruthy();
  expect(screen.queryByRole('button', { name: /As in version/ })).toBeNull();
  expect(screen.getByText('Changed by a lead only.')).toBeTruthy();
});
