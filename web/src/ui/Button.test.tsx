import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { Button } from './Button';

it('keeps the focus while what it began is under way, and begins nothing twice', async () => {
  const user = userEvent.setup();
  const done: string[] = [];
  const form = (isPending: boolean) => (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        done.push('sent');
      }}
    >
      <input aria-label="Name" />
      <Button type="submit" isPending={isPending} onPress={() => done.push('pressed')}>
        Keep
      </Button>
    </form>
  );
  const { rerender } = render(form(false));
  await user.click(screen.getByRole('button', { name: 'Keep' }));
  expect(done).toEqual(['pressed', 'sent']);

  rerender(form(true));

  expect(screen.getByRole('button', { name: 'Keep' })).toHaveFocus();
  await user.keyboard('{Enter}');
  await user.type(screen.getByRole('textbox', { name: 'Name' }), 'x{Enter}');
  expect(done).toHaveLength(2);
});
