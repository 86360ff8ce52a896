import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { DriveData } from '../../api/types';
import { answering, runData as run, show } from '../../test-data';
import { DriveView } from './DriveView';

afterEach(() => {
  vi.unstubAllGlobals();
});

const drive = (more: Partial<DriveData> = {}): DriveData => ({
  job: 'J-2291',
  machine: 'Ostrel 17 laptop',
  partKey: 'drive-a',
  partId: 7,
  slot: 'Drive A',
  model: 'HELM-1000S',
  serial: 'OS7K-44019-B',
  about: '1 TB disk, 5,400 turns a minute, firmware HS04',
  suspicion: 'IMPLICATED',
  finding: '74 sectors are pending',
  decisive: null,
  metBefore: null,
  probeOnline: true,
  reading: false,
  visits: [
    { readingId: 'a', takenAt: '2026-03-14T10:00:00Z', job: 'J-1804' },
    { readingId: 'b', takenAt: '2026-11-23T10:00:00Z', job: 'J-2291' },
  ],
  rows: [
    {
      key: '197',
      label: '197',
      name: 'Pending sectors',
      unit: '',
      rule: 'COUNT_32',
      values: [0, 74],
      change: '+74',
      bad: true,
      stand: {
        among: '38 of the model HELM-1000S at similar hours',
        others: 38,
        lower: 0,
        median: 0,
        upper: 2,
        highest: 60,
        share: 1,
      },
      page: 'ata-smart',
      offset: 103,
      length: 6,
    },
    {
      key: '199',
      label: '199',
      name: 'Link errors',
      unit: '',
      rule: 'COUNT_32',
      values: [null, 0],
      change: 'same',
      bad: false,
      stand: null,
      page: 'ata-smart',
      offset: 115,
      length: 6,
    },
  ],
  trends: [],
  outlook: {
    days: [
      { days: 30, probability: 0.19, low: 0.07, high: 0.35 },
      { days: 90, probability: 0.38, low: 0.16, high: 0.62 },
      { days: 365, probability: 0.62, low: 0.3, high: 0.86 },
    ],
    drivers: [
      {
        group: 'scan',
        words: '74 sectors are pending',
        relativeRisk: 39,
        low: 20,
        high: 60,
        source: 'FAST 2007',
      },
    ],
  },
  survival: [],
  survivalNote: '3 of this model met so far: too few to tell how long they last',
  runs: [],
  surveyed: null,
  starts: [
    {
      kind: 'SURFACE_SCAN',
      name: 'Surface scan',
      about: 'reads everything',
      lockedWhy: 'It loads a drive that is failing.',
      opens: 'Opens when a copy is verified.',
    },
    {
      kind: 'SURFACE_SAMPLE',
      name: 'Surface sample',
      about: 'reads a sample',
      lockedWhy: null,
      opens: null,
    },
  ],
  latestReading: 'b',
  pages: [{ kind: 'ata-smart', name: 'SMART READ DATA', got: true, why: null }],
  ...more,
});

function open(data: DriveData, more?: (method: string, path: string) => [number, unknown]) {
  answering((method, path) => {
    if (method === 'GET' && path.endsWith('/parts/drive-a')) return [200, data];
    return more === undefined ? [404, {}] : more(method, path);
  });
  show(<DriveView />, '/drive/J-2291/drive-a', '/drive/:number/:partKey');
}

it('has the finding as its title, and what changed before the rest', async () => {
  open(drive());

  expect(
    await screen.findByRole('heading', { name: 'Drive A: 74 sectors are pending' }),
  ).toBeVisible();
  expect(screen.getByText('+74')).toBeVisible();
  expect(screen.queryByText('Link errors')).toBeNull();
});

it('shows what was not reported as that, never as 0', async () => {
  open(drive());

  await userEvent.click(await screen.findByRole('button', { name: 'Show all 2 values' }));

  expect(screen.getByText('Link errors')).toBeVisible();
  expect(screen.getByText('not reported')).toBeVisible();
});

it('says where the drive stands among others in words', async () => {
  open(drive());

  expect(await screen.findByRole('img', { name: /higher than 100 in 100 of 38/ })).toBeVisible();
});

it('gives the outlook as a range, with what drove it', async () => {
  open(drive());

  expect(await screen.findByText(/16 to 62 in 100 failed within 90 days/)).toBeVisible();
  expect(screen.getByText(/39 times likelier \(20 to 60\), FAST 2007/)).toBeVisible();
});

it('locks what would load a failing drive and says what opens it', async () => {
  const asked: string[] = [];
  open(drive(), (method, path) => {
    asked.push(`${method} ${path}`);
    return [202, { id: 'r1' }];
  });

  await userEvent.click(await screen.findByRole('button', { name: 'Test…' }));
  expect(screen.getByRole('button', { name: 'Start this run: Surface scan' })).toBeDisabled();
  expect(screen.getByText(/Opens when a copy is verified/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Start this run: Surface sample' }));

  expect(asked).toContain('POST /api/jobs/J-2291/parts/drive-a/runs');
});

it('shows a running pass with its end and lets it be paused', async () => {
  const sent: string[] = [];
  const running = run({
    state: 'RUNNING',
    share: 0.61,
    end: null,
    endedAt: null,
    likelyEnd: '2026-11-23T13:55:00Z',
    spreadSeconds: 700,
  });
  open(drive({ runs: [running] }), (method, path) => {
    sent.push(`${method} ${path}`);
    return method === 'GET' ? [200, running] : [204, undefined];
  });

  expect(await screen.findByText(/Ends about .* ± 12 min/)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Test…' })).toBeDisabled();
  await userEvent.click(screen.getByRole('button', { name: 'Pause' }));

  expect(sent).toContain('POST /api/runs/r1/pause');
});

it('tells how each test ended: failed, could not run and passed are three things', async () => {
  open(
    drive({
      runs: [
        run({ id: '1', end: 'COULD_NOT_RUN', why: 'no such device' }),
        run({
          id: '2',
          name: 'Short self-test',
          result: {
            kind: 'self-test',
            passed: false,
            words: 'Its short self-test failed at sector 99',
            firstFailingSector: 99,
          },
        }),
        run({
          id: '3',
          name: 'Extended self-test',
          result: {
            kind: 'self-test',
            passed: true,
            words: 'Its extended self-test passed',
            firstFailingSector: null,
          },
        }),
      ],
    }),
  );

  expect(await screen.findByText('could not run')).toBeVisible();
  expect(screen.getByText('Its short self-test failed at sector 99')).toBeVisible();
  expect(screen.getByText('Its extended self-test passed')).toBeVisible();
});
