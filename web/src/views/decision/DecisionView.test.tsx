import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Estimate, Job, PlanRow, Plans } from '../../api/types';
import { answering, job, show, whatIsMissing } from '../../test-data';
import { DecisionView } from './DecisionView';

afterEach(() => {
  vi.unstubAllGlobals();
});

const row = (id: string, words: string, more: Partial<PlanRow> = {}): PlanRow => ({
  id,
  remedies: id === 'hand-back' ? [] : id.split('+'),
  courses: ['REPLACE_PART'],
  steps: [],
  words,
  onlyIf: '',
  against: 'against: failing drive >99',
  gone: 0.97,
  goneLow: 0.92,
  goneHigh: 0.99,
  dataLost: 0.03,
  handsOnMinutes: 84.2,
  mostMinutes: 84,
  ownerMinutes: 0,
  readyEarly: '2026-12-01T12:00:00Z',
  readyLate: '2026-12-01T15:30:00Z',
  certain: 168,
  atMost: 185,
  priceLines: [
    {
      kind: 'PART',
      words: 'QUAY-1000F',
      minutes: 0,
      amount: 78,
      certain: true,
      source: 'STOCK',
    },
  ],
  lock: null,
  grounds: {
    causes: [{ words: 'Failing drive (drive A)', probability: 0.992, ended: 0.98 }],
    unknown: 0.006,
    lostUncopied: 0.23,
    lostCopied: 0.03,
  },
  own: false,
  ...more,
});

const BEST = row('recover-data+replace-drive', 'Recover the data, then replace drive A');

const plans = (more: Partial<Plans> = {}): Plans => ({
  rows: [
    BEST,
    row('reset-erasing', 'Reset the system, erasing the drive', {
      gone: 0.004,
      dataLost: 1,
      lock: { reason: 'The data is wanted.', opens: 'Opens when a copy is verified.' },
    }),
    row('hand-back', 'Nothing found, hand back', { gone: 0, dataLost: 0.5 }),
  ],
  why: 'It ends the complaint 90 in 100 more often.',
  enough: true,
  stop: 'No open test is worth its minutes: the best would cost 6 and save 2.',
  bestMove: null,
  turn: {
    move: 'dock@drive-a',
    moveWords: 'Dock drive A on the bench machine',
    minutes: 15,
    outcome: 'It reads there',
    chance: 0.08,
    plan: 'Replace the cable',
  },
  choices: [
    {
      id: 'recover-data',
      name: 'Recover the data',
      course: 'RECOVER_DATA',
      courseWords: 'r',
      recovers: true,
      lock: null,
    },
    {
      id: 'drain',
      name: 'Drain the charge',
      course: 'REPAIR',
      courseWords: 'r',
      recovers: false,
      lock: null,
    },
    {
      id: 'make-room',
      name: 'Make room',
      course: 'REPAIR',
      courseWords: 'r',
      recovers: false,
      lock: null,
    },
  ],
  currency: 'EUR',
  taxShown: true,
  ...more,
});

const estimate = (more: Partial<Estimate> = {}): Estimate => ({
  id: 4,
  plan: BEST.id,
  words: BEST.words,
  lines: [
    {
      kind: 'WORK',
      words: 'Replace the drive',
      minutes: 60,
      amount: 90,
      certain: true,
      source: null,
    },
    { kind: 'PART', words: 'A drive', minutes: 0, amount: 78, certain: true, source: 'USUAL' },
  ],
  currency: 'EUR',
  certain: 168,
  atMost: 185,
  taxPercent: 25,
  taxShown: true,
  readyEarly: '2026-12-01T12:00:00Z',
  readyLate: '2026-12-01T15:30:00Z',
  madeBy: 'Ines R.',
  madeAt: '2026-11-30T10:44:00Z',
  answers: [],
  ...more,
});

async function open(
  shown: Job = job(),
  { estimates = [], sign = [201, {}] as [number, unknown], side = plans() as Plans } = {} as {
    estimates?: Estimate[];
    sign?: [number, unknown];
    side?: Plans;
  },
) {
  const sent = answering((method, path) => {
    if (method !== 'GET') return sign;
    if (path.includes('/plans')) return [200, side];
    return [200, path.includes('/estimates') ? estimates : shown];
  });
  show(<DecisionView />, '/job/J-1/decision', '/job/:number/decision');
  await screen.findByRole('heading', { level: 1 });
  return sent;
}

const lineOf = (words: string) => screen.getByRole('row', { name: new RegExp(`^${words}`) });

it('starts from the best plan, and says whether to stop testing', async () => {
  await open();

  expect(screen.getByRole('heading', { level: 1, name: BEST.words })).toBeVisible();
  expect(screen.getByText(/No open test is worth its minutes/)).toBeVisible();
  const best = within(lineOf(BEST.words));
  expect(best.getByText('97')).toBeVisible();
  expect(best.getByText('92–99')).toBeVisible();
  expect(best.getByText('3 in 100')).toBeVisible();
  expect(best.getByText('€168.00')).toBeVisible();
  expect(best.getByText('at most €185.00')).toBeVisible();
  expect(best.getByRole('button', { name: `Chosen: ${BEST.words}` })).toBeVisible();
});

it('says how the time was told at which a plan is ready', async () => {
  await open();

  await userEvent.click(within(lineOf(BEST.words)).getByRole('button', { name: /Ready/ }));
  expect(await screen.findByText(/Hands work while the shop is open/)).toBeVisible();
  expect(screen.getByText(/Eight of ten such plans end between the two/)).toBeVisible();
});

it('leads to the move that would change the order', async () => {
  await open();

  expect(
    screen.getByRole('link', { name: /Dock drive A on the bench machine, 15 min/ }),
  ).toHaveAttribute('href', '/job/J-1?move=dock%40drive-a');
});

it('signs the plan that was chosen, with the version that was seen', async () => {
  const sent = await open();

  await userEvent.click(screen.getByRole('button', { name: 'Choose: Nothing found, hand back' }));
  await userEvent.type(screen.getByLabelText('In your words, for the next of us'), 'Seen.');
  await userEvent.click(screen.getByRole('button', { name: 'Sign the decision' }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/decisions',
      body: { version: 7, remedies: [], courses: null, reason: 'Seen.' },
    });
  });
});

it('cannot choose what is locked and says what opens it', async () => {
  await open();
  const erasing = within(lineOf('Reset the system'));

  expect(erasing.queryByRole('button', { name: /^Choose/ })).toBeNull();
  expect(erasing.getByText(/Opens when a copy is verified./)).toBeVisible();
  expect(erasing.getByText('all')).toBeVisible();
});

it('asks for a plan of one’s own, its copy first', async () => {
  const sent = await open();

  await userEvent.click(screen.getByRole('button', { name: 'Put together your own…' }));
  await userEvent.click(await screen.findByRole('checkbox', { name: /Make room/ }));
  await userEvent.click(screen.getByRole('checkbox', { name: /Drain the charge/ }));
  await userEvent.click(screen.getByRole('checkbox', { name: /Recover the data/ }));
  await userEvent.click(screen.getByRole('button', { name: 'Compare it' }));

  await waitFor(() => {
    expect(sent.map((s) => s.path)).toContain(
      '/api/jobs/J-1/plans?own=recover-data&own=make-room&own=drain',
    );
  });
});

it('cannot be signed without a reason, and keeps it when somebody else was faster', async () => {
  await open(job(), {
    sign: [
      409,
      { detail: 'This job has changed.', kept: 'Theirs was kept, yours was not.', toDo: 'Look.' },
    ],
  });
  const button = screen.getByRole('button', { name: 'Sign the decision' });
  const reason = screen.getByLabelText('In your words, for the next of us');
  await userEvent.type(reason, '   ');
  expect(await whatIsMissing(button)).toBe('Still missing: your reason.');

  await userEvent.type(reason, 'Seen.');
  await userEvent.click(button);

  expect(await screen.findByRole('alert')).toHaveTextContent('Theirs was kept, yours was not.');
  expect(reason).toHaveValue('   Seen.');
});

it('keeps that the owner agreed by phone, up to what the estimate says at most', async () => {
  const sent = await open(job(), { estimates: [estimate()] });
  await userEvent.click(await screen.findByRole('button', { name: /How do we know: estimate/ }));
  expect(screen.getByText(/usual price, none is on the list/)).toBeVisible();
  await userEvent.keyboard('{Escape}');

  await userEvent.click(screen.getByRole('button', { name: 'By phone…' }));
  await userEvent.type(screen.getByLabelText('Who said so'), 'Runa Sol');
  await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/estimates/4/answers',
      body: { version: 7, how: 'PHONE', signer: 'Runa Sol', upTo: 185, note: '' },
    });
  });
});

it('says what the owner said last, and offers a new estimate for another plan', async () => {
  const refused = estimate({
    plan: 'drain',
    words: 'Drain the charge',
    answers: [
      {
        how: 'REFUSED',
        signer: 'Runa Sol',
        upTo: null,
        note: 'too dear',
        wroteDown: 'Ines R.',
        at: '2026-11-30T10:50:00Z',
        fromElsewhere: false,
      },
    ],
  });
  const sent = await open(job(), { estimates: [refused] });

  expect(await screen.findByText(/only handing it back is open/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Make the estimate' }));

  await waitFor(() => {
    expect(sent).toContainEqual({
      method: 'POST',
      path: '/api/jobs/J-1/estimates',
      body: { version: 7, remedies: BEST.remedies },
    });
  });
});

it('has no price until the lead has said one', async () => {
  await open(job(), {
    side: plans({ currency: null, rows: [row('drain', 'Drain', { certain: null, atMost: null })] }),
  });

  expect(screen.getByText('not said')).toBeVisible();
  expect(screen.getByRole('link', { name: 'Prices' })).toHaveAttribute('href', '/prices');
});

it('shows earlier decisions with the weighing as it stood', async () => {
  await open(
    job({
      decisions: [
        {
          id: 1,
          courses: [{ course: 'REPAIR', words: 'Repair' }],
          reason: 'Cable looked loose.',
          dataStatus: 'WANTED',
          headline: 'Perhaps the cable is bad, 61 in 100.',
          causes: [{ name: 'Cable', partName: 'drive A', probability: 0.61, findings: 2 }],
          plan: null,
          fromElsewhere: false,
          signedBy: 'Ines R.',
          signedAt: '2026-11-23T09:00:00Z',
        },
      ],
    }),
  );

  expect(screen.getByRole('heading', { level: 1, name: 'Decided: Repair' })).toBeVisible();
  expect(screen.getByText('As it stood: Perhaps the cable is bad, 61 in 100.')).toBeVisible();
  expect(screen.getByText('61 of 100')).toBeVisible();
});

it('leads from each number of a plan to how it was made', async () => {
  await open();
  const user = userEvent.setup();
  const best = await screen.findByRole('row', { name: /^Recover the data/ });
  await user.click(
    within(best).getByRole('button', { name: /How do we know: complaint gone, 97/ }),
  );
  const gone = await screen.findByRole('dialog', { name: 'complaint gone, 97 in 100' });
  expect(
    within(gone).getByRole('row', { name: 'Failing drive (drive A) 99 98 in 100' }),
  ).toBeVisible();
  expect(gone).toHaveTextContent('eight of ten draws gave 92–99');
  await user.keyboard('{Escape}');
  await user.click(within(best).getByRole('button', { name: /How do we know: owner pays/ }));
  const pays = await screen.findByRole('dialog', { name: /owner pays/ });
  expect(pays).toHaveTextContent('QUAY-1000F');
});
