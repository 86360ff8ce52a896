import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Answers, Intake } from '../../api/types';
import { answering, intake, question, script, show } from '../../test-data';
import { IntakeView } from './IntakeView';

afterEach(() => {
  vi.unstubAllGlobals();
});

const asked = script(
  question('noise', { ask: 'Any noise?' }),
  question('boot-stage', { ask: 'How far?', kind: 'LADDER' }),
);

/** A server that keeps what it is told; a refusal is given once, to the first change. */
function counter(start: Answers, more: Partial<Intake> = {}, refusal?: [number, unknown]) {
  let view = intake({ ...more, answers: start as Intake['answers'] });
  let refuse = refusal;
  const sent = answering((method, path) => {
    if (path === '/api/questions') return [200, asked];
    if (path.startsWith('/api/customers') || path.startsWith('/api/known')) {
      return [200, path.startsWith('/api/known') ? { machines: [], parts: [] } : []];
    }
    if (method === 'PATCH') {
      if (refuse !== undefined) {
        const answer = refuse;
        refuse = undefined;
        return answer;
      }
      const { changes } = sent[sent.length - 1]?.body as { changes: Answers };
      view = { ...view, version: view.version + 1, answers: { ...view.answers, ...changes } };
    }
    if (path.endsWith('/take-in')) return [200, { number: 'J-9' }];
    return [200, view];
  });
  show(<IntakeView />, '/intake/i', '/intake/:id');
  return sent;
}

const known: Answers = { customerName: 'Haas', maker: 'Norrvik', model: 'mini', complaint: 'slow' };

it('begins with whose it is and keeps every keystroke', async () => {
  const sent = counter({});

  await userEvent.type(await screen.findByLabelText('Name of person or business'), 'Mina');

  expect(screen.getByRole('heading', { name: 'Whose is it?' })).toBeVisible();
  await waitFor(() => {
    expect(sent.filter((s) => s.method === 'PATCH').pop()?.body).toMatchObject({
      changes: { customerName: 'Mina' },
    });
  });
  expect(await screen.findByText('Draft kept')).toBeVisible();
});

it('asks what tells most first; Enter says "none of these", Escape leaves it open', async () => {
  const sent = counter({ ...known, errorText: 'E1' });

  expect(await screen.findByRole('heading', { name: 'Any noise?' })).toBeVisible();
  await userEvent.keyboard('{Enter}');
  expect(await screen.findByRole('heading', { name: 'How far?' })).toBeVisible();
  await userEvent.keyboard('{Escape}');

  expect(await screen.findByRole('heading', { name: 'Is the data on it wanted?' })).toBeVisible();
  await waitFor(() => {
    expect(sent.filter((s) => s.method === 'PATCH').pop()?.body).toMatchObject({
      changes: { said: { noise: [] } },
    });
  });
  const patches = sent.filter((s) => s.method === 'PATCH');
  expect(JSON.stringify(patches)).not.toContain('boot-stage'); // skipped: nothing is said of it
});

it('puts the focus on what a digit chose', async () => {
  counter({ ...known, errorText: 'E1' });
  await screen.findByRole('heading', { name: 'Any noise?' });
  const second = within(screen.getByRole('group', { name: 'Any noise?' }));

  await userEvent.keyboard('2');

  const chosen = second.getAllByRole('button', { pressed: true })[0];
  expect(chosen).toHaveTextContent('2');
  expect(chosen).toHaveFocus();
});

it('takes "does not know" as its own answer', async () => {
  const sent = counter({ ...known, errorText: 'E1' });
  await screen.findByRole('heading', { name: 'Any noise?' });

  await userEvent.click(screen.getByRole('button', { name: 'Owner does not know' }));

  await waitFor(() => {
    expect(sent.filter((s) => s.method === 'PATCH').pop()?.body).toMatchObject({
      changes: { unknown: ['noise'], said: {} },
    });
  });
  expect(screen.getByRole('button', { name: 'not known' })).toBeVisible();
});

it('shows both answers when a colleague was faster, and puts mine only if told to', async () => {
  const sent = counter(known, {}, [
    409,
    { detail: 'Mara T. has changed the same answer meanwhile.', kept: 'Theirs.', toDo: 'Look.' },
  ]);
  await userEvent.click(await screen.findByRole('button', { name: 'Haas' }));
  await userEvent.type(screen.getByLabelText('Name of person or business'), 's');

  const dialog = await screen.findByRole('dialog');
  expect(within(dialog).getByText('Haas')).toBeVisible();
  expect(within(dialog).getByText('Haass')).toBeVisible();
  const before = sent.filter((s) => s.method === 'PATCH').length;
  await userEvent.click(within(dialog).getByRole('button', { name: 'Put mine' }));

  await waitFor(() => {
    expect(sent.filter((s) => s.method === 'PATCH').length).toBe(before + 1);
  });
});

it('says what is missing and does not take in without it', async () => {
  counter({ customerName: 'Haas' }, { missing: 'which machine it is, the complaint' });

  expect(
    await screen.findByText('Still missing: which machine it is, the complaint.'),
  ).toBeVisible();
  expect(screen.getByRole('button', { name: 'Take it in' })).toBeDisabled();
});
