import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, job, session, show } from '../../test-data';
import { OneChange } from './OneChange';

afterEach(() => {
  vi.unstubAllGlobals();
});

const server = () =>
  answering((_, path) => (path === '/api/session' ? [200, session()] : [204, null]));

it('begins a change with the version that was looked at', async () => {
  const sent = server();
  show(<OneChange job={job()} />);

  await userEvent.type(screen.getByLabelText(/One change/), 'memory reseated');
  await userEvent.click(screen.getByRole('button', { name: 'Begin this change' }));

  expect(sent.find((s) => s.method === 'POST')).toMatchObject({
    path: '/api/jobs/J-1/changes',
    body: { version: 7, what: 'memory reseated' },
  });
});

it('asks for the complaint before anything else may be changed', async () => {
  const sent = server();
  const openChange = { id: 1, what: 'memory reseated', by: 'Bo K.', at: '2026-11-23T09:00:00Z' };
  show(<OneChange job={job({ openChange })} />);

  expect(screen.queryByRole('button', { name: 'Begin this change' })).toBeNull();
  await userEvent.type(screen.getByLabelText('Note, if any'), 'ten starts');
  await userEvent.click(screen.getByRole('button', { name: 'It is gone' }));

  expect(sent.find((s) => s.method === 'POST')).toMatchObject({
    path: '/api/jobs/J-1/check',
    body: { version: 7, result: 'GONE', note: 'ten starts' },
  });
});

it('is not there for a job that is ended', () => {
  server();
  show(<OneChange job={job({ endedAt: '2026-11-23T09:00:00Z', endedHow: 'handed back' })} />);

  expect(screen.queryByText(/What do you change/)).toBeNull();
});
