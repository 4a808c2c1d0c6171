import { vi } from 'vitest';

/** What a page asked of the server. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** An answer: a value, an error by `refused`, or a promise of one. */
type Answer = (asked: Asked, match: RegExpExecArray) => unknown;

/** A refusal as the server words it. */
export function refused(
  status: number,
  code: string,
  more: Readonly<Record<string, unknown>> = {},
): Response {
  const error = { code, what: `Refused: ${code}.`, mend: 'Mend it.', ...more };
  return new Response(JSON.stringify({ error }), { status });
}

/** No answer at all, as where there is no connection. */
export function unreachable(): never {
  throw new TypeError('fetch failed');
}

/**
 * Stands in for the server: routes are `METHOD pattern`, tried in turn. What no route answers is refused with 404.
 * @returns what was asked so far, in order
 */
export function answering(routes: Readonly<Record<string, Answer>>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (input: string | URL, init: RequestInit = {}) => {
    const { method = 'GET', body } = init;
    const one = { method, path: String(input), body: typeof body === 'string' ? JSON.parse(body) : body };
    asked.push(one);
    for (const [route, answer] of Object.entries(routes)) {
      const [ownMethod, pattern] = route.split(' ');
      const match = ownMethod === method ? new RegExp(`^${pattern}$`).exec(one.path) : null;
      if (!match) continue;
      const said = await answer(one, match);
      return said instanceof Response ? said : new Response(JSON.stringify(said ?? {}), { status: 200 });
    }
    return refused(404, 'not-found');
  });
  return asked;
}
