import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, job, show } from '../../test-data';
import { StanceCard } from './StanceCard';

afterEach(() => {
  vi.unstubAllGlobals();
});

async function open() {
  show(<StanceCard job={job()} />);
  await userEvent.click(screen.getByRole('button', { name: /Data wanted/ }));
}

it('takes "not wanted" only with a name under the words that are shown', async () => {
  const sent = answering(() => [204, null]);
  await open();
  expect(screen.getByText('I do not need the data.')).toBeVisible();
  const sign = screen.getByRole('button', { name: 'Sign: not wanted' });
  expect(sign).toBeDisabled();

  await userEvent.type(screen.getByLabelText(/full name/), 'Tobias Haas');
  await userEvent.click(sign);

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/stance',
      body: { version: 7, stance: 'NOT_WANTED', signer: 'Tobias Haas' },
    });
  });
});

it('offers no way to say that a copy was made', async () => {
  await open();

  expect(screen.queryByRole('button', { name: /cop(y|ied)/i })).toBeNull();
});

it('stays open with the reason when the server refuses', async () => {
  answering(() => [
    409,
    { detail: 'This job has changed.', kept: 'Theirs was kept.', toDo: 'Look again.' },
  ]);
  await open();

  await userEvent.type(screen.getByLabelText(/full name/), 'Tobias Haas');
  await userEvent.click(screen.getByRole('button', { name: 'Sign: not wanted' }));

  expect(await screen.findByRole('alert')).toHaveTextContent('This job has changed.');
});
