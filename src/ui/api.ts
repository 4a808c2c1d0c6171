/** What the server says when it refuses: what is wrong, where, and how to mend it. */
export class RefusedError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly what: string,
    readonly mend: string,
    readonly where?: string,
    /** Newer state, where a conflict is to be settled. */
    readonly current?: unknown,
  ) {
    super(`${what} ${mend}`);
  }
}

/**
 * Sends JSON to the server and reads its answer.
 * @throws RefusedError when the server refuses or cannot be reached (`status` 0)
 */
export async function send<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH',
  path: string,
  body?: unknown,
): Promise<T> {
  const response = await ask(method, path, body);
  const answer = (await response.json().catch(() => ({}))) as T;
  return answer;
}

/** Has a file made and hands it over; the same errors as {@link send}. */
export async function sendForFile(path: string, body: unknown): Promise<Blob> {
  return (await ask('POST', path, body)).blob();
}

async function ask(method: string, path: string, body: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw new RefusedError(
      0,
      'offline',
      'The server cannot be reached.',
      'Check the connection; nothing typed is lost.',
    );
  }
  if (response.ok) return response;
  const answer = (await response.json().catch(() => ({}))) as { error?: RefusedError };
  const {
    code = 'unknown',
    what = 'The server refused.',
    mend = 'Try again.',
    where,
    current,
  } = answer.error ?? {};
  throw new RefusedError(response.status, code, what, mend, where, current);
}

/** A GET for useSWR. */
export function read<T>(path: string): Promise<T> {
  return send<T>('GET', path);
}

/** Any error as a refusal that can be shown. */
export function asRefusal(error: unknown): RefusedError {
  if (error instanceof RefusedError) return error;
  return new RefusedError(0, 'unknown', 'Something went wrong on this page.', 'Reload it and try again.');
}

/** Whether a refusal is for now only: nobody answered, a server that is not well, or not yet. */
export function isForNow({ status }: RefusedError): boolean {
  return status === 0 || status >= 500 || [408, 425, 429].includes(status);
}
