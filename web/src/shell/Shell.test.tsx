import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { keys } from '../api/queries';
import { answering, session, show } from '../test-data';
import { NoSuchPage } from '../ui/NoSuchPage';
import { Shell } from './Shell';

afterEach(() => {
  vi.unstubAllGlobals();
});

const silentStream = () =>
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener() {}
      close() {}
    },
  );

const open = (demo: boolean) => {
  silentStream();
  answering(() => [200, { ...session(), demo }]);
  show(<Shell />, '/wall');
};

it('says on every page of a demo that what is found there is simulated', async () => {
  open(true);
  expect(await screen.findByText(/its machines are simulated/)).toBeVisible();
});

it('says nothing like that in a shop', async () => {
  open(false);
  await waitFor(() => {
    expect(screen.queryByText('Loading…')).toBeNull();
  });
  expect(screen.queryByText(/simulated/)).toBeNull();
});

it('says that no view has an address, in the page’s title too', async () => {
  show(<NoSuchPage />, '/jobs');
  expect(await screen.findByText(/may be mistyped/)).toBeVisible();
  expect(document.title).toBe('There is no page at this address – Tekmerion');
});

const PERSON = session().person;

/** A shop whose sessions end when the test says so. */
function shop(signsIn: object | null) {
  let person: unknown = PERSON;
  silentStream();
  answering((method) => {
    if (method === 'POST') person = { ...PERSON, ...signsIn };
    return [200, { ...session(), person }];
  });
  const { client } = show(
    <Routes>
      <Route element={<Shell />}>
        <Route path="*" element={<input aria-label="Note" />} />
      </Route>
    </Routes>,
    '/wall',
  );
  return {
    endSession: async () => {
      person = null;
      await client.invalidateQueries({ queryKey: keys.session });
    },
  };
}

it.each([
  ['the same person', PERSON, 'smells of smoke'],
  ['somebody else', { id: 99, displayName: 'Bo K.' }, ''],
])('keeps what was typed over the end of a session, for %s', async (_, who, typed) => {
  const { endSession } = shop(who);
  await userEvent.type(await screen.findByLabelText('Note'), 'smells of smoke');

  await endSession();
  await userEvent.type(await screen.findByLabelText('Name'), 'any');
  expect(screen.queryByRole('textbox', { name: 'Note' })).toBeNull();
  await userEvent.type(screen.getByLabelText('Password'), 'any{Enter}');

  expect(await screen.findByRole('textbox', { name: 'Note' })).toHaveValue(typed);
});
