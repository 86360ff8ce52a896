import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it } from 'vitest';
import { answering, floor, floorJob, show } from '../test-data';
import { KeysHelp } from './KeysHelp';
import { Tour } from './Tour';

afterEach(() => {
  localStorage.clear();
});

it('shows the keys of the view, and leaves them by Escape', async () => {
  show(<KeysHelp />, '/job/J-1', '/job/:number');
  await userEvent.keyboard('?');
  const keys = await screen.findByRole('dialog', { name: 'Keys' });
  expect(keys).toHaveTextContent('Nmake the best next move');
  expect(keys).toHaveTextContent('/find a job');
  expect(keys).not.toHaveTextContent('zoom');

  await userEvent.keyboard('{Escape}');
  expect(screen.queryByRole('dialog')).toBeNull();
});

it('is no help while somebody types a question mark', async () => {
  show(
    <>
      <input aria-label="Note" />
      <KeysHelp />
    </>,
    '/',
    '/',
  );
  await userEvent.type(screen.getByLabelText('Note'), 'why?');
  expect(screen.queryByRole('dialog')).toBeNull();
});

it('leads through five steps, can be left, and never comes again', async () => {
  answering(() => [200, floor(floorJob())]);
  show(<Tour />, '/', '/*');
  expect(await screen.findByText('Step 1 of 5')).toBeVisible();
  await userEvent.click(screen.getByRole('link', { name: /^Intake/ }));
  expect(screen.getByText('Step 2 of 5')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Leave the tour' }));
  expect(screen.queryByText(/^Step/)).toBeNull();
  show(<Tour />, '/', '/*');
  expect(screen.queryByText(/^Step/)).toBeNull();
});
