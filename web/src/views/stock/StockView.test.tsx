import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { answering, session, show } from '../../test-data';
import { StockView } from './StockView';

const stock = {
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
  items: [
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
  const sent = answering((_, path) => (path === '/api/session' ? [200, session()] : [200, stock]));
  show(<StockView />);
  expect(await screen.findByRole('heading', { level: 1, name: stock.finding })).toBeTruthy();
  expect(screen.getByRole('img', { name: '53 % replaced, from 37 % to 68 %' })).toBeTruthy();
  expect(screen.getByText('drive, SATA, 2.5 inch, 960 GB, drawer 3')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Take one QUAY-960F' })).toBeDisabled();
  await userEvent.click(screen.getByRole('button', { name: 'Add one QUAY-960F' }));
  expect(sent.find((s) => s.method === 'POST')).toMatchObject({
    path: '/api/stock/items/4/moves',
    body: { pieces: 1 },
  });
});

it('puts a drive in stock with what decides whether it fits', async () => {
  const sent = answering((_, path) => (path === '/api/session' ? [200, session()] : [200, stock]));
  show(<StockView />);
  await userEvent.click(await screen.findByRole('button', { name: 'Add to stock…' }));
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

it('opens a model to how long it lasts, and to each drive of it', async () => {
  const lives = {
    survival: [{ hours: 9_000, atRisk: 30, survival: 0.6, low: 0.4, high: 0.8 }],
    lives: [
      {
        part: 12,
        serial: 'HS-0012',
        hours: 9_000,
        replaced: true,
        lastSeen: '2026-11-20T09:00:00Z',
      },
    ],
  };
  answering((_, path) => {
    if (path === '/api/session') return [200, session()];
    return [200, path.startsWith('/api/stock/model') ? lives : stock];
  });
  show(<StockView />);
  await userEvent.click(await screen.findByRole('button', { name: 'HELM-1000S' }));
  expect(
    await screen.findByRole('slider', {
      name: 'After 9,000 h 60 % still worked (95 %: 40 % to 80 %).',
    }),
  ).toBeTruthy();
  expect(screen.getByRole('link', { name: 'HS-0012' }).getAttribute('href')).toBe('/part/12');
  expect(screen.getByText('decided to be replaced')).toBeTruthy();
});
