import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { MadeMove } from '../../api/types';
import { answering, job, show } from '../../test-data';
import { MadeMoves } from './MadeMoves';

afterEach(() => {
  vi.unstubAllGlobals();
});

const made: MadeMove = {
  move: 'fan-listen',
  part: 'machine',
  title: 'Listen to the fan',
  outcome: 'DONE',
  words: 'The fan: stands still',
  note: 'left one',
  by: 'Bo K.',
  at: '2026-11-23T09:00:00Z',
  known: true,
};

it('shows what was seen, by whom, and takes a slip back', async () => {
  const sent = answering(() => [204, undefined]);
  show(<MadeMoves job={job({ made: [made] })} />);

  expect(screen.getByText('The fan: stands still. left one')).toBeVisible();
  expect(screen.getByText(/Bo K\./)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Take back: Listen to the fan' }));

  await waitFor(() =>
    expect(sent.filter((call) => call.method === 'POST')).toEqual([
      {
        method: 'POST',
        path: '/api/jobs/J-1/moves/fan-listen/take-back',
        body: { version: job().version, part: 'machine', drive: null },
      },
    ]),
  );
});

it('tells what could not be done apart from what was seen', () => {
  show(
    <MadeMoves
      job={job({ made: [{ ...made, outcome: 'COULD_NOT', words: '', note: 'no fan in it' }] })}
    />,
  );

  expect(screen.getByText('Could not be done: no fan in it')).toBeVisible();
});

it('says that a move of another shop is told and not weighed', () => {
  show(<MadeMoves job={job({ made: [{ ...made, known: false }] })} />);

  expect(screen.getByText(/what it showed is not weighed/)).toBeVisible();
  expect(screen.queryByRole('button')).toBeNull();
});

it('is not there when none was made', () => {
  show(<MadeMoves job={job()} />);

  expect(screen.queryByText('Moves made')).toBeNull();
});

it('takes nothing back of an ended job', () => {
  show(<MadeMoves job={job({ made: [made], endedAt: '2026-11-23T10:00:00Z' })} />);

  expect(screen.getByText('Listen to the fan')).toBeVisible();
  expect(screen.queryByRole('button')).toBeNull();
});
