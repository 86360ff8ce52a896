import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { failing, job, show, weight } from '../../test-data';
import { Why } from './Why';

const of = (kind: string, page = '') => ({
  ...weight('What was found', 9),
  finding: {
    ...weight('What was found', 9).finding,
    basis: { kind, page, offset: 110, length: 12 },
  },
});

const open = async (found: ReturnType<typeof of>) => {
  show(<Why job={job()} cause={{ ...failing, weights: [found] }} />);
  await userEvent.click(screen.getByRole('button', { name: /What was found/ }));
};

it('leads from a number to the bytes it rests on', async () => {
  await open(of('reading', 'ata-smart'));

  expect(screen.getByRole('link', { name: /of the page/ })).toHaveAttribute(
    'href',
    '/reading/r-1?page=ata-smart&offset=110&length=12',
  );
});

it('leads to the test that found it', async () => {
  await open(of('run'));

  expect(screen.getByRole('link', { name: 'See the test that found it' })).toHaveAttribute(
    'href',
    '/drive/J-1/drive-a',
  );
});

it('leads to where a finding of the whole machine was made', async () => {
  const march = of('run');
  await open({ ...march, finding: { ...march.finding, id: 'march.errors', part: 'machine' } });

  expect(screen.getByRole('link', { name: 'See where it was found' })).toHaveAttribute(
    'href',
    '/memory/J-1',
  );
});

it('leads to the move that showed it', async () => {
  await open(of('move'));

  expect(screen.getByRole('link', { name: 'See the move that showed it' })).toHaveAttribute(
    'href',
    '#made',
  );
});

it('says where likelihoods come from, also of what the owner said', async () => {
  await open(of('intake'));

  expect(screen.getByText('Likelihoods: FAST 2007.')).toBeVisible();
  expect(screen.queryByRole('link')).toBeNull();
});
