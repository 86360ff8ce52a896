import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { expect, it, vi } from 'vitest';
import { show } from '../test-data';
import { useScan } from './useScan';

const other = vi.fn();

function Page() {
  useScan(other);
  const [text, setText] = useState('');
  return (
    <>
      <output>{useLocation().pathname}</output>
      <input aria-label="field" value={text} onChange={(e) => setText(e.target.value)} />
    </>
  );
}

/** Keys with a pause between them, as the event's own time tells it. */
function type(target: Element, text: string, pauseMs: number, last = ['Enter']) {
  let at = 1000;
  for (const key of [...text, ...last]) {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
    Object.defineProperty(event, 'timeStamp', { value: (at += pauseMs) });
    fireEvent(target, event);
  }
}

it('opens the job of a label, also from a field, and takes the code out again', () => {
  show(<Page />);
  const field = screen.getByLabelText('field');
  fireEvent.change(field, { target: { value: 'HaasTKJ22913' } });

  type(field, 'TKJ22913', 10);

  expect(screen.getByRole('status')).toHaveTextContent('/job/J-2291');
  expect(field).toHaveValue('Haas');
});

it('looks for anything else that is scanned outside a field', () => {
  show(<Page />);

  type(document.body, 'OST172207', 10);
  expect(other).toHaveBeenCalledWith('OST172207');

  other.mockClear();
  type(screen.getByLabelText('field'), 'OST172207', 10); // belongs to the field
  type(document.body, 'OST172207', 120); // a hand, not a scanner
  type(document.body, 'OST172207', 10, ['Tab', 'Enter']); // from a field to its button
  expect(other).not.toHaveBeenCalled();
});
