import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Move } from '../../api/types';
import { answering, job, readMove, show, whatIsMissing } from '../../test-data';
import { GuidedMove } from './GuidedMove';
import { length, StepTimer } from './StepTimer';

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const listen: Move = {
  ...readMove,
  id: 'fan-listen@machine',
  move: 'fan-listen',
  part: 'machine',
  title: 'Listen to the fan',
  by: null,
  partKey: null,
  handsOn: 2,
  waiting: 3,
  needs: ['ears'],
  steps: [
    { words: 'Run it.', waitSeconds: 180 },
    { words: 'Listen.', waitSeconds: 0 },
  ],
  asks: [
    {
      finding: 'fan.state',
      name: 'The fan',
      levels: [
        { id: 'fine', words: 'Turns quietly' },
        { id: 'still', words: 'Stands still' },
      ],
    },
  ],
};

it('keeps the one outcome with one press, and the note with it', async () => {
  const sent = answering(() => [204, undefined]);
  const onClose = vi.fn();
  show(<GuidedMove job={job()} move={listen} onClose={onClose} />);

  expect(screen.getByText('2 min, wait 3 min')).toBeVisible();
  expect(screen.getByText('needs ears')).toBeVisible();
  await userEvent.type(screen.getByLabelText('A note, if one helps'), 'left one');
  await userEvent.click(screen.getByRole('button', { name: 'Stands still' }));

  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sent).toEqual([
    {
      method: 'POST',
      path: '/api/jobs/J-1/moves/fan-listen/outcome',
      body: {
        version: job().version,
        part: 'machine',
        levels: { 'fan.state': 'still' },
        note: 'left one',
      },
    },
  ]);
});

it('asks for a beginning before it asks what a change brought', async () => {
  const sent = answering(() => [204, undefined]);
  show(<GuidedMove job={job()} move={{ ...listen, changes: true }} onClose={vi.fn()} />);

  expect(screen.queryByRole('button', { name: 'Stands still' })).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Begin this change' }));

  await waitFor(() => expect(sent[0]?.path).toBe('/api/jobs/J-1/moves/fan-listen/begin'));
});

it('begins what erases only by the name of the drive', async () => {
  const sent = answering(() => [204, undefined]);
  const erasing = { ...listen, changes: true, invasiveness: 'ERASES' as const };
  show(<GuidedMove job={job()} move={erasing} onClose={vi.fn()} />);

  const begin = screen.getByRole('button', { name: 'Begin this change' });
  expect(await whatIsMissing(begin)).toBe(
    'Still missing: the drive’s model, size and last four of its serial.',
  );
  await userEvent.type(screen.getByLabelText(/Size/), '240 GB');
  await userEvent.type(screen.getByLabelText('Model'), 'QUAY-240F');
  await userEvent.type(screen.getByLabelText('Last four of its serial'), '11-K');
  await userEvent.click(begin);

  await waitFor(() =>
    expect(sent[0]?.body).toMatchObject({
      drive: { size: '240 GB', model: 'QUAY-240F', lastFour: '11-K' },
    }),
  );
});

it('goes on with a change that was begun', () => {
  const openChange = { id: 1, what: 'Listen to the fan', by: 'Bo', at: '2026-11-23T09:00:00Z' };
  show(
    <GuidedMove job={job({ openChange })} move={{ ...listen, changes: true }} onClose={vi.fn()} />,
  );

  expect(screen.getByRole('button', { name: 'Stands still' })).toBeVisible();
});

it('keeps that it could not be done, which is no outcome', async () => {
  const sent = answering(() => [204, undefined]);
  show(<GuidedMove job={job()} move={listen} onClose={vi.fn()} />);

  await userEvent.click(screen.getByRole('button', { name: 'Could not do it…' }));
  await userEvent.type(screen.getByLabelText('Because'), 'no fan in it');
  await userEvent.click(screen.getByRole('button', { name: 'Keep that it could not be done' }));

  await waitFor(() => expect(sent[0]?.path).toBe('/api/jobs/J-1/moves/fan-listen/could-not'));
  expect(sent[0]?.body).toMatchObject({ why: 'no fan in it' });
});

it('tells that a drive did not answer, of a move on a drive only', async () => {
  const sent = answering(() => [204, undefined]);
  const onDrive = { ...listen, move: 'drive-listen', part: 'drive-a' };
  const { unmount } = show(<GuidedMove job={job()} move={listen} onClose={vi.fn()} />);
  await userEvent.click(screen.getByRole('button', { name: 'Could not do it…' }));
  expect(screen.queryByRole('button', { name: 'The drive did not answer' })).toBeNull();
  unmount();

  show(<GuidedMove job={job()} move={onDrive} onClose={vi.fn()} />);
  await userEvent.click(screen.getByRole('button', { name: 'Could not do it…' }));
  await userEvent.click(screen.getByRole('button', { name: 'The drive did not answer' }));

  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]?.body).toMatchObject({ why: 'the drive did not answer', silent: true });
});

it('waits by the clock, not by its own ticks', () => {
  vi.useFakeTimers({ now: 0 });
  show(<StepTimer seconds={90} />);

  fireEvent.click(screen.getByRole('button', { name: 'Wait 1 min 30 s' }));
  act(() => {
    vi.setSystemTime(60_000); // the tab slept
    vi.advanceTimersByTime(250);
  });
  expect(screen.getByRole('timer')).toHaveTextContent('30 s left');
  act(() => {
    vi.advanceTimersByTime(30_000);
  });
  expect(screen.getByRole('timer')).toHaveTextContent('Done: go on');
  expect(length(120)).toBe('2 min');
});
