import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, job, readMove, show } from '../../test-data';
import { Moves } from './Moves';

afterEach(() => {
  vi.unstubAllGlobals();
});

it('takes the next move at the key N, and not while something is typed', async () => {
  const sent = answering(() => [202, { requestId: 'q' }]);
  show(
    <>
      <Moves job={job()} />
      <input aria-label="note" />
    </>,
  );

  await userEvent.type(screen.getByLabelText('note'), 'no news');
  expect(sent).toHaveLength(0);
  await userEvent.click(document.body);
  await userEvent.keyboard('n');

  await waitFor(() => {
    expect(sent).toEqual([
      { method: 'POST', path: '/api/jobs/J-1/readings', body: { partKey: 'drive-a' } },
    ]);
  });
});

it('says why a move is locked and what opens it, and offers no button', () => {
  const lock = { reason: 'There is no probe in bay 1.', opens: 'Ask for an enrolment code.' };
  show(<Moves job={job({ moves: [{ ...readMove, lock }] })} />);

  expect(screen.getByText(/There is no probe in bay 1. Ask for an enrolment code./)).toBeVisible();
  expect(screen.queryByRole('button')).toBeNull();
});

const pending = { requestId: 'q', partKey: 'drive-a', askedAt: '2026-11-23T09:00:00Z' };
const beingRead = { ...readMove, lock: { reason: 'It is being read now.', opens: '' } };

it('shows a running reading as running, not as a lock', () => {
  show(<Moves job={job({ moves: [beingRead], pending: [{ ...pending, refusedWhy: null }] })} />);

  expect(screen.getByRole('status')).toHaveTextContent('Waiting for the probe');
  expect(screen.queryByText(/Locked/)).toBeNull();
});

it('does not promise seconds when the probe is away', () => {
  show(
    <Moves
      job={job({
        bay: { number: 1, probe: null },
        moves: [beingRead],
        pending: [{ ...pending, refusedWhy: null }],
      })}
    />,
  );

  expect(screen.getByRole('status')).toHaveTextContent('the probe is not connected');
});

it('tells a reading that could not run apart from one that failed', () => {
  show(<Moves job={job({ pending: [{ ...pending, refusedWhy: 'no such drive' }] })} />);

  expect(screen.getByRole('status')).toHaveTextContent('could not run. no such drive');
});

it('shows what the server says when it refuses', async () => {
  answering(() => [
    409,
    { detail: 'This drive is being read.', kept: 'Nothing was changed.', toDo: 'Wait.' },
  ]);
  show(<Moves job={job()} />);

  await userEvent.click(screen.getByRole('button', { name: /^Take the reading/ }));

  expect(await screen.findByRole('alert')).toHaveTextContent(
    'This drive is being read. Nothing was changed. Wait.',
  );
});
