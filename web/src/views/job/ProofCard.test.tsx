import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Proof } from '../../api/types';
import { answering, job, show, whatIsMissing } from '../../test-data';
import { ProofCard } from './ProofCard';

afterEach(() => {
  vi.unstubAllGlobals();
});

const proof = (more: Partial<Proof> = {}): Proof => ({
  proven: 'UNFINISHED',
  clean: 1,
  needed: 4,
  confidence: 0.97,
  words: 'It came most days: 4 clean trials show with 97 in 100 that it is gone.',
  signedBy: null,
  waiver: 'I take the machine as it is.',
  ...more,
});

it('counts clean trials and keeps what was tried, with its note', async () => {
  const sent = answering(() => [204, undefined]);
  show(<ProofCard job={job({ proof: proof() })} />);

  expect(screen.getByText('Not shown yet: 1 of 4 clean trials')).toBeVisible();
  await userEvent.type(screen.getByRole('textbox'), 'two hours of video');
  await userEvent.click(screen.getByRole('button', { name: 'It ran clean' }));

  await waitFor(() =>
    expect(sent.filter((call) => call.method === 'POST')).toEqual([
      {
        method: 'POST',
        path: '/api/jobs/J-1/trials',
        body: { version: job().version, failed: false, note: 'two hours of video' },
      },
    ]),
  );
});

it('takes the owner’s signature only with a name under the words', async () => {
  const sent = answering(() => [204, undefined]);
  show(<ProofCard job={job({ proof: proof() })} />);

  await userEvent.click(screen.getByRole('button', { name: /without proof/ }));
  expect(screen.getByText('I take the machine as it is.')).toBeVisible();
  expect(await whatIsMissing(screen.getByRole('button', { name: 'Sign it: without proof' }))).toBe(
    'Still missing: a name.',
  );
  await userEvent.type(screen.getByLabelText(/full name/), 'Olga Brekke');
  await userEvent.click(screen.getByRole('button', { name: 'Sign it: without proof' }));

  await waitFor(() =>
    expect(sent.some((call) => call.path === '/api/jobs/J-1/proof-waiver')).toBe(true),
  );
});

it('says that it failed again, that it is shown, and who signed', () => {
  const { unmount } = show(
    <ProofCard job={job({ proof: proof({ proven: 'FAILED', clean: 0 }) })} />,
  );
  expect(screen.getByText(/failed again: what was decided does not hold/)).toBeVisible();
  unmount();
  const done = show(<ProofCard job={job({ proof: proof({ proven: 'DONE', clean: 4 }) })} />);
  expect(screen.getByText('Shown: the complaint is gone')).toBeVisible();
  expect(screen.queryByRole('button')).toBeNull();
  done.unmount();
  show(<ProofCard job={job({ proof: proof({ signedBy: 'Olga Brekke' }) })} />);
  expect(screen.getByText('Olga Brekke takes it without proof, signed')).toBeVisible();
});

it('is not there before anything was decided that mends', () => {
  show(<ProofCard job={job()} />);
  expect(screen.queryByRole('img')).toBeNull();
});
