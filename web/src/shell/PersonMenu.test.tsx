import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, session, show } from '../test-data';
import { PersonMenu } from './PersonMenu';

afterEach(() => {
  vi.unstubAllGlobals();
});

it('switches with a PIN, says why not, and never shows the PIN', async () => {
  const sent = answering(() => [401, { detail: 'The PIN is wrong.', kept: 'x', toDo: 'y' }]);
  const person = session().person;
  if (person === null) throw new Error('somebody is signed in');
  show(
    <PersonMenu
      person={person}
      here={[
        { id: 3, displayName: 'Bo K.', hasPin: true },
        { id: 4, displayName: 'João P.', hasPin: false },
      ]}
    />,
  );
  await userEvent.click(screen.getByRole('button', { name: /Ines R/ }));
  expect(screen.getByText('João P. has no PIN and signs in in full.')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Switch' })).toBeDisabled();

  const pin = screen.getByLabelText('PIN of Bo K.');
  await userEvent.type(pin, '4711');
  expect(pin).toHaveAttribute('type', 'password');
  await userEvent.click(screen.getByRole('button', { name: 'Switch' }));

  expect(sent[0]).toMatchObject({ path: '/api/session/pin', body: { person: 3, pin: '4711' } });
  expect(await screen.findByText('The PIN is wrong.')).toBeVisible();
  expect(pin).toHaveValue('');
});
