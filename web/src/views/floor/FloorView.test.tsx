import { screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import type { Floor } from '../../api/types';
import { answering, choose, floor, floorJob, script, show } from '../../test-data';
import { FloorView, titleOf } from './FloorView';

afterEach(() => {
  vi.unstubAllGlobals();
});

function shop(data: Floor) {
  answering((_, path) => (path === '/api/floor' ? [200, data] : [200, script()]));
  show(<FloorView />);
}

it('says in its title who is needed and what is late', () => {
  const late = floorJob({ promise: 'LIKELY_LATE', promisedAt: '2026-11-23T12:30:00Z' });

  expect(titleOf(floor())).toBe('Nothing is in the shop');
  expect(titleOf(floor(floorJob()))).toBe('One machine needs a person');
  expect(titleOf(floor(late, floorJob()))).toBe('Two machines need a person, 1 is late or will be');
  expect(titleOf(floor(floorJob({ acts: 'RUNNING' })))).toBe('Nobody is needed right now');
});

it('tells a lane in words to those who do not see it', async () => {
  shop(floor(floorJob({ bay: 2, holder: 'Bo K.', promisedAt: '2026-11-25T12:30:00Z' })));

  const lane = await screen.findByRole('link', { name: /J-1/ });
  expect(lane).toHaveTextContent('bay');
  expect(lane).toHaveTextContent('Bo K.');
  expect(lane).toHaveTextContent(/promised Wed/);
  expect(lane).toHaveTextContent(/likely ready/);
});

it('filters, and says so when nothing is left', async () => {
  shop(
    floor(
      floorJob({ number: 'J-1', holder: 'Bo K.', dataStatus: 'WANTED' }),
      floorJob({ number: 'J-2', mine: true, holder: 'Ines R.' }),
    ),
  );

  await choose('Whose', 'mine');
  expect(screen.getByText('J-2')).toBeVisible();
  expect(screen.queryByText('J-1')).toBeNull();
  await choose('Data', 'wanted');

  expect(screen.getByText(/None of the 2 jobs/)).toBeVisible();
});

it('teaches the first move on an empty floor', async () => {
  shop(floor());

  expect(await screen.findByRole('link', { name: 'Take the first one in.' })).toBeVisible();
});

it.each([
  ['2026-11-20T02:00:00Z', /^The last good backup was made Fri/],
  [null, /^No backup was ever made/],
])('says what would be lost, when the last backup was at %s', async (lastAt, words) => {
  shop({ ...floor(), oldBackup: { lastAt } });

  expect(await screen.findByRole('status')).toHaveTextContent(words);
});

it('names copies that are due for erasing, also when nothing else is in the shop', async () => {
  const due = (job: string) => ({
    job,
    machine: 'Ostrel 17 laptop',
    partKey: 'drive-a',
    dueAt: '2026-11-20T12:00:00Z',
  });
  shop({ ...floor(), dueCopies: [due('J-7'), due('J-8')] });

  expect(await screen.findByText('2 copies of customers’ data are due for erasing:')).toBeVisible();
  expect(screen.getByRole('link', { name: 'J-7 Ostrel 17 laptop' })).toHaveAttribute(
    'href',
    '/rescue/J-7/drive-a',
  );
});
