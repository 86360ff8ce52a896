import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Job, PlanWork, WorkStep } from '../../api/types';
import { answering, job, show, whatIsMissing } from '../../test-data';
import { Work } from './Work';

afterEach(() => {
  vi.unstubAllGlobals();
});

const step = (id: string, name: string, more: Partial<WorkStep> = {}): WorkStep => ({
  id,
  name,
  state: 'WAITS_FOR_STEP',
  stateWords: 'waits for step 1',
  handsOn: 0,
  waiting: 0,
  move: null,
  invasiveness: null,
  course: null,
  recovers: false,
  part: null,
  branch: null,
  instructions: [],
  ...more,
});

const DRIVE = step('replace-drive', 'Replace the drive', {
  state: 'NEXT',
  stateWords: 'to be done now',
  handsOn: 60,
  waiting: 120,
  invasiveness: 'OPENS_CASE',
});

function open(steps: WorkStep[], at: number, shown: Job = job()) {
  const work: PlanWork = {
    words: 'Recover the data, then replace drive A',
    decidedBy: 'Ines R.',
    decidedAt: '2026-11-30T10:41:00Z',
    at,
    steps: [...steps, step('show', 'Show that it is gone'), step('hand-back', 'Hand it back')],
  };
  const sent = answering((method, path) =>
    method !== 'GET'
      ? [204, null]
      : [200, path.includes('session') ? { person: { role: 'TECHNICIAN' } } : shown],
  );
  show(<Work job={shown} work={work} isTitle />);
  return sent;
}

it('says which step it is at, and what the others wait for', () => {
  open(
    [
      step('recover-data', 'Recover the data', {
        state: 'DONE',
        stateWords: 'data copy verified',
        recovers: true,
      }),
      DRIVE,
    ],
    2,
  );

  expect(
    screen.getByRole('heading', {
      level: 1,
      name: 'Recover the data, then replace drive A: step 2 of 3',
    }),
  ).toBeVisible();
  expect(screen.getByText('data copy verified')).toBeVisible();
  expect(screen.getByText('60 min hands-on, 120 min by itself')).toBeVisible();
});

it('says how the next step is done, with a timer where it waits', async () => {
  open(
    [
      {
        ...DRIVE,
        instructions: [
          { words: 'Hold the power button.', waitSeconds: 10 },
          { words: 'Open the case.', waitSeconds: 0 },
        ],
      },
    ],
    1,
  );

  expect(screen.getByText('Open the case.')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Wait 10 s' }));

  expect(screen.getByRole('timer')).toHaveTextContent(/^(10|9) s left$/);
});

it('begins the step that is next, with the version that was seen', async () => {
  const sent = open([DRIVE], 1);

  await userEvent.click(screen.getByRole('button', { name: 'Begin this step: Replace the drive' }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/steps/replace-drive/begin',
      body: { version: 7, drive: null },
    });
  });
});

it('begins what erases only by the name of the drive', async () => {
  const sent = open([{ ...DRIVE, id: 'clean-install', invasiveness: 'ERASES' }], 1);
  const begin = screen.getByRole('button', { name: 'Begin this step: Replace the drive' });
  expect(await whatIsMissing(begin)).toBe(
    'Still missing: the drive’s model, size and last four of its serial.',
  );

  await userEvent.type(screen.getByLabelText('Size, such as 500 GB'), '1 TB');
  await userEvent.type(screen.getByLabelText('Model'), 'HELM-1000S');
  await userEvent.type(screen.getByLabelText('Last four of its serial'), '19-B');
  await userEvent.click(begin);

  await waitFor(() => {
    expect(sent.at(-1)?.body).toEqual({
      version: 7,
      drive: { size: '1 TB', model: 'HELM-1000S', lastFour: '19-B' },
    });
  });
});

it('closes what was begun by a look at the complaint', async () => {
  const sent = open([{ ...DRIVE, state: 'OPEN', stateWords: 'begun' }], 1);

  await userEvent.click(screen.getByRole('button', { name: 'It is the same' }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/check',
      body: { version: 7, result: 'SAME', note: '' },
    });
  });
});

const PART: NonNullable<WorkStep['part']> = {
  need: 'A SATA drive, 2.5 inch, 1,000 GB or more',
  supply: 'NEEDED',
  supplyWords: '',
  stock: [
    { id: 4, model: 'QUAY-1000F', place: 'drawer 3', pieces: 2, misfit: null },
    { id: 5, model: 'QUAY-240F', place: '', pieces: 1, misfit: 'it is smaller than the old one' },
  ],
  fitted: null,
  fittedWords: '',
  readKey: 'drive-a',
  old: null,
};

it('takes a part that fits from stock, and says why another does not', async () => {
  const sent = open([{ ...DRIVE, part: PART }], 1);

  expect(await screen.findByText(/it is smaller than the old one/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Take it: QUAY-1000F' }));

  await waitFor(() =>
    expect(sent.find((s) => s.method === 'POST')).toMatchObject({
      path: '/api/jobs/J-1/steps/replace-drive/part/take',
      body: { version: 7, stock: 4 },
    }),
  );
});

it('orders only from somebody', async () => {
  const sent = open([{ ...DRIVE, part: PART }], 1);

  await userEvent.click(await screen.findByRole('button', { name: 'Order one…' }));
  expect(await whatIsMissing(screen.getByRole('button', { name: 'It is ordered' }))).toBe(
    'Still missing: the supplier.',
  );
  await userEvent.type(screen.getByLabelText('Supplier'), 'Kvist');
  await userEvent.click(screen.getByRole('button', { name: 'It is ordered' }));

  await waitFor(() =>
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
      version: 7,
      words: PART.need,
      supplier: 'Kvist',
      expectedOn: null,
    }),
  );
});

it('keeps a drive from being scrapped while its data is not safe', async () => {
  open(
    [
      {
        ...DRIVE,
        state: 'DONE',
        part: {
          ...PART,
          old: {
            words: 'HELM-1000S OS7K-44019-B',
            fate: null,
            fateWords: null,
            note: null,
            scrap: { reason: 'The data on it is wanted.', opens: 'Opens when a copy is verified.' },
          },
        },
      },
    ],
    2,
  );

  await userEvent.type(await screen.findByLabelText(/Who took it/), 'C-17');
  expect(screen.getByRole('button', { name: 'Scrapped, with a certificate' })).toBeDisabled();
  expect(screen.getByText(/Scrapping is locked. The data on it is wanted./)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Returned to the owner' })).toBeEnabled();
});

it('leads from what broke off to what comes then', () => {
  open(
    [
      {
        ...DRIVE,
        state: 'BROKE_OFF',
        branch: { name: 'Install the system anew', remedy: 'clean-install' },
      },
    ],
    2,
  );

  expect(screen.getByRole('link', { name: 'Decide on it ›' })).toHaveAttribute(
    'href',
    '/job/J-1/decision?own=clean-install',
  );
});
