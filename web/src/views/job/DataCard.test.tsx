import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Waiver } from '../../api/types';
import { answering, job, show, whatIsMissing } from '../../test-data';
import { DataCard } from './DataCard';

afterEach(() => {
  vi.unstubAllGlobals();
});

const DRIVE = { model: 'HELM-1000S', serial: 'OS7K-44019-B', sizeBytes: 1_000_204_886_016 };

const WRITTEN: Waiver = {
  id: 4,
  drive: DRIVE,
  scope: 'ALL_DATA',
  holdings: [],
  wording: 'I do not need the data on the drive HELM-1000S.',
  signer: 'Bakery on the quay',
  onScreen: false,
  recordedBy: 'Ines R.',
  recordedAt: '2026-11-23T09:00:00Z',
  confirmedBy: null,
  revokedAt: null,
  inForce: false,
};

async function open(waivers: Waiver[] = []) {
  const shown = job();
  show(<DataCard job={{ ...shown, data: { ...shown.data, waivers } }} />);
  await userEvent.click(screen.getByRole('button', { name: /Data wanted/ }));
}

function draw() {
  const pad = screen.getByRole('img', { name: /sign in with pen/ });
  Object.assign(pad, { setPointerCapture: () => undefined });
  fireEvent.pointerDown(pad, { clientX: 10, clientY: 10, pointerId: 1 });
  fireEvent.pointerMove(pad, { clientX: 30, clientY: 40, pointerId: 1 });
  fireEvent.pointerUp(pad, { pointerId: 1 });
}

it('signs for a drive by name, drawn on the screen', async () => {
  const sent = answering(() => [201, null]);
  await open();
  const sign = screen.getByRole('button', { name: 'Sign: this may be erased' });
  await userEvent.click(screen.getByRole('checkbox', { name: /All of drive A: HELM-1000S/ }));
  await userEvent.type(screen.getByLabelText(/full name/), 'Bakery on the quay');
  expect(await whatIsMissing(sign)).toBe('Still missing: a signature.');

  draw();
  await userEvent.click(sign);

  await waitFor(() => {
    expect(sent.find((c) => c.path === '/api/jobs/J-1/waivers')?.body).toMatchObject({
      version: 7,
      signer: 'Bakery on the quay',
      signature: expect.stringMatching(/^M/) as string,
      drives: [{ partKey: 'drive-a', scope: 'ALL_DATA', holdings: [] }],
    });
  });
});

it('gives up only what is ticked, and without a drawing only writes it down', async () => {
  const sent = answering(() => [201, null]);
  await open();
  await userEvent.click(screen.getByRole('checkbox', { name: /folder Users of volume 2/ }));
  await userEvent.type(screen.getByLabelText(/full name/), 'Bakery on the quay');

  await userEvent.click(screen.getByRole('button', { name: 'Write down the owner’s word' }));

  await waitFor(() => {
    expect(sent.find((c) => c.path === '/api/jobs/J-1/waivers')?.body).toMatchObject({
      signature: null,
      drives: [
        {
          partKey: 'drive-a',
          scope: 'HOLDINGS',
          holdings: [{ kind: 'FOLDER', volume: 2, path: 'Users', files: 812, bytes: 80e9 }],
        },
      ],
    });
  });
});

it('says that a written word waits for a second person, who can confirm it', async () => {
  const sent = answering(() => [204, null]);
  await open([WRITTEN]);
  expect(screen.getByText(/opens nothing until a second person confirms/)).toBeVisible();

  await userEvent.click(screen.getByRole('button', { name: /confirm/ }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/waivers/4/confirm',
      body: { version: 7 },
    });
  });
});

it('offers no way to say that a copy was made', async () => {
  await open();

  expect(screen.queryByRole('button', { name: /cop(y|ied)/i })).toBeNull();
});

it('stays open with the reason when the server refuses', async () => {
  answering(() => [
    400,
    { detail: 'That is not the customer.', kept: 'Nothing was changed.', toDo: 'Look again.' },
  ]);
  await open();
  await userEvent.click(screen.getByRole('checkbox', { name: /All of drive A/ }));
  await userEvent.type(screen.getByLabelText(/full name/), 'Tobias Haas');

  await userEvent.click(screen.getByRole('button', { name: 'Write down the owner’s word' }));

  expect(await screen.findByRole('alert')).toHaveTextContent('That is not the customer.');
});
