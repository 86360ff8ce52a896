import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Colleague } from '../../api/types';
import { answering, floor, job, session, show } from '../../test-data';
import { Hand } from './Hand';

afterEach(() => {
  vi.unstubAllGlobals();
});

const people: Colleague[] = [
  { id: 7, displayName: 'Ines R.', signInName: 'ines', role: 'TECHNICIAN', active: true },
  { id: 8, displayName: 'Bo K.', signInName: 'bo', role: 'TECHNICIAN', active: true },
  { id: 9, displayName: 'Gone G.', signInName: 'gone', role: 'TECHNICIAN', active: false },
  { id: 10, displayName: 'João P.', signInName: 'joao', role: 'COUNTER', active: true },
];

function server(role: 'TECHNICIAN' | 'COUNTER' = 'TECHNICIAN') {
  return answering((_, path) => {
    if (path === '/api/session') return [200, session(role)];
    if (path === '/api/people') return [200, people];
    if (path === '/api/floor') return [200, floor()];
    if (path.endsWith('/secret')) return [200, { secret: 'kelp' }];
    return [204, null];
  });
}

const posts = (sent: { method: string; path: string; body: unknown }[]) =>
  sent.filter((s) => s.method === 'POST');

/** Opens the menu and takes one of it. */
async function choose(item: string) {
  await userEvent.click(await screen.findByRole('button', { name: /what can be done/ }));
  await userEvent.click(screen.getByRole('menuitem', { name: item }));
}

it('hands over to a colleague who is there, with a note', async () => {
  const sent = server();
  show(<Hand job={job({ holder: { id: 7, displayName: 'Ines R.' } })} />);
  expect(await screen.findByText(/Yours/)).toBeVisible();

  await choose('Hand over or share');
  await userEvent.click(screen.getByLabelText('Colleague'));
  const choices = screen.getAllByRole('option');
  expect(choices.map((o) => o.textContent)).toEqual(['whoever is free', 'Bo K.']);
  await userEvent.click(screen.getByRole('option', { name: 'Bo K.' }));
  await userEvent.type(screen.getByLabelText('Note for them'), 'loose hinge');
  await userEvent.click(screen.getByRole('button', { name: 'Hand it over' }));

  expect(posts(sent)[0]).toMatchObject({
    path: '/api/jobs/J-1/hand-over',
    body: { version: 7, to: 8, note: 'loose hinge' },
  });
});

it('takes what nobody has', async () => {
  const sent = server();
  show(<Hand job={job()} />);

  await choose('Take it');

  expect(posts(sent)[0]).toMatchObject({ path: '/api/jobs/J-1/take', body: { version: 7 } });
});

it('opens the owner’s password only when told to, and says that it is told', async () => {
  const sent = server();
  show(<Hand job={job({ secretKept: true })} />);

  await choose('Owner’s password');
  expect(screen.getByText(/written into the history/)).toBeVisible();
  expect(posts(sent)).toHaveLength(0);
  await userEvent.click(screen.getByRole('button', { name: 'Open it' }));

  expect(await screen.findByText('kelp')).toBeVisible();
});

it('leaves the counter what is the counter’s', async () => {
  server('COUNTER');
  show(<Hand job={job({ secretKept: true })} />);

  await waitFor(() => expect(screen.getByText(/Nobody has it/)).toBeVisible());
  await userEvent.click(screen.getByRole('button', { name: /what can be done/ }));
  const items = screen.getAllByRole('menuitem').map((item) => item.textContent);
  expect(items).toContain('Print label');
  expect(items).not.toContain('Take it');
  expect(items).not.toContain('Owner’s password');
});
