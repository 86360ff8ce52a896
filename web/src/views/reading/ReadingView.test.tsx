import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Attribute, Reading } from '../../api/types';
import { answering, reading, show } from '../../test-data';
import { ReadingView } from './ReadingView';
import { readingTitle } from './readingTitle';

afterEach(() => {
  vi.unstubAllGlobals();
});

const attribute = (id: number, more: Partial<Attribute> = {}): Attribute => ({
  id,
  name: `Count ${id}`,
  offset: 26,
  preFailure: false,
  value: 100,
  worst: 100,
  threshold: null,
  state: 'NOT_REPORTED',
  stateWords: 'no threshold reported',
  rawHex: '2e0000000000',
  meaning: { value: 46, unit: 'count', rule: 'COUNT_32', also: {} },
  ...more,
});

const page = (more: Partial<Reading['pages'][number]>) =>
  reading({ pages: [{ ...(reading().pages[0] as Reading['pages'][number]), ...more }] });

const damaged = page({
  damage: {
    kind: 'BAD_CHECKSUM',
    what: 'SMART READ DATA fails its own checksum',
    offset: 511,
    expected: '9Ah',
    found: 'BAh',
  },
});

it.each<[string, Reading, string]>([
  ['damage first', damaged, 'SMART READ DATA fails its own checksum: it cannot be trusted'],
  [
    'then what could not be read',
    page({ outcome: 'COULD_NOT_RUN', hex: null, why: 'timed out' }),
    'SMART READ DATA could not be read',
  ],
  [
    'then a limit that is passed',
    reading({ attributes: [attribute(197), attribute(10, { state: 'FAILS_NOW' })] }),
    'Count 10 is past its limit',
  ],
  [
    'then the gravest count',
    reading({ attributes: [attribute(5), attribute(197)] }),
    '46 sectors are pending',
  ],
  ['no attributes', reading(), 'The drive reports nothing about its health'],
  [
    'no trouble',
    reading({ attributes: [attribute(12)] }),
    'The drive reports no trouble with its sectors',
  ],
])('says in its title: %s', (_, shown, title) => {
  expect(readingTitle(shown)).toBe(title);
});

async function open(shown: Reading, search = '') {
  answering(() => [200, shown]);
  show(<ReadingView />, `/reading/r-1${search}`, '/reading/:id');
  await screen.findByRole('heading', { level: 1 });
}

const marked = () => [...document.querySelectorAll('td[data-marked]')].map((td) => td.textContent);

it('marks the bytes of the row that is chosen', async () => {
  await open(reading({ attributes: [attribute(197)] }));
  expect(marked()).toHaveLength(0);

  await userEvent.click(screen.getByRole('button', { name: 'Count 197: show bytes' }));

  expect(marked()).toHaveLength(12);
  expect(screen.getByText(/bytes 26 to 37 marked/)).toBeVisible();
});

it('opens at the bytes that a finding rests on', async () => {
  await open(reading(), '?page=ata-smart&offset=363&length=1');

  expect(screen.getByText(/byte 363 marked/)).toBeVisible();
});

it('says of a threshold or meaning that there is none rather than 0', async () => {
  await open(reading({ attributes: [attribute(9, { meaning: null })] }));

  expect(screen.getByText(/100 \/ 100 \/ not reported/)).toBeVisible();
  expect(screen.getByText('no rule fits')).toBeVisible();
});

it('points at the damage and keeps the bytes in sight', async () => {
  await open(damaged);

  expect(screen.getByRole('note')).toHaveTextContent('the standard wants 9Ah, there is BAh');
  expect(marked()).toEqual(['10']);
});
