import { waitFor } from '@testing-library/react';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { afterEach, expect, it, vi } from 'vitest';
import { answering, job } from '../test-data';
import { aspectsOf, fetchJob } from './job';
import { keys } from './queries';
import type { Job } from './types';
import { applyChange } from './useLive';

afterEach(() => {
  vi.unstubAllGlobals();
});

const WHOLE = '/api/jobs/J-1';

/** A page that shows the job; its server counts the version up with every answer. */
async function shown() {
  let version = 0;
  let broken = false;
  const sent = answering((_, path) => {
    version++;
    if (broken) return [500, {}];
    if (path === WHOLE) return [200, job({ version, complaint: 'Freezes' })];
    return [200, { jobCase: { version, complaint: 'Beeps' }, custody: null }];
  });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const queryKey = keys.job('J-1');
  const queryFn = () => fetchJob('J-1', client.getQueryData<Job>(queryKey));
  const observer = new QueryObserver(client, { queryKey, queryFn });
  observer.subscribe(() => undefined);
  await waitFor(() => expect(observer.getCurrentResult().data?.version).toBe(1));
  sent.length = 0;
  return {
    client,
    sent: () => sent.map((s) => s.path),
    now: () => observer.getCurrentResult().data,
    told: (body: string) => applyChange(client, { topic: 'job:J-1', body }),
    breaks: (on: boolean) => (broken = on),
  };
}

it('asks only for what a change names, and keeps the rest', async () => {
  const page = await shown();

  page.told('CASE,CUSTODY');
  await waitFor(() => expect(page.now()?.version).toBe(2));

  expect(page.sent()).toEqual(['/api/jobs/J-1/aspects?of=CASE&of=CUSTODY']);
  expect(page.now()).toMatchObject({ complaint: 'Beeps', machine: 'Ostrel 17 laptop' });
});

it('asks for everything after an own change', async () => {
  const page = await shown();

  await page.client.invalidateQueries({ queryKey: keys.job('J-1') });

  expect(page.sent()).toEqual([WHOLE]);
});

it('asks for everything when an earlier change could not be fetched', async () => {
  const page = await shown();
  page.breaks(true);
  page.told('EVIDENCE');
  await waitFor(() => expect(page.sent()).toHaveLength(1));
  await waitFor(() => expect(page.client.isFetching()).toBe(0));
  page.breaks(false);

  page.told('CASE');
  await waitFor(() => expect(page.now()?.version).toBe(3));

  expect(page.sent()[1]).toBe(WHOLE);
});

it.each([
  ['', 6],
  ['HISTORY,CASE', 2],
  ['CASE,OF_A_NEWER_SERVER', 6],
])('reads “%s” as %i aspects', (body, count) => {
  expect(aspectsOf(body)).toHaveLength(count);
});
