import { afterEach, expect, it, vi } from 'vitest';
import { api, asProblem, type Problem } from './client';

afterEach(() => {
  vi.unstubAllGlobals();
});

const answer = (status: number, body: string) =>
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, { status })));

async function problemOf(): Promise<Problem> {
  return api.GET('/api/floor').then(
    () => {
      throw new Error('no problem');
    },
    (error: unknown) => error as Problem,
  );
}

it('carries what happened, what was kept and what to do', async () => {
  answer(423, '{"detail":"Locked.","kept":"Nothing was signed.","toDo":"Verify a copy."}');

  expect(await problemOf()).toMatchObject({
    status: 423,
    message: 'Locked.',
    kept: 'Nothing was signed.',
    toDo: 'Verify a copy.',
  });
});

it.each([
  [502, '<html>proxy</html>'],
  [500, '{}'],
])('has words for an answer of status %i that is not ours', async (status, body) => {
  answer(status, body);

  expect((await problemOf()).message).toBe(`The server answered with status ${status}.`);
});

it('says that the server does not answer instead of a browser’s own words', async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));

  expect((await problemOf()).message).toBe('The server does not answer.');
});

it('never shows the text of a mistake of ours', () => {
  expect(asProblem(new TypeError('x is undefined')).message).toBe('This page made a mistake.');
});
