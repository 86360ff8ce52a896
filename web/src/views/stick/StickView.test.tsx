import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { StickContent, StickVisit } from '../../api/types';
import { answering, choose, floor, floorJob, show, whatIsMissing } from '../../test-data';
import { StickView } from './StickView';

const VISIT: StickVisit = {
  id: '7a',
  machine: 'Ostrel 17',
  serial: 'OS-4411',
  from: '2026-11-23T10:00:00Z',
  to: '2026-11-23T11:00:00Z',
  readings: 4,
  runs: ['Surface scan of HELM-1000S OS7K: 3 sectors unreadable'],
  takenInto: null,
  proposed: 'J-2301',
};

const FLOOR = floor(
  floorJob({ number: 'J-2301', machine: 'Ostrel 17' }),
  floorJob({ number: 'J-2302', machine: 'Tarnwick tower' }),
);

function open(content: StickContent) {
  let taken: string | null = null;
  const sent = answering((method, path) => {
    if (method === 'POST' && path === '/api/stick/visits') {
      const visits = content.visits.map((visit) => ({ ...visit, takenInto: taken }));
      return [200, { ...content, visits }];
    }
    if (method === 'POST') {
      taken = path.split('/')[3] ?? null;
      return [201, { readings: 4, runs: 1, known: 0 }];
    }
    if (path === '/api/stick') return [200, { key: 'x25519:ab' }];
    if (path === '/api/authority') return [200, { fingerprint: 'sha256:1f' }];
    return [200, FLOOR];
  });
  show(<StickView />, '/stick', '/stick');
  return () => sent.filter((s) => s.method === 'POST').map((s) => s.path);
}

async function chooseFile() {
  await screen.findByRole('button', { name: 'Choose the file' });
  const input = document.querySelector<HTMLInputElement>('input[type=file]');
  if (input === null) throw new Error('no file can be chosen');
  await userEvent.upload(input, new File(['{}'], 'kept.tek'));
}

it('takes what was kept into the job that has its serial', async () => {
  const sent = open({ visits: [VISIT], unopened: 0 });
  await chooseFile();

  expect(
    await screen.findByRole('heading', {
      level: 1,
      name: '1 machine is kept on this stick, 1 to take in',
    }),
  ).toBeVisible();
  expect(screen.getByText(/3 sectors unreadable/)).toBeVisible();
  await userEvent.click(await screen.findByRole('button', { name: 'Take into J-2301' }));

  expect(await screen.findByText(/All of it is in/)).toBeVisible();
  expect(screen.getByRole('link', { name: 'J-2301' })).toHaveAttribute('href', '/job/J-2301');
  expect(sent()).toEqual([
    '/api/stick/visits',
    '/api/jobs/J-2301/stick-visits/7a',
    '/api/stick/visits',
  ]);
});

it('says so where no job has its serial, and what does not open', async () => {
  open({ visits: [{ ...VISIT, proposed: null }], unopened: 2 });
  await chooseFile();

  expect(await screen.findByText(/2 more are sealed to another shop's key/)).toBeVisible();
  expect(await screen.findByText(/No open job has this serial/)).toBeVisible();
  expect(await whatIsMissing(screen.getByRole('button', { name: 'Take in' }))).toContain('its job');
});

it('warns where another job than the chosen one has its serial', async () => {
  open({ visits: [VISIT], unopened: 0 });
  await chooseFile();
  await choose('Its job', 'J-2302 · Tarnwick tower');

  expect(screen.getByText('This serial is that of the machine in J-2301.')).toBeVisible();
});

it('gives the whole command that makes a stick of this shop', async () => {
  open({ visits: [], unopened: 0 });
  expect(
    await screen.findByText(
      /stick --out stick.img --server \S+ --authority sha256:1f --stick-key x25519:ab/,
    ),
  ).toBeVisible();
});
