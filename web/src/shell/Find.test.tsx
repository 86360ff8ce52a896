import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import type { Hit } from '../api/types';
import { answering, show } from '../test-data';
import { Find } from './Find';

afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

const hit = (number: string, serial: string | null): Hit => ({
  number,
  machine: 'Ostrel 17 laptop',
  customer: 'Bakery on the quay',
  complaint: 'Freezes',
  errorText: null,
  serial,
  suspicion: 'UNKNOWN',
  takenInAt: '2026-11-23T08:00:00Z',
  endedAt: null,
});

/** A camera before which something is held; its tracks say whether it was let go. */
function camera(held: () => string | null) {
  const stop = vi.fn();
  vi.stubGlobal('navigator', {
    ...navigator,
    mediaDevices: { getUserMedia: () => Promise.resolve({ getTracks: () => [{ stop }] }) },
  });
  vi.stubGlobal(
    'BarcodeDetector',
    class {
      static getSupportedFormats = () => Promise.resolve(['qr_code']);
      detect = () => Promise.resolve(held() === null ? [] : [{ rawValue: held() }]);
    },
  );
  vi.spyOn(HTMLMediaElement.prototype, 'readyState', 'get').mockReturnValue(4);
  return stop;
}

function Page() {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <>
      <output>{useLocation().pathname}</output>
      <Find open={open} onOpen={setOpen} />
    </>
  );
}

it('opens with a slash, finds and marks, and is driven by arrows', async () => {
  answering(() => [200, { hits: [hit('J-1', 'OST-220-7'), hit('J-2', null)], more: false }]);
  show(<Page />);

  await userEvent.keyboard('/');
  await userEvent.type(await screen.findByRole('combobox'), '2207');

  const options = await screen.findAllByRole('option');
  expect(screen.getByText('220-7').tagName).toBe('MARK');
  expect(options[0]).toHaveAttribute('aria-selected', 'true');
  await userEvent.keyboard('{ArrowDown}{ArrowDown}');
  expect(screen.getAllByRole('option')[1]).toHaveAttribute('aria-selected', 'true');
  await userEvent.keyboard('{Enter}');
  expect(screen.queryByRole('dialog')).toBeNull();
});

it('says what to do when nothing is typed or nothing is found', async () => {
  answering(() => [200, { hits: [], more: false }]);
  show(<Page />);
  await userEvent.keyboard('/');
  expect(await screen.findByText(/at least two characters/)).toBeVisible();

  await userEvent.type(screen.getByRole('combobox'), 'nowhere');

  expect(await screen.findByText(/Nothing is found/)).toBeVisible();
});

it('opens the job of a label that the camera sees, and lets the camera go', async () => {
  answering(() => [200, { hits: [], more: false }]);
  let held: string | null = null;
  const stop = camera(() => held);
  show(<Page />);
  await userEvent.keyboard('/');
  await userEvent.click(await screen.findByRole('button', { name: 'Scan with the camera' }));
  expect(await screen.findByText(/Hold a label/)).toBeVisible();
  expect(stop).not.toHaveBeenCalled();

  held = 'TKJ22913';

  expect(await screen.findByText('/job/J-2291')).toBeVisible();
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(stop).toHaveBeenCalled();
});

it('looks for any other code, and lets the camera go when somebody would rather type', async () => {
  answering(() => [200, { hits: [hit('J-1', 'OST-220-7')], more: false }]);
  let held: string | null = null;
  const stop = camera(() => held);
  show(<Page />);
  await userEvent.keyboard('/');
  const scan = async () =>
    userEvent.click(await screen.findByRole('button', { name: 'Scan with the camera' }));
  await scan();
  await screen.findByText(/Hold a label/);
  await userEvent.click(screen.getByRole('button', { name: 'Type it instead' }));
  expect(await screen.findByRole('combobox')).toHaveValue('');
  await waitFor(() => expect(stop).toHaveBeenCalled());

  held = 'OST-220-7';
  await scan();

  expect(await screen.findByRole('combobox')).toHaveValue('OST-220-7');
  expect(await screen.findByRole('option')).toBeVisible();
});

it.each([
  [new DOMException('', 'NotAllowedError'), /not allowed/],
  [new DOMException('', 'NotFoundError'), /No camera can be used/],
])('says why there is no picture: %s', async (why, words) => {
  answering(() => [200, { hits: [], more: false }]);
  vi.stubGlobal('navigator', {
    ...navigator,
    mediaDevices: { getUserMedia: () => Promise.reject(why) },
  });
  show(<Page />);
  await userEvent.keyboard('/');
  await userEvent.click(await screen.findByRole('button', { name: 'Scan with the camera' }));

  expect(await screen.findByRole('alert')).toHaveTextContent(words);
});

it('says that a page without HTTPS gets no camera', async () => {
  answering(() => [200, { hits: [], more: false }]);
  show(<Page />); // jsdom has no devices, as such a page
  await userEvent.keyboard('/');
  await userEvent.click(await screen.findByRole('button', { name: 'Scan with the camera' }));

  expect(await screen.findByRole('alert')).toHaveTextContent(/only to a page over HTTPS/);
});
