import { cookies } from 'next/headers';
import pino from 'pino';
import { accountOfSession, type Account } from './accounts';
import { database } from './database';
import { ServerError, invalid, notSignedIn } from './errors';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

/** Name of the cookie that holds the session's token. */
export const SESSION_COOKIE = 'kevlo_session';
/** Largest body of an ordinary request, bytes. */
const SMALL_BODY = 200_000;

type Params = Record<string, string>;
type Work<T> = (request: Request, params: Params) => Promise<T>;

/**
 * Wraps a route handler: checks where a changing request comes from, runs the work and turns errors into answers.
 * The one place where errors become HTTP; nothing internal is shown.
 */
export function route<T>(work: Work<T>) {
  return async (request: Request, context: { params: Promise<Params> }): Promise<Response> => {
    try {
      if (request.method !== 'GET') refuseForeign(request);
      const result = await work(request, await context.params);
      return result instanceof Response ? result : Response.json(result ?? { ok: true });
    } catch (error) {
      return answerTo(error);
    }
  };
}

function answerTo(error: unknown): Response {
  if (error instanceof ServerError) return Response.json({ error: error.body }, { status: error.status });
  log.error({ err: error }, 'request failed');
  const isDown = [
    'ECONNREFUSED',
    'CONNECTION_ENDED',
    'CONNECT_TIMEOUT',
    'CONNECTION_CLOSED',
    '57P03',
  ].includes((error as { code?: string }).code ?? '');
  const body = isDown
    ? {
        code: 'database-down',
        what: 'The database does not answer.',
        mend: 'Nothing was lost; try again in a moment.',
      }
    : {
        code: 'internal',
        what: 'Something went wrong on the server.',
        mend: 'Try again; if it stays, tell whoever runs it.',
      };
  return Response.json({ error: body }, { status: isDown ? 503 : 500 });
}

/** Refuses changing requests from other sites (CSRF): the origin must be ours and the body JSON. */
function refuseForeign(request: Request): void {
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  const own = [`http://${host}`, `https://${host}`, process.env.PUBLIC_URL?.replace(/\/$/, '')];
  const isOwn = origin === null ? request.headers.get('sec-fetch-site') === null : own.includes(origin);
  const isJson = (request.headers.get('content-type') ?? '').startsWith('application/json');
  if (isOwn && isJson) return;
  throw new ServerError(403, {
    code: 'foreign',
    what: 'This request does not come from Kevlo.',
    mend: 'Open Kevlo itself and try there.',
  });
}

/** Reads a JSON body up to a size. */
export async function readJson(request: Request, most = SMALL_BODY): Promise<unknown> {
  const reader = request.body?.getReader();
  const decoder = new TextDecoder();
  let [text, size] = ['', 0];
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    size += part.value.length;
    if (size > most) {
      await reader?.cancel();
      throw new ServerError(413, {
        code: 'too-large',
        what: `This is larger than ${Math.round(most / 1e6) || 0.2} MB.`,
        mend: 'Send less at once.',
      });
    }
    text += decoder.decode(part.value, { stream: true });
  }
  try {
    return JSON.parse(text + decoder.decode());
  } catch {
    throw invalid('The request is not JSON.', 'Reload the page and try again.');
  }
}

/** A file to save or to show, named so that every system can keep it. */
export function fileResponse(
  body: string | Buffer,
  type: string,
  name: string,
  how: 'attachment' | 'inline' = 'attachment',
): Response {
  const plain =
    name
      .normalize('NFKD')
      .replace(/[^\w .-]+/g, '')
      .trim() || 'kevlo';
  const bytes = typeof body === 'string' ? body : new Uint8Array(body);
  return new Response(bytes, {
    headers: { 'content-type': type, 'content-disposition': `${how}; filename="${plain}"` },
  });
}

/** A picture that never changes under its address; only this browser keeps it. */
export function pictureResponse(image: Buffer): Response {
  return new Response(new Uint8Array(image), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  });
}

/** The signed-in account, or undefined. */
export async function currentAccount(): Promise<Account | undefined> {
  return accountOfSession(database(), (await cookies()).get(SESSION_COOKIE)?.value);
}

/** The signed-in account. @throws ServerError 401 */
export async function requireAccount(): Promise<Account> {
  const account = await currentAccount();
  if (!account) throw notSignedIn();
  return account;
}

/** Writes or clears the session cookie. */
export async function setSessionCookie(token: string | undefined): Promise<void> {
  const jar = await cookies();
  if (token === undefined) {
    jar.delete(SESSION_COOKIE);
    return;
  }
  jar.set(SESSION_COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: process.env.PUBLIC_URL?.startsWith('https:') ?? false,
    path: '/',
    maxAge: 30 * 24 * 3600,
  });
}

/** Where a request comes from, for throttling; behind a proxy that sets it, the first forwarded address. */
export function addressOf(request: Request): string {
  return process.env.PUBLIC_URL
    ? (request.headers.get('x-forwarded-for')?.split(',')[0]?.trim() ?? 'local')
    : 'local';
}
