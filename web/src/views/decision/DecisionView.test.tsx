import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, job, show } from '../../test-data';
import type { Job } from '../../api/types';
import { DecisionView } from './DecisionView';

afterEach(() => {
  vi.unstubAllGlobals();
});

async function open(shown: Job, sign: [number, unknown] = [201, {}]) {
  const sent = answering((method) => (method === 'GET' ? [200, shown] : sign));
  show(<DecisionView />, '/job/J-1/decision', '/job/:number/decision');
  await screen.findByRole('heading', { level: 1 });
  return sent;
}

it('starts from what the weighing leans to, and says it in its title', async () => {
  await open(job());

  expect(screen.getByRole('heading', { level: 1, name: 'Recover the data' })).toBeVisible();
  expect(screen.getByRole('checkbox', { name: /Recover the data/ })).toBeChecked();
});

it('sends courses in the order in which they were ticked, with the version that was seen', async () => {
  const sent = await open(job({ leaning: [] }));

  await userEvent.click(screen.getByRole('checkbox', { name: /Replace the part/ }));
  await userEvent.click(screen.getByRole('checkbox', { name: /Recover the data/ }));
  await userEvent.type(screen.getByLabelText('In your words, for the next of us'), 'Seen.');
  await userEvent.click(screen.getByRole('button', { name: 'Sign the decision' }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/decisions',
      body: { version: 7, courses: ['REPLACE_PART', 'RECOVER_DATA'], reason: 'Seen.' },
    });
  });
});

it('goes with the leaning until somebody ticks, as what is shown first may be a moment old', async () => {
  const first = job({ leaning: [] });
  const answers = [first, job()];
  answering((method) => (method === 'GET' ? [200, answers.shift() ?? job()] : [201, {}]));
  const { client } = show(<DecisionView />, '/job/J-1/decision', '/job/:number/decision');
  expect(await screen.findByRole('checkbox', { name: /Recover the data/ })).not.toBeChecked();

  await client.invalidateQueries();

  await waitFor(() => {
    expect(screen.getByRole('checkbox', { name: /Recover the data/ })).toBeChecked();
  });
});

it('cannot tick what is locked and says what opens it', async () => {
  await open(job());
  const erasing = screen.getByRole('checkbox', { name: /erasing the drive/ });

  expect(erasing).toBeDisabled();
  expect(screen.getByText(/The data is wanted. Opens when a copy is verified./)).toBeVisible();
});

it('cannot be signed without a reason', async () => {
  await open(job());
  const button = screen.getByRole('button', { name: 'Sign the decision' });
  expect(button).toBeDisabled();

  await userEvent.type(screen.getByLabelText('In your words, for the next of us'), '   ');
  expect(button).toBeDisabled();
  await userEvent.type(screen.getByLabelText('In your words, for the next of us'), 'Seen.');

  expect(button).toBeEnabled();
});

it('keeps the reason when somebody else was faster', async () => {
  await open(job(), [
    409,
    { detail: 'This job has changed.', kept: 'Theirs was kept, yours was not.', toDo: 'Look.' },
  ]);
  const reason = screen.getByLabelText('In your words, for the next of us');

  await userEvent.type(reason, 'Seen.');
  await userEvent.click(screen.getByRole('button', { name: 'Sign the decision' }));

  expect(await screen.findByRole('alert')).toHaveTextContent('Theirs was kept, yours was not.');
  expect(reason).toHaveValue('Seen.');
});

it('shows earlier decisions with the weighing as it stood', async () => {
  await open(
    job({
      decisions: [
        {
          id: 1,
          courses: [{ course: 'REPAIR', words: 'Repair' }],
          reason: 'Cable looked loose.',
          dataStatus: 'WANTED',
          headline: 'Perhaps the cable is bad, 61 in 100.',
          causes: [{ name: 'Cable', partName: 'drive A', probability: 0.61, findings: 2 }],
          fromElsewhere: false,
          signedBy: 'Ines R.',
          signedAt: '2026-11-23T09:00:00Z',
        },
      ],
    }),
  );

  expect(screen.getByRole('heading', { level: 1, name: 'Decided: Repair' })).toBeVisible();
  expect(screen.getByText('As it stood: Perhaps the cable is bad, 61 in 100.')).toBeVisible();
  expect(screen.getByText('61 of 100')).toBeVisible();
});
