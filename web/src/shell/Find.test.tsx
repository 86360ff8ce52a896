import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import type { Hit } from '../api/types';
import { answering, show } from '../test-data';
import { Find } from './Find';

afterEach(() => {
  vi.unstubAllGlobals();
});

const hit = (number: string, serial: string | null): Hit => ({
  number,
  machine: 'Ostrel 17 laptop',
  customer: 'Bakery on the quay',
  complaint: 'Freezes',
  errorText: null,
  serial,
  suspicion: 'UNKNOWN',
  takenInAt: '2026-11-23T08:00:00Z',
  endedAt: null,
});

function Page() {
  const [open, setOpen] = useState<string | null>(null);
  return <Find open={open} onOpen={setOpen} />;
}

it('opens with a slash, finds and marks, and is driven by arrows', async () => {
  answering(() => [200, { hits: [hit('J-1', 'OST-220-7'), hit('J-2', null)], more: false }]);
  show(<Page />);

  await userEvent.keyboard('/');
  await userEvent.type(await screen.findByRole('combobox'), '2207');

  const options = await screen.findAllByRole('option');
  expect(screen.getByText('220-7').tagName).toBe('MARK');
  expect(options[0]).toHaveAttribute('aria-selected', 'true');
  await userEvent.keyboard('{ArrowDown}{ArrowDown}');
  expect(screen.getAllByRole('option')[1]).toHaveAttribute('aria-selected', 'true');
  await userEvent.keyboard('{Enter}');
  expect(screen.queryByRole('dialog')).toBeNull();
});

it('says what to do when nothing is typed or nothing is found', async () => {
  answering(() => [200, { hits: [], more: false }]);
  show(<Page />);
  await userEvent.keyboard('/');
  expect(await screen.findByText(/at least two characters/)).toBeVisible();

  await userEvent.type(screen.getByRole('combobox'), 'nowhere');

  expect(await screen.findByText(/Nothing is found/)).toBeVisible();
});
