import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, show } from '../test-data';
import { Bell } from './Bell';

afterEach(() => {
  vi.unstubAllGlobals();
});

it('counts what is new and marks it seen when it was looked at', async () => {
  const sent = answering((method) =>
    method === 'GET'
      ? [
          200,
          [
            {
              id: 9,
              job: 'J-1',
              words: 'Drive A of J-1 is read',
              at: '2026-11-23T09:00:00Z',
              seenAt: null,
            },
            {
              id: 4,
              job: 'J-2',
              words: 'old',
              at: '2026-11-22T09:00:00Z',
              seenAt: '2026-11-22T10:00:00Z',
            },
          ],
        ]
      : [204, null],
  );
  show(<Bell />);

  await userEvent.click(await screen.findByRole('button', { name: 'Bell: 1 new' }));
  expect(screen.getByRole('heading', { name: '1 thing since you looked' })).toBeVisible();
  expect(screen.getByText('Drive A of J-1 is read')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Close' }));

  await waitFor(() => {
    expect(sent.find((s) => s.method === 'POST')).toMatchObject({
      path: '/api/me/notices/seen',
      body: { through: 9 },
    });
  });
});
