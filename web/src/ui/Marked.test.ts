import { expect, it } from 'vitest';
import { pieces } from './Marked';

const marked = (text: string, find: string, serial = false) =>
  pieces(text, find, serial)
    .map((p) => (p.found ? `[${p.text}]` : p.text))
    .join('');

it('marks words by their beginning, whatever the case', () => {
  expect(marked('Bakery on the quay', 'bak quay')).toBe('[Bak]ery on the [quay]');
  expect(marked('Bakery', 'kery')).toBe('Bakery');
});

it('marks any part of a serial, over its hyphens', () => {
  expect(marked('OST17-2207-118', '7220', true)).toBe('OST1[7-220]7-118');
  expect(marked('OST17-2207-118', 'os', true)).toBe('OST17-2207-118'); // too short to tell
});
