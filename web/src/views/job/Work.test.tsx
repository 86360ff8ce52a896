import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Job, PlanWork, WorkStep } from '../../api/types';
import { answering, job, show } from '../../test-data';
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

it('begins the step that is next, with the version that was seen', async () => {
  const sent = open([DRIVE], 1);

  await userEvent.click(screen.getByRole('button', { name: 'Begin: Replace the drive' }));

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
  const begin = screen.getByRole('button', { name: 'Begin: Replace the drive' });
  expect(begin).toBeDisabled();

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
