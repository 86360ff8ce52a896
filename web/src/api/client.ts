import { askedOfServer, t } from '../words/words';
import createClient, { type Middleware } from 'openapi-fetch';
import type { paths } from './generated/schema';

/** What the server says when it refuses: what happened, what was kept, what to do. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly kept: string,
    readonly toDo: string,
  ) {
    super(message);
    this.name = 'Problem';
  }
}

const UNREACHABLE = new Problem(
  0,
  t('web.api.client.the-server-does-not-answer'),
  t('web.api.client.what-was-kept-before-is-safe'),
  t('web.api.client.check-that-it-runs-then-try'),
);

/** Any error as a problem, so that every view can show it the same way. */
export function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  return new Problem(
    -1,
    t('web.api.client.this-page-made-a-mistake'),
    t('web.api.client.nothing-was-sent'),
    t('web.api.client.load-the-page-again'),
  );
}

function cookie(name: string): string | undefined {
  const pair = document.cookie.split('; ').find((c) => c.startsWith(`${name}=`));
  return pair === undefined ? undefined : decodeURIComponent(pair.slice(name.length + 1));
}

/** Proves who sends, and turns every refusal into a {@link Problem}. */
const ours: Middleware = {
  onRequest({ request }) {
    request.headers.set('Accept', 'application/json');
    request.headers.set('Accept-Language', askedOfServer());
    const token = cookie('XSRF-TOKEN');
    if (token !== undefined && request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', token);
    }
  },
  async onResponse({ response }) {
    if (!response.ok) throw await problemOf(response);
  },
  onError: () => UNREACHABLE,
};

/** The server, by its description: a path, a body or an answer that is not in it does not compile. */
export const api = createClient<paths>({
  baseUrl: location.origin,
  fetch: (request) => fetch(request),
});
api.use(ours);

/**
 * What an answer holds; nothing if it has no body.
 * @throws Problem whatever goes wrong
 */
export async function told<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T;
}

type Gets = { [P in keyof paths]: paths[P] extends { get: object } ? P : never }[keyof paths];

/** Where a browser itself fetches something, for a link or a picture. */
export const address = (
  path: Gets,
  params: Readonly<Record<string, string | number>>,
  query: Readonly<Record<string, string>> = {},
) =>
  path.replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(params[name] ?? '')) +
  (Object.keys(query).length === 0 ? '' : `?${new URLSearchParams(query).toString()}`);

/** Sends a file as it is. */
export const asFile = (file: File) => ({
  // The description knows bytes only as text.
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as File,
  headers: { 'Content-Type': file.type },
});

async function problemOf(response: Response): Promise<Problem> {
  try {
    const body = (await response.json()) as { detail?: string; kept?: string; toDo?: string };
    return new Problem(
      response.status,
      body.detail ??
        t('web.api.client.the-server-answered-with-status', { status: response.status }),
      body.kept ?? t('web.api.client.nothing-was-changed'),
      body.toDo ?? t('web.api.client.try-again'),
    );
  } catch {
    return new Problem(
      response.status,
      t('web.api.client.the-server-answered-with-status', { status: response.status }),
      t('web.api.client.nothing-was-changed'),
      t('web.api.client.try-again-in-a-moment'),
    );
  }
}
