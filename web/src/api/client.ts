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
  'The server does not answer.',
  'What was kept before is safe; this was not sent.',
  'Check that it runs, then try again.',
);

/** Any error as a problem, so that every view can show it the same way. */
export function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  return new Problem(-1, 'This page made a mistake.', 'Nothing was sent.', 'Load the page again.');
}

function cookie(name: string): string | undefined {
  const pair = document.cookie.split('; ').find((c) => c.startsWith(`${name}=`));
  return pair === undefined ? undefined : decodeURIComponent(pair.slice(name.length + 1));
}

/**
 * One request to the server, as JSON.
 * @throws Problem whatever goes wrong
 */
export async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  const headers: Record<string, string> = { Accept: 'application/json' };
  const token = cookie('XSRF-TOKEN');
  if (token !== undefined && method !== 'GET') headers['X-XSRF-TOKEN'] = token;
  if (body !== undefined) headers['Content-Type'] = 'application/json';
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers,
      // A draft's last keystrokes are sent even if the page is being left.
      keepalive: method === 'PATCH',
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw UNREACHABLE;
  }
  if (!response.ok) throw await problemOf(response);
  return (
    response.status === 204 || response.status === 201 ? undefined : await response.json()
  ) as T;
}

/** Sends a file as it is, and gives the answer. */
export async function upload<T>(path: string, file: File): Promise<T> {
  const token = cookie('XSRF-TOKEN');
  let response: Response;
  try {
    response = await fetch(path, {
      method: 'POST',
      headers: { 'Content-Type': file.type, 'X-XSRF-TOKEN': token ?? '' },
      body: file,
    });
  } catch {
    throw UNREACHABLE;
  }
  if (!response.ok) throw await problemOf(response);
  return (await response.json()) as T;
}

async function problemOf(response: Response): Promise<Problem> {
  try {
    const body = (await response.json()) as { detail?: string; kept?: string; toDo?: string };
    return new Problem(
      response.status,
      body.detail ?? `The server answered with status ${response.status}.`,
      body.kept ?? 'Nothing was changed.',
      body.toDo ?? 'Try again.',
    );
  } catch {
    return new Problem(
      response.status,
      `The server answered with status ${response.status}.`,
      'Nothing was changed.',
      'Try again in a moment.',
    );
  }
}
