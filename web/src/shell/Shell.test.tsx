import { screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, session, show } from '../test-data';
import { NoSuchPage } from '../ui/NoSuchPage';
import { Shell } from './Shell';

afterEach(() => {
  vi.unstubAllGlobals();
});

const open = (demo: boolean) => {
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener() {}
      close() {}
    },
  );
  answering(() => [200, { ...session(), demo }]);
  show(<Shell />, '/wall');
};

it('says on every page of a demo that what is found there is simulated', async () => {
  open(true);
  expect(await screen.findByText(/its machines are simulated/)).toBeVisible();
});

it('says nothing like that in a shop', async () => {
  open(false);
  await vi.waitFor(() => {
    expect(screen.queryByText('Loading…')).toBeNull();
  });
  expect(screen.queryByText(/simulated/)).toBeNull();
});

it('says that no view has an address, in the page’s title too', async () => {
  show(<NoSuchPage />, '/jobs');
  expect(await screen.findByText(/may be mistyped/)).toBeVisible();
  expect(document.title).toBe('There is no page at this address – Tekmerion');
});
