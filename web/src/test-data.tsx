import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { expect, vi } from 'vitest';
import type {
  CauseShare,
  CourseView,
  Run,
  Floor,
  FloorJob,
  Intake,
  Job,
  Move,
  Question,
  Reading,
  Script,
  Session,
  FindingWeight,
} from './api/types';

/** Made-up data for component tests, and the frame that components stand in. */
export const readMove: Move = {
  id: 'read-drive@drive-a',
  move: 'read-drive',
  part: 'drive-a',
  title: 'Read what drive A says about itself',
  why: 'Settles most for least.',
  by: 'READ',
  partKey: 'drive-a',
  changes: false,
  invasiveness: 'LOOKS_ONLY',
  invasivenessWords: 'looks only',
  handsOn: 0,
  waiting: 1,
  needs: [],
  steps: [],
  asks: [],
  notes: [],
  lock: null,
};

export const weight = (words: string, decibans: number, more: Partial<FindingWeight> = {}) => ({
  finding: {
    id: words,
    part: 'drive-a',
    level: 'many',
    words,
    basis: { kind: 'reading', page: 'ata-smart', offset: 110, length: 12 },
  },
  decibans,
  direct: true,
  countedBy: '',
  source: 'FAST 2007',
  ...more,
});

export const failing: CauseShare = {
  cause: 'failing-drive',
  part: 'drive-a',
  name: 'Failing drive',
  partName: 'drive A',
  place: 'drive',
  behind: true,
  prior: 0.3,
  probability: 0.96,
  suspicion: 'IMPLICATED',
  decibansFor: 18,
  decibansAgainst: -2.4,
  weights: [weight('46 sectors are pending', 18), weight('Young', -2.4)],
};

export const course = (name: CourseView['course'], words: string, locked: boolean): CourseView => ({
  course: name,
  words,
  invasiveness: locked ? 'ERASES' : 'OPENS_CASE',
  invasivenessWords: locked ? 'erases' : 'opens the case',
  lock: locked ? { reason: 'The data is wanted.', opens: 'Opens when a copy is verified.' } : null,
});

export const job = (more: Partial<Job> = {}): Job => ({
  number: 'J-1',
  version: 7,
  machine: 'Ostrel 17 laptop',
  machineSerial: null,
  looseDrive: false,
  customer: 'Bakery on the quay',
  complaint: 'Freezes on the logo',
  families: ['Start volume cannot be mounted'],
  customerId: 3,
  errorText: null,
  endedAt: null,
  endedHow: null,
  stage: 'READ',
  holder: null,
  sharedWith: [],
  waits: null,
  handBack: { wording: 'I have the machine.', copiesUntil: null, done: null },
  openChange: null,
  secretKept: false,
  fromCounter: true,
  photos: [],
  bootStage: 'loader',
  bootStages: ['nothing', 'power', 'loader', 'desktop'],
  takenInAt: '2026-11-23T08:00:00Z',
  promisedAt: null,
  bay: {
    number: 1,
    probe: {
      online: true,
      probeVersion: '0.1.0',
      machine: 'Ostrel 17',
      drives: ['drive-a'],
      others: [],
      lastSeenAt: null,
    },
  },
  data: {
    status: 'WANTED',
    words: 'wanted',
    meaning: 'No copy yet',
    saidBy: null,
    setAt: null,
    drives: [
      {
        partKey: 'drive-a',
        name: 'drive A',
        drive: { model: 'HELM-1000S', serial: 'OS7K-44019-B', sizeBytes: 1_000_204_886_016 },
        status: 'WANTED',
        words: 'wanted',
        open: [
          {
            holding: { kind: 'FOLDER', volume: 2, path: 'Users', files: 812, bytes: 80e9 },
            words: 'folder Users of volume 2 (812 files, 80.0 GB)',
          },
        ],
        elsewhere: [],
      },
    ],
    waivers: [],
  },
  places: [],
  drives: [
    {
      key: 'drive-a',
      partId: 5,
      metBefore: null,
      name: 'Drive A',
      identity: 'HELM-1000S · OS7K-44019-B',
      description: '1 TB disk',
      suspicion: 'IMPLICATED',
      note: '',
      readingId: 'r-1',
      takenAt: '2026-11-23T09:00:00Z',
    },
  ],
  weighing: {
    headline: 'Drive A is failing, 96 in 100.',
    findings: 2,
    causes: [failing],
    noneProbability: 0.01,
    conflictBits: -2,
    doubt: '',
    leaning: ['RECOVER_DATA'],
  },
  pending: [],
  contradicted: null,
  cameBack: null,
  unsafe: null,
  needed: [],
  weakPoints: [],
  moves: [readMove],
  courses: [
    course('RECOVER_DATA', 'Recover the data', false),
    course('REPLACE_PART', 'Replace the part', false),
    course('RESET_ERASING', 'Reset the system, erasing the drive', true),
  ],
  leaning: ['RECOVER_DATA'],
  made: [],
  enough: false,
  proof: null,
  plans: [],
  turns: [],
  stop: 'Test on: “Read drive A” costs 1 min and saves 42.',
  waiver: 'I do not need the data.',
  decisions: [],
  work: null,
  journal: [],
  ...more,
});

export const reading = (more: Partial<Reading> = {}): Reading => ({
  id: 'r-1',
  drive: 'Drive A',
  job: 'J-1',
  machine: 'Ostrel 17 laptop',
  takenAt: '2026-11-23T09:00:00Z',
  receivedAt: '2026-11-23T09:00:01Z',
  probeVersion: '0.1.0',
  pages: [
    {
      kind: 'ata-smart',
      standardName: 'SMART READ DATA',
      outcome: 'GOT',
      why: null,
      hex: '10'.repeat(512),
      damage: null,
    },
  ],
  identify: [],
  attributes: [],
  smart: null,
  ...more,
});

export const floorJob = (more: Partial<FloorJob> = {}): FloorJob => ({
  number: 'J-1',
  machine: 'Ostrel 17 laptop',
  customer: 'Bakery on the quay',
  suspicion: 'UNKNOWN',
  headline: '',
  stage: 'READ',
  dataStatus: 'NOT_ASKED',
  families: ['slow'],
  acts: 'PERSON',
  line: 'Read its drive',
  holder: null,
  mine: false,
  takenInAt: '2026-11-23T08:00:00Z',
  promisedAt: null,
  promise: 'NONE',
  likelyEnd: {
    early: '2026-11-23T13:00:00Z',
    likely: '2026-11-23T14:00:00Z',
    late: '2026-11-23T16:00:00Z',
  },
  restsOn: 0,
  spans: [],
  bay: null,
  running: null,
  runningShare: null,
  ...more,
});

export const floor = (...jobs: FloorJob[]): Floor => ({
  now: '2026-11-23T12:00:00Z',
  shop: 'Harbour bench',
  nextFreeBayAt: null,
  bays: [],
  dueCopies: [],
  oldBackup: null,
  jobs,
});

export const question = (id: string, more: Partial<Question> = {}): Question => ({
  id,
  ask: `${id}?`,
  hint: '',
  says: 'It is {answer}.',
  open: `${id}?`,
  kind: 'SOME',
  nothing: 'nothing',
  of: ['MACHINE'],
  families: [],
  options: [
    { id: 'a', name: 'Clicks', hint: '', phrase: 'it clicks', findings: {} },
    { id: 'b', name: 'Hot', hint: '', phrase: 'it is hot', findings: {} },
  ],
  ...more,
});

export const script = (...questions: Question[]): Script => ({
  families: [{ id: 'slow', name: 'Slow', says: 'is slow' }],
  questions,
  waiver: 'It may be erased for good.',
});

export const intake = (more: Partial<Intake> = {}): Intake => ({
  id: 'i',
  version: 0,
  answers: {} as Intake['answers'], // what nobody asked is not sent
  heard: [],
  families: [],
  causes: [],
  none: 1,
  ask: [
    { question: 'boot-stage', bits: 0.1 },
    { question: 'noise', bits: 0.4 },
  ],
  secretKept: false,
  missing: null,
  job: null,
  corrected: false,
  ...more,
});

export const session = (role: 'TECHNICIAN' | 'LEAD' | 'COUNTER' = 'TECHNICIAN'): Session => ({
  person: { id: 7, displayName: 'Ines R.', role, hasPin: false, language: null },
  here: [],
  demo: false,
  now: new Date().toISOString(),
});

/** What a component sent to the server, and the answers it gets. */
export function answering(answer: (method: string, path: string) => [number, unknown]) {
  const sent: { method: string; path: string; body: unknown }[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const { method } = request;
    const path = request.url.slice(location.origin.length);
    const text = await request.text();
    sent.push({ method, path, body: text === '' ? undefined : JSON.parse(text) });
    const [status, body] = answer(method, path);
    return new Response(status === 204 ? null : JSON.stringify(body), { status });
  });
  return sent;
}

/** Renders at an address, with everything that the shell would provide. */
export function show(element: ReactNode, path = '/', route = '*') {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const router = createMemoryRouter([{ path: route, element }], { initialEntries: [path] });
  const shown = render(
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  return { ...shown, client };
}

/** Presses a button that waits for something, and tells what for. */
export async function whatIsMissing(button: HTMLElement): Promise<string> {
  expect(button).toHaveAttribute('data-waits');
  await userEvent.click(button);
  return document.getElementById(button.getAttribute('aria-describedby') ?? '')?.textContent ?? '';
}

/** Chooses one of a list as somebody with a mouse would. */
export async function choose(label: string, option: string) {
  // The list may be code that is fetched when it is first shown.
  await userEvent.click(await screen.findByLabelText(label, undefined, { timeout: 10_000 }));
  await userEvent.click(await screen.findByRole('option', { name: option }));
}

/** A run that came to its end and found nothing. */
export const runData = (more: Partial<Run> = {}): Run => ({
  id: 'r1',
  partKey: 'drive-a',
  kind: 'SURFACE_SCAN',
  name: 'Surface scan',
  gentle: true,
  state: 'ENDED',
  askedAt: '2026-11-20T10:00:00Z',
  share: 1,
  likelyEnd: null,
  spreadSeconds: null,
  atByte: null,
  waits: null,
  result: null,
  end: 'COMPLETE',
  endedAt: '2026-11-20T11:00:00Z',
  why: null,
  ...more,
});
