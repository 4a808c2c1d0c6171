import { cookies } from 'next/headers';
import { randomUUID } from 'node:crypto';
import { accountOfSession, type Account } from './accounts';
import { database } from './database';
import { ServerError, forbidden, invalid, notFound, notSignedIn } from './errors';
import { log } from './log';
import { isId } from './parse';
import { needOf, openProject, type Access, type Wish } from './projects';

/** Name of the cookie that holds the session's token. */
export const SESSION_COOKIE = 'kevlo_session';
/** Largest body of an ordinary request, bytes. */
const SMALL_BODY = 200_000;

/** Answers are for who asked, and for now. */
const PRIVATE = { 'cache-control': 'private, no-store' };

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
      await refuseUnpermitted(request);
      return answer(await work(request, await context.params));
    } catch (error) {
      return answerTo(error);
    }
  };
}

/**
 * Wraps a handler of what belongs to a project: opens it for whoever asks and hands the work the key to it.
 * @param wish what one must be allowed to do; the table in `permissions` says the same, else the route is refused
 */
export function projectRoute<W extends Wish, T>(
  wish: W,
  work: (request: Request, access: Access<W>, params: Params) => Promise<T>,
  reach: 'in use' | 'binned too' = 'in use',
) {
  return async (request: Request, context: { params: Promise<Params> }): Promise<Response> => {
    try {
      if (request.method !== 'GET') refuseForeign(request);
      const params = await context.params;
      const account = await requireAccount();
      if (needOf(request.method, new URL(request.url).pathname) !== wish) throw forbidden();
      const access = await openProject(database(), account, params.project ?? '', wish, reach);
      // What stands in an address in place of an id is none: not found, as any other id that is not there.
      for (const name of ['block', 'maker', 'photo', 'word'] as const)
        if (params[name] !== undefined && !isId(params[name])) throw notFound(`This ${name}`);
      return answer(await work(request, access, params));
    } catch (error) {
      return answerTo(error);
    }
  };
}

function answer(result: unknown): Response {
  return result instanceof Response ? result : Response.json(result ?? { ok: true }, { headers: PRIVATE });
}

/** The guard of all routes: who may use one is said in `permissions`. @throws ServerError 401, 403 or 404 */
async function refuseUnpermitted(request: Request): Promise<void> {
  const need = needOf(request.method, new URL(request.url).pathname);
  if (need === undefined) throw notFound('This address');
  // Links are checked by what they open.
  if (need === 'anyone' || need === 'link') return;
  const account = await requireAccount();
  if (need === 'account') return;
  if (need === 'keeper') {
    if (!account.isKeeper) throw forbidden();
    return;
  }
  throw new Error(`${request.method} ${need}: a route of a project is made by projectRoute`);
}

function answerTo(error: unknown): Response {
  const plain = plainAnswer(error);
  if (plain) return Response.json({ error: plain.body }, { status: plain.status, headers: PRIVATE });
  const requestId = randomUUID();
  log().error({ err: error, requestId }, 'request failed');
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
        requestId,
        code: 'internal',
        what: 'Something went wrong on the server.',
        mend: `Try again; if it stays, tell whoever runs it (number ${requestId.slice(0, 8)}).`,
      };
  return Response.json({ error: body }, { status: isDown ? 503 : 500, headers: PRIVATE });
}

/** What the database refuses because of what was sent: not the server's fault. */
const BAD_VALUES = new Set(['22021', '22P05', '22P02', '22007', '22008', '22003', '22001']);

/** The answer to an expected refusal; undefined for everything that should not have happened. */
function plainAnswer(error: unknown): ServerError | undefined {
  if (error instanceof ServerError) return error;
  const { code = '', name = '' } = (error ?? {}) as { code?: string; name?: string };
  if (BAD_VALUES.has(code))
    return invalid('Something that was sent cannot be stored: a letter, a number or a date that is none.', 'Correct it and send it again.'); // prettier-ignore
  if (code === '23514') return invalid('A figure that was sent is outside what is allowed.', 'Correct it and send it again.'); // prettier-ignore
  if (name === 'URIError') return notFound('This page');
  return undefined;
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
    const value: unknown = JSON.parse(text + decoder.decode());
    refuseUnstorable(text);
    return value;
  } catch (error) {
    if (error instanceof ServerError) throw error;
    throw invalid('The request is not JSON.', 'Reload the page and try again.');
  }
}

/** Refuses letters that no text can hold: nulls and halves of letters, plain or escaped. */
function refuseUnstorable(text: string): void {
  const isBroken = text.includes('\\u0000') || hasLoneHalf(text);
  if (isBroken)
    throw invalid('The text holds letters that are none.', 'Type it again instead of copying it.');
}

/** Whether an escaped half of a letter stands without its other half. */
function hasLoneHalf(text: string): boolean {
  if (!/\\ud[89a-f]/i.test(text)) return false;
  const halves = text.replace(/\\\\/g, '').replace(/\\ud[89ab][0-9a-f]{2}\\ud[c-f][0-9a-f]{2}/gi, '');
  return /\\ud[89a-f][0-9a-f]{2}/i.test(halves);
}

/** What stands after the question mark of an address. */
export function queryOf(request: Request): Record<string, string> {
  return Object.fromEntries(new URL(request.url).searchParams);
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
    headers: { ...PRIVATE, 'content-type': type, 'content-disposition': `${how}; filename="${plain}"` },
  });
}

/** A picture; nobody keeps it, so that it is gone when whoever may see it changes. */
export function pictureResponse(image: Buffer): Response {
  return new Response(new Uint8Array(image), {
    headers: { 'content-type': 'image/jpeg', ...PRIVATE },
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
    secure: isSecure(),
    path: '/',
    maxAge: 30 * 24 * 3600,
  });
}

/** Name of the cookie by which an account knows a device again; it opens nothing by itself. */
const DEVICE_COOKIE = 'kevlo_device';
const DEVICE_DAYS = 400;

/** The token of a device that signed in before. */
export async function knownDevice(): Promise<string | undefined> {
  return (await cookies()).get(DEVICE_COOKIE)?.value;
}

/** Lets a device be known again. */
export async function setDeviceCookie(token: string): Promise<void> {
  (await cookies()).set(DEVICE_COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure(),
    path: '/api/sign-in',
    maxAge: DEVICE_DAYS * 24 * 3600,
  });
}

/** The token of the open session. */
export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(SESSION_COOKIE)?.value;
}

function isSecure(): boolean {
  return process.env.PUBLIC_URL?.startsWith('https:') ?? false;
}
