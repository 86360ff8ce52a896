import { waitFor } from '@testing-library/react';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { expect, it } from 'vitest';
import { keys } from './queries';
import { applyChange } from './useLive';

it('marks only the job that changed as old', () => {
  const client = new QueryClient();
  client.setQueryData(keys.job('J-1'), {});
  client.setQueryData(keys.job('J-2'), {});

  applyChange(client, { topic: 'job:J-1', body: '' });

  expect(client.getQueryState(keys.job('J-1'))?.isInvalidated).toBe(true);
  expect(client.getQueryState(keys.job('J-2'))?.isInvalidated).toBe(false);
});

it('keeps progress without asking the server', () => {
  const client = new QueryClient();

  applyChange(client, {
    topic: 'progress:J-1',
    body: '{"requestId":"r","done":1,"of":3,"words":"reading SMART READ DATA"}',
  });

  expect(client.getQueryData(keys.progress('J-1'))).toMatchObject({ done: 1, of: 3 });
});

it('does not cut off a fetch that somebody waits for, and asks once more after it', async () => {
  const client = new QueryClient();
  const answer: ((version: number) => void)[] = [];
  const queryKey = keys.job('J-1');
  const queryFn = () => new Promise<number>((resolve) => answer.push(resolve));
  const stop = new QueryObserver(client, { queryKey, queryFn }).subscribe(() => undefined);
  answer[0]?.(1);
  await waitFor(() => expect(client.getQueryData(queryKey)).toBe(1));
  let waited = true;
  const own = client.invalidateQueries({ queryKey }).then(() => (waited = false));

  applyChange(client, { topic: 'job:J-1', body: '' });
  await new Promise((resolve) => setTimeout(resolve, 20));

  expect(waited).toBe(true);
  answer[1]?.(2);
  await own;
  expect(client.getQueryData(queryKey)).toBe(2);
  await waitFor(() => expect(answer).toHaveLength(3));
  answer[2]?.(3);
  await waitFor(() => expect(client.getQueryData(queryKey)).toBe(3));
  stop();
});
