import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { answering, session, show } from '../../test-data';
import { changeOf } from './draft';
import { KnowHowView } from './KnowHowView';

const KNOWN = {
  judged: 180,
  signsInAll: 205,
  causes: [{ id: 'fan-failed', name: 'Failed fan', partKind: 'machine', version: 2 }],
  findings: [
    {
      id: 'fan.state',
      name: 'The fan',
      levels: ['fine', 'still'],
      judged: true,
      source: 'judgement',
      leak: [0.98, 0.02],
      links: { 'Failed fan': [0.1, 0.9] },
      version: 0,
    },
  ],
  moves: [],
  remedies: [],
};
const LEARNT = {
  provenJobs: 61,
  decided: [],
  proposals: [
    {
      finding: 'fan.state',
      signName: 'The fan',
      cause: 'fan-failed',
      causeName: 'Failed fan',
      jobs: 40,
      levels: ['fine', 'still'],
      now: [0.1, 0.9],
      expected: [0.098, 0.902],
      seen: [20, 20],
      proposed: [0.42, 0.58],
    },
  ],
  rates: [
    {
      cause: 'fan-failed',
      causeName: 'Failed fan',
      times: 2.14,
      families: [
        { family: 'hot', familyName: 'Gets hot', expected: 6.2, seen: 15, now: 0.1, proposed: 0.2 },
      ],
      version: 3,
      change: changeOf('CAUSE', 'fan-failed', {
        cause: { name: 'Failed fan', dataRisk: 0, prior: { any: 0.01, hot: 0.2 } },
      }),
    },
  ],
};

const WORDS = { name: 'Tap {part}', purpose: 'Salt makes it rattle.' };

it('lets the lead take over what the jobs say, with a reason', async () => {
  const sent = answering((method, path) => {
    if (method === 'POST') return [204, null];
    if (path === '/api/session') return [200, session('LEAD')];
    if (path.endsWith('/from-elsewhere')) return [200, []];
    return [200, path.endsWith('/learnt') ? LEARNT : KNOWN];
  });
  const user = userEvent.setup();
  show(<KnowHowView />);
  expect(
    await screen.findByRole('heading', { name: '180 of 205 findings rest on judgement alone' }),
  ).toBeTruthy();
  expect(await screen.findByText(/fine: expected 9.8, seen 50 of 100/)).toBeTruthy();

  await user.click(screen.getByRole('button', { name: 'Take over…' }));
  await user.type(screen.getByRole('textbox', { name: 'Why these jobs are trusted' }), 'Looked');
  await user.click(screen.getByRole('button', { name: 'Take it over' }));

  expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
    finding: 'fan.state',
    cause: 'fan-failed',
    reason: 'Looked',
  });
});

it('shows what a rate of our own would have changed before it is in force', async () => {
  const sent = answering((method, path) => {
    if (path.endsWith('/preview')) return [200, { jobs: 0, decided: 0, moved: [] }];
    if (method === 'POST') return [204, null];
    if (path === '/api/session') return [200, session('LEAD')];
    if (path.endsWith('/from-elsewhere')) return [200, []];
    return [200, path.endsWith('/learnt') ? LEARNT : KNOWN];
  });
  const user = userEvent.setup();
  show(<KnowHowView />);
  expect(await screen.findByText('Gets hot: 6.2 expected, 15.0 seen')).toBeTruthy();
  expect(screen.getByText(/2.1 times as common here/)).toBeTruthy();

  await user.click(screen.getByRole('button', { name: 'What would it have changed? Failed fan' }));
  await user.type(await screen.findByRole('textbox', { name: 'Why it is changed' }), 'Counted');
  expect(sent.some((s) => s.path === '/api/know-how/changes')).toBe(false);
  await user.click(screen.getByRole('button', { name: 'Put it in force' }));

  expect(sent.find((s) => s.path === '/api/know-how/changes')?.body).toEqual({
    change: LEARNT.rates[0]?.change,
    version: 3,
    reason: 'Counted',
  });
});

it('shows a technician the numbers, not the decision', async () => {
  answering((_method, path) => [200, path === '/api/session' ? session('TECHNICIAN') : KNOWN]);
  show(<KnowHowView />, '/know-how?text=fan');

  expect(await screen.findByRole('rowheader', { name: 'Failed fan' })).toBeTruthy();
  expect(screen.queryByText(/mended jobs/)).toBeNull();
});

it('lists moves of other shops for the lead to look at', async () => {
  answering((_method, path) => {
    if (path === '/api/session') return [200, session('LEAD')];
    if (path.endsWith('/learnt')) return [200, { ...LEARNT, proposals: [], rates: [] }];
    if (path.endsWith('/from-elsewhere')) {
      return [200, [{ id: 'own.tap-0a1b2c3d', job: 'J-77', move: { words: WORDS } }]];
    }
    return [200, KNOWN];
  });
  show(<KnowHowView />);

  expect(await screen.findByText('1 move from other shops, not in force here')).toBeTruthy();
  expect(screen.getByText('Tap the part')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Take over Tap the part…' })).toHaveAttribute(
    'href',
    '/know-how/own-move?from=own.tap-0a1b2c3d',
  );
});
