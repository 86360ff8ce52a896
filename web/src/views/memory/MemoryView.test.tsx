import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { Isolation, Memory } from '../../api/types';
import { answering, choose, runData, show } from '../../test-data';
import { memoryTestTitle } from './MemoryTest';
import { MemoryView, titleOf } from './MemoryView';

const THINGS = [
  { kind: 'module', name: 'M1', serial: null },
  { kind: 'module', name: 'M2', serial: null },
  { kind: 'slot', name: 'slot 1', serial: null },
  { kind: 'slot', name: 'slot 2', serial: null },
];

const isolation = (more: Partial<Isolation> = {}): Isolation => ({
  number: 'J-1',
  version: 7,
  machine: 'Tarnwick desk tower',
  sort: 'MEMORY',
  title: 'Memory',
  things: THINGS,
  starts: [
    {
      id: 4,
      arrangement: [0, 1],
      outcome: 'FAIL',
      note: '',
      by: 'Ines R.',
      at: '2026-11-23T08:00:00Z',
    },
  ],
  suspects: [
    { words: 'M2', probability: 0.5, suspicion: 'LEANING' },
    { words: 'M1', probability: 0.4, suspicion: 'LEANING' },
  ],
  named: null,
  options: [{ arrangement: [1, -1], words: 'only M2 in slot 1', bits: 0.89, minutes: 11 }],
  error: 0.05,
  ...more,
});

const memory = (more: Partial<Memory> = {}): Memory => ({
  seen: [],
  seenAt: null,
  placedNow: null,
  runs: [],
  canTestMemory: 'No probe is connected in bay 7.',
  replacement: null,
  meanwhile: null,
  isolation: isolation(),
  ...more,
});

it('proposes the start that tells most and keeps how it came out', async () => {
  const sent = answering((method) => [method === 'POST' ? 204 : 200, memory()]);
  const user = userEvent.setup();
  show(<MemoryView />, '/memory/J-1', '/memory/:number');

  expect(await screen.findByRole('rowheader', { name: 'only M2 in slot 1' })).toBeTruthy();
  expect(screen.getByLabelText('slot 1')).toHaveTextContent('M2');
  await user.click(screen.getByRole('button', { name: 'It failed' }));

  expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
    version: 7,
    arrangement: [1, -1],
    outcome: 'FAIL',
    note: '',
  });
});

it('lets nobody put one module into two slots', async () => {
  answering(() => [200, memory()]);
  show(<MemoryView />, '/memory/J-1', '/memory/:number');

  await choose('slot 2', 'M2');

  expect(screen.getByRole('status').textContent).toContain('One module sits in one slot');
  expect(screen.getByRole('button', { name: 'It passed' })).toBeDisabled();
});

it('takes a module that is dragged into a slot, out of the one where it was', async () => {
  answering(() => [200, memory()]);
  show(<MemoryView />, '/memory/J-1', '/memory/:number');
  const second = await screen.findByLabelText('slot 2');
  const dataTransfer = { getData: () => '1', setData: () => undefined };

  fireEvent.drop(second, { dataTransfer }); // M2, which sits in slot 1

  expect(second).toHaveTextContent('M2');
  expect(screen.getByLabelText('slot 1')).toHaveTextContent('empty');
});

it('has the finding as its title', () => {
  expect(titleOf(memory())).toBe('Perhaps M2, or M1: the one start cannot tell them apart yet');
  expect(titleOf(memory({ isolation: isolation({ named: 'M2' }) }))).toBe('It is M2');
  expect(
    titleOf(
      memory({ isolation: isolation({ named: 'none of these: board, processor or supply' }) }),
    ),
  ).toBe('It is neither a module nor a slot');
  expect(titleOf(memory({ isolation: isolation({ things: [] }) }))).toBe(
    'What sits in its memory slots?',
  );
});

it('asks for the modules first', async () => {
  const sent = answering((method) => [
    method === 'PUT' ? 204 : 200,
    memory({ isolation: isolation({ things: [], starts: [], suspects: [], options: [] }) }),
  ]);
  const user = userEvent.setup();
  show(<MemoryView />, '/memory/J-1', '/memory/:number');

  await user.click(await screen.findByRole('button', { name: 'Begin the isolation' }));

  expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({
    version: 7,
    things: THINGS.map(({ kind, name }) => ({ kind, name })),
  });
});

const march = {
  kind: 'memory-test' as const,
  algorithm: 'March C-',
  done: ['Address in address', 'March C-'],
  bytes: 1_048_576,
  coverage: '1 of 16,384 MiB',
  passes: 1,
  mismatches: 14,
  byBit: Array.from({ length: 64 }, (_, bit) => (bit === 19 ? 2 : 0)),
  byClass: { 'stuck-at': 2 },
  stretches: [{ fromWord: 20_481, toWord: 20_737, words: 2 }],
  where: '2 faulty bits, all on bit line 19, in one place',
  celsius: null,
};

it('shows on which lines a march failed, and tells a whole pass from an ended one', async () => {
  const failed = runData({
    kind: 'MEMORY_TEST',
    partKey: 'board',
    name: 'Memory test',
    result: march,
  });
  answering(() => [200, memory({ runs: [failed] })]);
  show(<MemoryView />, '/memory/J-1', '/memory/:number');

  expect(
    await screen.findByRole('img', { name: 'Faulty words by line: line 19: 2' }),
  ).toBeVisible();
  expect(screen.getByText('2 bits stuck')).toBeVisible();
  expect(screen.getByText(/1 place, the first at 0.16 MiB of 1.00 MiB/)).toBeVisible();
  const clean = { ...march, mismatches: 0, where: '' };
  expect(memoryTestTitle(null, [{ ...failed, result: clean }])).toContain(
    'no error in a whole pass',
  );
  expect(memoryTestTitle(null, [{ ...failed, result: { ...clean, passes: 0 } }])).toContain(
    'ended before one whole pass',
  );
});

it('fills in how the modules sit, once the machine has told it', async () => {
  answering(() => [
    200,
    memory({ placedNow: [-1, 1], seenAt: '2026-11-23T09:00:00Z', replacement: '8 GB DDR4' }),
  ]);
  show(<MemoryView />, '/memory/J-1', '/memory/:number');

  const second = await screen.findByLabelText('slot 2');
  expect(second).toHaveTextContent('M2');
  expect(screen.getByText(/filled in by its serials/)).toBeVisible();
});
