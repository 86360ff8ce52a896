import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { failing, job, show, weight } from '../../test-data';
import { Causes } from './Causes';

const many = (n: number) =>
  Array.from({ length: n }, (_, i) => ({
    ...failing,
    cause: `cause-${i}`,
    name: `Cause ${i}`,
    probability: 0.5 / (i + 1),
  }));

it('has the finding as its title', () => {
  show(<Causes job={job()} shown={failing} onChoose={vi.fn()} />);

  expect(
    screen.getByRole('heading', { level: 1, name: 'Drive A is failing, 96 in 100.' }),
  ).toBeVisible();
});

it('folds the unlikely causes away until asked', async () => {
  const causes = many(9);
  const one = job({ weighing: { ...job().weighing, causes } });
  show(<Causes job={one} shown={causes[0]} onChoose={vi.fn()} />);
  const list = screen.getByRole('list', { name: /Causes/ });
  expect(within(list).getAllByRole('button')).toHaveLength(4);

  await userEvent.click(screen.getByRole('button', { name: /Show 5 more, each under 13 of 100/ }));

  expect(within(list).getAllByRole('button')).toHaveLength(9);
});

it('leads from a weight to its source and its bytes', async () => {
  show(<Causes job={job()} shown={failing} onChoose={vi.fn()} />);
  const row = screen.getByRole('button', { name: /46 sectors are pending/ });
  expect(row).toHaveTextContent('+18');
  expect(screen.getByRole('button', { name: /Young/ })).toHaveTextContent('−2.4');

  await userEvent.click(row);

  expect(screen.getAllByText('Likelihoods: FAST 2007.')[0]).toBeVisible();
  expect(
    screen.getAllByRole('link', { name: 'See bytes 110 to 121 of the page' })[0],
  ).toHaveAttribute('href', '/reading/r-1?page=ata-smart&offset=110&length=12');
});

it('shows a finding that another counted for, without a weight of its own', async () => {
  const shown = {
    ...failing,
    weights: [weight('46 are uncorrectable', 0, { countedBy: '46 sectors are pending' })],
  };
  show(<Causes job={job()} shown={shown} onChoose={vi.fn()} />);
  const row = screen.getByRole('button', { name: /46 are uncorrectable/ });

  await userEvent.click(row);

  expect(row).toHaveTextContent('not counted');
  expect(screen.getByText(/Measures the same as “46 sectors are pending”/)).toBeVisible();
});

it('teaches when nothing bears on a cause yet', () => {
  show(<Causes job={job()} shown={{ ...failing, weights: [] }} onChoose={vi.fn()} />);

  expect(screen.getByText(/No finding bears on it yet/)).toBeVisible();
});
