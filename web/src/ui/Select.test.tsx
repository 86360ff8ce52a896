import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { expect, it } from 'vitest';
import { choose } from '../test-data';
import { Select } from './Select';

function Whom({ at = 'above' }: { at?: 'above' | 'hidden' }) {
  const [value, setValue] = useState<'' | 'bo' | 'mara'>('');
  return (
    <>
      <Select
        label="Colleague"
        labelAt={at}
        value={value}
        onChange={setValue}
        options={[
          ['', 'whoever is free'],
          ['bo', 'Bo K.'],
          ['mara', 'Mara T.'],
        ]}
      />
      <output>{value === '' ? 'nobody' : value}</output>
    </>
  );
}

it('chooses with the mouse, also what stands for nothing', async () => {
  render(<Whom />);
  expect(screen.getByLabelText('Colleague')).toHaveTextContent('whoever is free');

  await choose('Colleague', 'Mara T.');
  expect(screen.getByRole('status')).toHaveTextContent('mara');
  await choose('Colleague', 'whoever is free');

  expect(screen.getByRole('status')).toHaveTextContent('nobody');
});

it('chooses by the first letter without opening, and by arrows in the list', async () => {
  render(<Whom />);
  await userEvent.tab();
  await userEvent.keyboard('b');
  expect(screen.getByRole('status')).toHaveTextContent('bo');

  await userEvent.keyboard('{Enter}');
  await screen.findByRole('option', { name: 'Bo K.' });
  await userEvent.keyboard('{ArrowDown}{Enter}');

  expect(screen.getByRole('status')).toHaveTextContent('mara');
  expect(screen.queryByRole('option')).toBeNull();
});

it('is read aloud by its label where the label is not shown', () => {
  render(<Whom at="hidden" />);

  expect(screen.queryByText('Colleague')).toBeNull();
  expect(screen.getByRole('button', { name: /Colleague/ })).toHaveAttribute(
    'aria-haspopup',
    'listbox',
  );
});
