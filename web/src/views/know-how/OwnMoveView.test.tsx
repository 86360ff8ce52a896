import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { MoveFromElsewhere } from '../../api/types';
import { answering, session, show } from '../../test-data';
import { idOf, OwnMoveView } from './OwnMoveView';

const CHOICES = {
  causes: [{ id: 'fan-failed', name: 'Failed fan' }],
  families: [{ id: 'hot', name: 'Gets hot' }],
  bootStages: ['desktop', 'firmware', 'nothing'],
};

const TAP: MoveFromElsewhere = {
  id: 'own.tap-0a1b2c3d',
  job: 'J-77',
  move: {
    words: {
      name: 'Tap the fan',
      purpose: 'Salt makes it rattle.',
      handsOnMinutes: 1,
      waitingMinutes: 0,
      families: [],
      needs: [],
      steps: ['Tap it.'],
    },
    act: 'TEST',
    place: 'power',
    of: 'machine',
    bootStage: 'nothing',
    invasiveness: 'OPENS_CASE',
    loads: ['DRIVE', 'MACHINE'],
    looksAt: 'The sound',
    levels: ['Nothing', 'Rattles'],
    leak: [0.99, 0.01],
    links: { 'fan-failed': [0.02, 0.98] },
  },
};

const open = (role: 'LEAD' | 'TECHNICIAN', at = '/') => {
  const sent = answering((_method, path) => {
    if (path === '/api/session') return [200, session(role)];
    if (path === '/api/know-how/preview') {
      return [
        409,
        {
          title: 'Not possible now',
          detail: 'The know-how would not hold together: [0.2, 0.9] is no distribution.',
          kept: 'Nothing was changed.',
          toDo: 'Change what is named and try again.',
        },
      ];
    }
    if (path.endsWith('/from-elsewhere')) return [200, [TAP]];
    return [200, CHOICES];
  });
  show(<OwnMoveView />, at);
  return sent;
};

it('makes a move out of what is done, what is looked at, and what that speaks for', async () => {
  const sent = open('LEAD');
  const user = userEvent.setup();
  const propose = await screen.findByRole('button', { name: 'What would it have changed?' });
  await user.click(propose);
  expect(await screen.findAllByText('This is needed.')).toHaveLength(3);
  expect(screen.getByText('A line is needed.')).toBeTruthy();
  expect(screen.getByText('2 lines are needed.')).toBeTruthy();
  expect(screen.getByLabelText('Name')).toHaveFocus();
  await user.type(screen.getByLabelText('Name'), 'Smell at the vents');
  await user.type(screen.getByLabelText('Why it is worth doing'), 'Salt smells first.');
  await user.type(screen.getByLabelText('What to do, a step a line'), 'Smell. @5');
  await user.type(screen.getByLabelText('What is looked at'), 'The smell');
  await user.type(screen.getByLabelText('What may be seen, a line each'), 'Salt and damp');
  await user.click(screen.getByRole('checkbox', { name: 'Gets hot' }));
  await user.click(screen.getByRole('button', { name: 'Add it' }));
  const row = screen.getByRole('row', { name: /Failed fan/ });
  const [none, salt] = within(row).getAllByRole('textbox') as [HTMLElement, HTMLElement];
  await user.clear(none);
  await user.type(none, '2');
  expect(screen.getByText('Comes to 2, not to 100.')).toBeTruthy();
  await user.clear(salt);
  await user.type(salt, '98');
  await user.click(propose);

  expect(sent.find((s) => s.path === '/api/know-how/preview')?.body).toMatchObject({
    what: 'OWN_MOVE',
    id: 'own.smell-at-the-vents',
    ownMove: {
      words: { name: 'Smell at the vents', families: ['hot'], steps: ['Smell. @5'] },
      act: 'OBSERVE',
      bootStage: 'nothing',
      invasiveness: 'LOOKS_ONLY',
      loads: [],
      levels: ['Nothing', 'Salt and damp'],
      leak: [1, 0],
      links: { 'fan-failed': [0.02, 0.98] },
    },
  });
  // The refusal says what was kept, and what was typed is still there.
  expect(await screen.findByText(/would not hold together/)).toBeTruthy();
  expect(screen.getByText(/Nothing was changed/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Back to it' }));
  expect(screen.getByLabelText('Name')).toHaveValue('Smell at the vents');
});

it('takes a move of another shop over as it came, under the name that its findings have', async () => {
  const sent = open('LEAD', `/know-how/own-move?from=${TAP.id}`);
  const user = userEvent.setup();
  const propose = await screen.findByRole('button', { name: 'What would it have changed?' });
  expect(screen.getByRole('link', { name: 'J-77' })).toBeTruthy();
  await user.click(propose);
  const asked = () => sent.filter((s) => s.path === '/api/know-how/preview').at(-1)?.body;
  expect(asked()).toMatchObject({ what: 'OWN_MOVE', id: TAP.id, ownMove: TAP.move });

  // With other things to see it is another move: what was seen elsewhere does not count for it.
  await user.click(await screen.findByRole('button', { name: 'Back to it' }));
  await user.type(screen.getByLabelText('What is looked at'), ' of it');
  await user.click(propose);
  expect(asked()).toMatchObject({ id: 'own.tap-the-fan' });
});

it('is for a lead', async () => {
  open('TECHNICIAN');
  expect(await screen.findByText(/A lead adds it/)).toBeTruthy();
  expect(screen.queryByLabelText('Name')).toBeNull();
});

it('gives moves of one name one id, whatever stands in the name', () => {
  expect(idOf('  Über-Prüfung: Größe! ')).toBe('own.uber-prufung-gro-e');
  expect(idOf('Λ')).toBe('own.923');
  expect(idOf('Smell at the vents')).toBe(idOf('smell  at the vents'));
});
