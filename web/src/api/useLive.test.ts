import { QueryClient } from '@tanstack/react-query';
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
