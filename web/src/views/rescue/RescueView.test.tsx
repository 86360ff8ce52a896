import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { DataOnDrive, Rescue, Survey } from '../../api/types';
import { answering, runData, show } from '../../test-data';
import { copyTime, spans } from './bands';
import { proposed, sum } from './folders';
import { RescueView } from './RescueView';

const folders = [
  { path: '', files: 1, bytes: 600, proposed: true },
  { path: 'Core', files: 31, bytes: 27_000_000, proposed: false },
  { path: 'Users', files: 52, bytes: 95_000_000, proposed: true },
  { path: 'Users/quay', files: 52, bytes: 95_000_000, proposed: true },
];

const survey: Survey = {
  kind: 'survey',
  sizeBytes: 1e12,
  scheme: 'mbr',
  reason: 'damaged-boot-sector',
  why: 'The boot sector or superblock of a volume is damaged',
  next: 'Image it first.',
  failedReads: 0,
  damage: [],
  volumes: [
    {
      number: 1,
      name: '',
      startByte: 1_048_576,
      bytes: 9e11,
      content: 'exFAT',
      encrypted: false,
      label: 'CHOIR',
      uuid: null,
      usedBytes: null,
      damage: [
        {
          what: 'The boot sector is lost',
          offset: 1_048_576,
          length: 512,
          backupOffset: 1_054_720,
        },
      ],
      listed: true,
      files: 84,
      filesBytes: 122_000_600,
      folders,
      troubles: [],
    },
  ],
};

const rescue: Rescue = {
  kind: 'rescue',
  phase: 'ended',
  inUseOnly: true,
  cells: '++..-.',
  copyCells: '++  + ',
  sizeBytes: 1e12,
  wantedBytes: 122_000_000,
  readBytes: 121_991_808,
  lostBytes: 8_192,
  openBytes: 0,
  lostFiles: [{ path: 'Users/quay/opening day.jpg', bytes: 3_145_728, lostBytes: 8_192 }],
  lostFilesInAll: 1,
  expectedShare: 1,
  sums: 'c0ffee'.padEnd(64, '0'),
  verified: null,
  folder: 'J-2279/drive-a',
};

const data = (more: Partial<DataOnDrive> = {}): DataOnDrive => ({
  job: 'J-2279',
  machine: '2 TB outside drive',
  partKey: 'drive-a',
  slot: 'Drive A',
  model: 'HX2T',
  serial: 'HX2T-55120-C',
  decisive: null,
  dataStatus: 'WANTED',
  dataStatusWords: 'wanted',
  holds: {
    partKey: 'drive-a',
    name: 'drive A',
    drive: null,
    status: 'WANTED',
    words: 'wanted',
    open: [],
    elsewhere: [],
  },
  finding: 'not looked at yet',
  next: 'Survey it.',
  probeOnline: true,
  survey: null,
  rescue: null,
  check: null,
  files: [],
  open: null,
  copy: null,
  copyErased: null,
  erased: null,
  eraseLock: { reason: 'It erases, and the data is wanted.', opens: 'Opens when it is verified.' },
  carved: null,
  mending: { pieces: [], lock: null, last: null, canTakeBack: false },
  version: 3,
  steps: [
    { kind: 'SURVEY', name: 'Survey', about: 'reads little', next: true, lockedWhy: null },
    {
      kind: 'VERIFY_IMAGE',
      name: 'Check of the image',
      about: 'reads it again',
      next: false,
      lockedWhy: 'there is no image yet',
    },
  ],
  ...more,
});

const at = (answer: DataOnDrive) => {
  const sent = answering(() => [200, answer]);
  show(<RescueView />, '/rescue/J-2279/drive-a', '/rescue/:number/:partKey');
  return sent;
};

it('teaches the first step and starts it', async () => {
  const sent = at(data());
  expect(await screen.findByText(/A survey reads a few sectors only/)).toBeTruthy();
  expect(screen.getByText('Not now: there is no image yet.')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Start this run: Survey' }));
  expect(sent.find((s) => s.method === 'POST')).toMatchObject({
    path: '/api/jobs/J-2279/parts/drive-a/runs',
    body: { kind: 'SURVEY' },
  });
});

it('says what is on it and proposes what people make, each file once', async () => {
  const sent = at(data({ survey: runData({ kind: 'SURVEY', result: survey }) }));
  expect(
    await screen.findByText(/The boot sector or superblock of a volume is damaged/),
  ).toBeTruthy();
  const choice = screen.getByRole('group', { name: 'Folders of Partition 1, CHOIR' });
  expect(within(choice).getAllByRole('checkbox', { checked: true })).toHaveLength(2);
  expect(screen.getByText('53 files, 95 MB, 1 s to 2 s')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Copy these files' }));
  expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
    volume: 1,
    folders: ['', 'Users'],
  });
});

it('names the files that lost something, and what a check found', async () => {
  const copied = runData({ kind: 'RESCUE_IN_USE', result: rescue });
  at(data({ rescue: copied }));
  expect(await screen.findByText(/99.99 % read: 122 MB of 122 MB in use/)).toBeTruthy();
  const lost = screen.getByRole('list', { name: 'Files that lost something' });
  expect(lost.textContent).toContain('Users/quay/opening day.jpg: 8.19 kB of 3.15 MB');
});

it('says that an image is not what was read', async () => {
  const check = runData({ kind: 'VERIFY_IMAGE', result: { ...rescue, verified: false } });
  at(data({ rescue: runData({ kind: 'RESCUE_IN_USE', result: rescue }), check }));
  expect(await screen.findByText(/The copy is not what was read of the drive/)).toBeTruthy();
});

it('says what locks erasing, and wants the drive named', async () => {
  at(data());
  expect(await screen.findByText(/Locked: It erases, and the data is wanted/)).toBeTruthy();
});

it('erases only what is named by size, model and serial, and says what came of it', async () => {
  const erased = runData({
    kind: 'ERASE',
    result: {
      kind: 'erase',
      phase: 'read back',
      sizeBytes: 1e12,
      writtenBytes: 1e12,
      refusedBytes: 0,
      lookedAt: 3000,
      notZero: 0,
      unreadable: 0,
      notErasedAtMost: 0.001,
    },
  });
  const sent = at(data({ eraseLock: null, erased }));
  expect(await screen.findByText(/with 95 % confidence at most 0.10 % is left/)).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Erase this drive…' }));
  const go = screen.getByRole('button', { name: 'Erase the drive that I named' });
  expect(go).toBeDisabled();
  await userEvent.type(screen.getByLabelText(/Size/), '2 TB');
  await userEvent.type(screen.getByLabelText('Model'), 'HX2T');
  await userEvent.type(screen.getByLabelText(/Last four/), '20-C');
  await userEvent.click(go);
  expect(sent.find((s) => s.method === 'POST')).toMatchObject({
    path: '/api/jobs/J-2279/parts/drive-a/erase',
    body: { version: 3, size: '2 TB', model: 'HX2T', lastFour: '20-C' },
  });
});

it('keeps a copy until it may go, then erases it', async () => {
  const sent = at(data({ copy: { keptUntil: null, missingSince: null, lockedWhy: null } }));
  expect(await screen.findByText(/30 days after the hand-back/)).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Erase the copy' }));
  expect(sent.find((s) => s.method === 'POST')?.path).toBe(
    '/api/jobs/J-2279/parts/drive-a/copy/erase',
  );
});

it('joins neighbours and foretells a copy', () => {
  expect(spans('++.-')).toEqual([
    { symbol: '+', from: 0, to: 2 },
    { symbol: '.', from: 2, to: 3 },
    { symbol: '-', from: 3, to: 4 },
  ]);
  expect(copyTime(40e9)).toBe('5 min to 17 min'); // at 130 and at 40 MB a second
});

it('chooses a folder without what lies in it', () => {
  expect([...proposed(folders)]).toEqual(['', 'Users']);
  expect(sum(folders, new Set(['Users', 'Users/quay']))).toEqual({ files: 52, bytes: 95_000_000 });
});

it('puts a boot sector back from its copy by the name of the drive, and offers to take that back', async () => {
  const mended = runData({
    kind: 'MEND',
    endedAt: '2026-11-23T12:05:00Z',
    result: {
      kind: 'mend',
      phase: 'read back',
      pieces: [{ what: 'The boot sector is lost', offset: 1_048_576, length: 512 }],
      written: 1,
      left: [],
      keptIn: 'J-2291/drive-a',
      why: 'Its tables and file systems are sound',
      contentAfter: 'ab'.repeat(32),
    },
  });
  const pieces = ['The boot sector is lost; a copy of it is intact'];
  const sent = at(data({ mending: { pieces, lock: null, last: mended, canTakeBack: true } }));
  expect(
    await screen.findByText(
      /1 of 1 written and read back the same \(512 bytes at byte 1,048,576\). Now: Its tables/,
    ),
  ).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Take the mending back…' })).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Write it anew from its copy…' }));
  await userEvent.type(screen.getByLabelText(/Size/), '500 GB');
  await userEvent.type(screen.getByLabelText('Model'), 'HX2T');
  await userEvent.type(screen.getByLabelText('Last four of its serial'), '19-B');
  await userEvent.click(screen.getByRole('button', { name: 'Write to the drive that I named' }));
  expect(sent.find((s) => s.method === 'POST')?.path).toMatch(/\/mend$/);
});

it('shows small pictures of what was found by its content, and how much is missing', async () => {
  const carved = runData({
    kind: 'CARVE',
    endedAt: '2026-11-23T12:05:00Z',
    result: {
      kind: 'carve',
      lookedAtBytes: 9,
      ofBytes: 9,
      sorts: [{ extension: 'jpg', files: 40, bytes: 87_000_000 }],
      examples: [
        {
          name: '01.jpg',
          extension: 'jpg',
          bytes: 2_100_000,
          checked: 'scan',
          preview: '/9j/4A==',
        },
        { name: '02.pdf', extension: 'pdf', bytes: 9_000, checked: 'its table', preview: null },
      ],
      failed: 1,
      folder: 'J-2291/drive-a/files-by-content',
    },
  });
  at(data({ carved }));
  expect(await screen.findByText('40 files found by their content')).toBeTruthy();
  expect(screen.getByRole('img', { name: 'Picture 01.jpg' }).getAttribute('src')).toBe(
    'data:image/jpeg;base64,/9j/4A==',
  );
  expect(screen.getByText(/1 more has a part that was not read/)).toBeTruthy();
  expect(screen.getByText(/checked: its table/)).toBeTruthy();
});

it('says what locks putting back, and what came of a try that wrote nothing', async () => {
  const last = runData({
    kind: 'MEND',
    endedAt: '2026-11-23T12:05:00Z',
    end: 'COULD_NOT_RUN',
    why: 'refused by the probe: the release has run out',
  });
  const lock = {
    reason: 'It writes, and the data is wanted.',
    opens: 'Opens when it is verified.',
  };
  const pieces = ['The boot sector is lost; a copy of it is intact'];
  at(data({ mending: { pieces, lock, last, canTakeBack: false } }));
  expect(await screen.findByText(/Locked: It writes, and the data is wanted/)).toBeTruthy();
  expect(screen.getByText(/the release has run out/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /Write it anew/ })).toBeNull();
});

it('says that a survey is older than what was written since', async () => {
  const looked = runData({ kind: 'SURVEY', endedAt: '2026-11-23T11:00:00Z', result: survey });
  const last = runData({
    kind: 'MEND',
    endedAt: '2026-11-23T12:05:00Z',
    result: {
      kind: 'mend',
      phase: '',
      pieces: [],
      written: 1,
      left: [],
      keptIn: 'x',
      why: 'Fine',
      contentAfter: '',
    },
  });
  at(data({ survey: looked, mending: { pieces: [], lock: null, last, canTakeBack: true } }));
  expect(await screen.findByText(/written to since: survey it again/)).toBeTruthy();
});
