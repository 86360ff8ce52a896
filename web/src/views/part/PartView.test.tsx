import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { PartLife } from '../../api/types';
import { answering, show } from '../../test-data';
import { PartView } from './PartView';

afterEach(() => {
  vi.unstubAllGlobals();
});

const stay = (machine: string, until: string | null) => ({
  machine,
  slot: 'Drive A',
  since: '2026-05-01T08:00:00Z',
  until,
});

const part = (more: Partial<PartLife>): PartLife => ({
  id: 5,
  kind: 'drive',
  model: 'HELM-1000S',
  serial: 'OS7K-44019-B',
  firstMet: '2026-05-01T08:00:00Z',
  stays: [],
  readings: [],
  sameAs: [],
  near: [],
  ...more,
});

it('says how far it has come, and leads to what it said', async () => {
  answering(() => [
    200,
    part({
      stays: [stay('Tarnwick', null), stay('Ostrel', '2026-06-01T08:00:00Z')],
      readings: [{ id: 'r-1', takenAt: '2026-05-02T08:00:00Z', job: 'J-1', machine: 'Ostrel' }],
    }),
  ]);
  show(<PartView />, '/part/5', '/part/:id');

  expect(
    await screen.findByRole('heading', { name: 'Drive that has been in 2 machines' }),
  ).toBeVisible();
  expect(screen.getByRole('link', { name: 'J-1' })).toHaveAttribute('href', '/job/J-1');
});

it('offers what may be the same part, and takes it apart again', async () => {
  const other = { id: 6, model: null, serial: '0S7K44019B', how: 'look alike', lastSeen: 'never' };
  const sent = answering((method) =>
    method === 'GET'
      ? [200, part({ stays: [stay('Ostrel', null)], near: [other], sameAs: [{ ...other, id: 8 }] })]
      : [204, null],
  );
  show(<PartView />, '/part/5', '/part/:id');

  await userEvent.click(await screen.findByRole('button', { name: 'It is the same' }));
  await userEvent.click(screen.getByRole('button', { name: 'Take apart again' }));

  expect(sent.filter((s) => s.method !== 'GET').map((s) => `${s.method} ${s.path}`)).toEqual([
    'PUT /api/parts/5/same/6',
    'DELETE /api/parts/5/same/8',
  ]);
});
