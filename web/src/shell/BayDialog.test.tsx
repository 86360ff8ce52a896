import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, job, show } from '../test-data';
import { BayDialog } from './BayDialog';

afterEach(() => {
  vi.unstubAllGlobals();
});

const CODE = { code: 'K7QX-4M2P', expiresAt: '2026-11-23T10:00:00Z', machine: 'this:drives' };

it('shows the code with the command that uses it', async () => {
  answering((_, path) => (path === '/api/authority' ? [404, {}] : [200, CODE]));
  show(<BayDialog bay={4} probe={null} onClose={vi.fn()} />);
  expect(screen.getByRole('heading', { name: 'Bay 4 has no probe' })).toBeVisible();
  expect(screen.queryByRole('button', { name: /Revoke/ })).toBeNull();

  await userEvent.click(screen.getByRole('button', { name: 'Show an enrolment code' }));

  expect(await screen.findByText('K7QX-4M2P')).toBeVisible();
  expect(screen.getByText(/--link http\S+ --code K7QX-4M2P --machine this:drives/)).toBeVisible();
});

it('gives the command the authority that the probe is to know the server by', async () => {
  const authority = { name: 'CN=Harbour', fingerprint: 'sha256:ab12', validUntil: '', pem: '' };
  answering((_, path) => [200, path === '/api/authority' ? authority : CODE]);
  show(<BayDialog bay={4} probe={null} onClose={vi.fn()} />);

  await userEvent.click(screen.getByRole('button', { name: 'Show an enrolment code' }));

  expect(await screen.findByText(/ --authority sha256:ab12 --code K7QX-4M2P /)).toBeVisible();
});

it('says whether the probe is connected and lets it be revoked', async () => {
  const sent = answering(() => [204, null]);
  const onClose = vi.fn();
  const probe = job().bay?.probe ?? null;
  show(<BayDialog bay={1} probe={probe} onClose={onClose} />);
  expect(screen.getByRole('heading', { name: 'The probe in bay 1 is connected' })).toBeVisible();

  await userEvent.click(screen.getByRole('button', { name: 'Revoke this probe' }));

  await waitFor(() => {
    expect(onClose).toHaveBeenCalled();
  });
  expect(sent.filter((s) => s.method !== 'GET')).toMatchObject([
    { method: 'DELETE', path: '/api/bays/1/probe' },
  ]);
});
