import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { answering, session, show } from '../../test-data';
import { ShelfView } from './ShelfView';

const shelf = {
  finding: 'HELM-1000S fails most: 20 of 38 met here were replaced',
  models: [
    {
      model: 'HELM-1000S',
      sort: 'DISK',
      met: 38,
      replaced: 20,
      hours: 9_870,
      low: 0.37,
      high: 0.68,
    },
  ],
  stock: [
    {
      id: 4,
      kind: 'drive',
      model: 'QUAY-960F',
      bus: 'SATA',
      form: '2.5 inch',
      bytes: 960e9,
      place: 'drawer 3',
      pieces: 0,
    },
  ],
};

it('tells the worst model, and counts pieces', async () => {
  const sent = answering((_, path) => (path === '/api/session' ? [200, session()] : [200, shelf]));
  show(<ShelfView />);
  expect(await screen.findByRole('heading', { level: 1, name: shelf.finding })).toBeTruthy();
  expect(screen.getByRole('img', { name: '53 % replaced, from 37 % to 68 %' })).toBeTruthy();
  expect(screen.getByText('drive, SATA, 2.5 inch, 960 GB, drawer 3')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Take one QUAY-960F' })).toBeDisabled();
  await userEvent.click(screen.getByRole('button', { name: 'Add one QUAY-960F' }));
  expect(sent.find((s) => s.method === 'POST')).toMatchObject({
    path: '/api/shelf/stock/4/moves',
    body: { pieces: 1 },
  });
});

it('puts a drive on the shelf with what decides whether it fits', async () => {
  const sent = answering((_, path) => (path === '/api/session' ? [200, session()] : [200, shelf]));
  show(<ShelfView />);
  await userEvent.click(await screen.findByRole('button', { name: 'Put something on it…' }));
  await userEvent.type(screen.getByLabelText('Model'), 'QUAY-2000F');
  await userEvent.type(screen.getByLabelText('Size in GB'), '2000');
  await userEvent.click(screen.getByRole('button', { name: 'Put it there' }));
  expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
    kind: 'drive',
    model: 'QUAY-2000F',
    bus: 'SATA',
    form: '2.5 inch',
    bytes: 2e12,
    place: '',
    pieces: 1,
  });
});
