import { afterAll, beforeAll, beforeEach, expect, test, vi } from 'vitest';
import Joi from 'joi';
import { InvalidInputError } from '@/core/errors';
import { openSession } from './accounts';
import { invalid, notFound } from './errors';
import {
  SESSION_COOKIE,
  fileResponse,
  knownDevice,
  pictureResponse,
  projectRoute,
  queryOf,
  readJson,
  route,
  sessionToken,
  setDeviceCookie,
  setSessionCookie,
} from './http';
import { email, id, isId, name, parse, password } from './parse';
import { refused } from './refused';
import { testProject, type TestProject } from './testing';

const jar = vi.hoisted(() => ({ kept: new Map<string, string>(), set: [] as unknown[][] }));
vi.mock('next/headers', () => ({
  cookies: async () => ({
    get: (key: string) => (jar.kept.has(key) ? { value: jar.kept.get(key) } : undefined),
    set: (...args: unknown[]) => jar.set.push(args),
    delete: (key: string) => jar.kept.delete(key),
  }),
}));
const logged = vi.hoisted(() => [] as unknown[]);
vi.mock('./log', () => ({ log: () => ({ error: (one: unknown) => logged.push(one) }) }));
const own = vi.hoisted(() => ({ sql: undefined as unknown }));
vi.mock('./database', async (original) => ({ ...(await original<object>()), database: () => own.sql }));

let { drop, sql, host, stranger, project } = {} as TestProject;

beforeAll(async () => {
  ({ drop, sql, host, stranger, project } = await testProject('Doors'));
  own.sql = sql;
});

afterAll(() => drop());

beforeEach(() => {
  jar.kept.clear();
  jar.set.length = 0;
  logged.length = 0;
});

const HERE = 'http://kevlo.example';
const KITS = `${HERE}/api/projects/x/kits`;

function request(method: string, url: string, { body = '{}', ...headers }: Record<string, string> = {}): Request {
  const all = { host: 'kevlo.example', origin: HERE, 'content-type': 'application/json', ...headers };
  return new Request(url, { method, headers: all, ...(method === 'GET' ? {} : { body }) });
} // prettier-ignore

const context = (params: Record<string, string> = {}) => ({ params: Promise.resolve(params) });
const told = async (response: Response) => {
  const { error } = (await response.json()) as { error: { code: string; what: string; where?: string; requestId?: string } };
  return { status: response.status, ...error };
}; // prettier-ignore
const signIn = async (who = host) => jar.kept.set(SESSION_COOKIE, await openSession(sql, who.id, 'test'));

test('changing requests come from the own pages and as JSON, or are refused; reading ones may come from anywhere', async () => {
  const work = vi.fn(async () => ({ done: true }));
  const signOut = route(work);
  const send = (headers: Record<string, string>) => signOut(request('POST', `${HERE}/api/sign-out`, headers), context());
  expect((await send({})).status).toBe(200);
  const foreign: Record<string, string>[] = [{ origin: 'http://evil.example' }, { origin: 'null' }, { 'content-type': 'text/plain' }];
  for (const bad of foreign)
    expect(await told(await send(bad))).toMatchObject({ status: 403, code: 'foreign' });
  expect(work).toHaveBeenCalledOnce();
  // A program that is no browser sends no origin; a browser that hides it says where the request comes from.
  const bare = (more: Record<string, string>) => new Request(`${HERE}/api/sign-out`, { method: 'POST', body: '{}', headers: { host: 'kevlo.example', 'content-type': 'application/json', ...more } });
  expect((await signOut(bare({}), context())).status).toBe(200);
  expect((await signOut(bare({ 'sec-fetch-site': 'cross-site' }), context())).status).toBe(403);
  expect((await route(async () => 'x')(request('GET', `${HERE}/api/health`, { origin: 'http://evil.example' }), context())).status).toBe(200);
  vi.stubEnv('PUBLIC_URL', 'https://quilts.example/');
  expect((await send({ origin: 'https://quilts.example' })).status).toBe(200);
  vi.unstubAllEnvs();
}); // prettier-ignore

test('an address that the table does not know is not found, even where its work is there', async () => {
  const work = vi.fn(async () => 'x');
  expect((await route(work)(request('GET', `${HERE}/api/unknown`), context())).status).toBe(404);
  expect((await route(work)(request('POST', `${HERE}/api/health`), context())).status).toBe(404);
  expect(work).not.toHaveBeenCalled();
});

test('accounts must be signed in, the keeper must be it, and a project’s route is made by projectRoute alone', async () => {
  const work = vi.fn(async () => ({}));
  const make = () => route(work)(request('POST', `${HERE}/api/projects`), context());
  const letter = () => route(work)(request('POST', `${HERE}/api/letters`), context());
  expect(await told(await make())).toMatchObject({ status: 401, code: 'not-signed-in' });
  await signIn(stranger);
  expect((await make()).status).toBe(200);
  expect((await letter()).status).toBe(403);
  await signIn(host);
  expect((await letter()).status).toBe(200);
  expect((await route(work)(request('GET', KITS), context())).status).toBe(500);
  jar.kept.set(SESSION_COOKIE, 'made up');
  expect((await make()).status).toBe(401);
});

test('a project is opened for whoever asks: its work gets the key, strangers find nothing, a wrong wish is refused', async () => {
  const work = vi.fn(async (_: Request, access: { project: { id: string } }) => access.project.id);
  const kits = projectRoute('read', work);
  const ask = (params: Record<string, string> = { project: project.id }) =>
    kits(request('GET', KITS), context(params));
  expect((await ask()).status).toBe(401);
  await signIn(stranger);
  expect((await ask()).status).toBe(404);
  expect(work).not.toHaveBeenCalled();
  await signIn(host);
  expect(await (await ask()).json()).toBe(project.id);
  expect((await ask({ project: 'no-id' })).status).toBe(404);
  expect((await ask({ project: project.id, block: 'no-id' })).status).toBe(404);
  expect(
    (await projectRoute('edit', work)(request('GET', KITS), context({ project: project.id }))).status,
  ).toBe(403);
  expect(work).toHaveBeenCalledOnce();
});

test('refusals say what, where and how to mend; what should not happen says a number and nothing of the inside', async () => {
  const failing = (error: unknown) => route(() => Promise.reject(error))(request('GET', `${HERE}/api/health`), context());
  expect(await told(await failing(notFound('This bag')))).toMatchObject({ status: 404, what: 'This bag is not here.' });
  expect(await told(await failing(invalid('Too wide.', 'Less.', 'widthMm')))).toMatchObject({ status: 422, where: 'widthMm' });
  expect((await failing({ code: '22P05' })).status).toBe(422);
  expect((await failing({ code: '23514' })).status).toBe(422);
  expect((await failing(Object.assign(new Error(), { name: 'URIError' }))).status).toBe(404);
  expect(logged).toEqual([]);
  expect(await told(await failing({ code: 'ECONNREFUSED' }))).toMatchObject({ status: 503, code: 'database-down' });
  const inside = await failing(new Error('password=hunter2'));
  const text = await inside.clone().text();
  expect(text).not.toContain('hunter2');
  expect(await told(inside)).toMatchObject({ status: 500, requestId: expect.stringMatching(/^[0-9a-f-]{36}$/) });
  expect(logged).toHaveLength(2);
  expect((await failing(notFound('x'))).headers.get('cache-control')).toBe('private, no-store');
}); // prettier-ignore

test('what is answered: a value, nothing, or a response as it is', async () => {
  const answer = (value: unknown) =>
    route(async () => value)(request('GET', `${HERE}/api/health`), context());
  expect(await (await answer({ a: 1 })).json()).toEqual({ a: 1 });
  expect(await (await answer(undefined)).json()).toEqual({ ok: true });
  expect((await answer(new Response(null, { status: 204 }))).status).toBe(204);
});

test('a body is JSON, of a size, and of letters that can be kept', async () => {
  const body = (text: string, most?: number) => readJson(request('POST', HERE, { body: text }), most);
  expect(await body('{"a":"ü\\ud83e\\uddf5"}')).toEqual({ a: 'ü🧵' });
  await expect(body('{"a":')).rejects.toMatchObject({ status: 422 });
  await expect(body('"\\u0000"')).rejects.toMatchObject({ status: 422 });
  await expect(body('"\\ud83e"')).rejects.toMatchObject({ status: 422 });
  await expect(body('"\\ud83e x \\uddf5"')).rejects.toMatchObject({ status: 422 });
  expect(await body('"\\\\ud83e"')).toBe('\\ud83e');
  expect(await body(JSON.stringify('x'.repeat(98)), 100)).toHaveLength(98);
  await expect(body(JSON.stringify('x'.repeat(99)), 100)).rejects.toMatchObject({ status: 413, body: { code: 'too-large', what: 'This is larger than 0.2 MB.' } });
  await expect(body(JSON.stringify('x'.repeat(3_000_000)), 3_000_000)).rejects.toMatchObject({ body: { what: 'This is larger than 3 MB.' } });
}); // prettier-ignore

test('files are named so that every system keeps them, and nobody else keeps what is private', () => {
  const named = (text: string) => fileResponse('x', 'text/plain', text).headers.get('content-disposition');
  expect(named('Rückseite "A"/b.svg')).toBe('attachment; filename="Ruckseite Ab.svg"');
  expect(named('«»')).toBe('attachment; filename="kevlo"');
  expect(fileResponse('x', 'text/plain', 'a', 'inline').headers.get('content-disposition')).toMatch(
    /^inline/,
  );
});

test('the session’s cookie is closed to scripts and, behind a certificate, to plain connections', async () => {
  await setSessionCookie('t');
  expect(jar.set[0]).toEqual([SESSION_COOKIE, 't', expect.objectContaining({ httpOnly: true, sameSite: 'lax', secure: false, path: '/' })]);
  vi.stubEnv('PUBLIC_URL', 'https://quilts.example');
  await setSessionCookie('t');
  expect(jar.set[1]?.[2]).toMatchObject({ secure: true });
  vi.unstubAllEnvs();
  jar.kept.set(SESSION_COOKIE, 't');
  await setSessionCookie(undefined);
  expect(jar.kept.has(SESSION_COOKIE)).toBe(false);
}); // prettier-ignore

test('a device that signed in is known again for 400 days, where it signs in and nowhere else', async () => {
  expect(await knownDevice()).toBeUndefined();
  await setDeviceCookie('d');
  const [name, token, how] = jar.set[0] as [string, string, object];
  expect([token, how]).toEqual(['d', { httpOnly: true, sameSite: 'lax', secure: false, path: '/api/sign-in', maxAge: 34_560_000 }]);
  jar.kept.set(name, 'd');
  expect(await knownDevice()).toBe('d');
  expect(await sessionToken()).toBeUndefined();
  await setSessionCookie('s');
  expect(jar.set[1]?.[2]).toMatchObject({ maxAge: 2_592_000 });
  jar.kept.set(SESSION_COOKIE, 's');
  expect(await sessionToken()).toBe('s');
}); // prettier-ignore

test('pictures are private, and what is asked in an address is read', async () => {
  const picture = pictureResponse(Buffer.from([255, 216]));
  expect([picture.headers.get('content-type'), picture.headers.get('cache-control')]).toEqual(['image/jpeg', expect.stringMatching(/private|no-store/)]); // prettier-ignore
  expect([...new Uint8Array(await picture.arrayBuffer())]).toEqual([255, 216]);
  expect(queryOf(request('GET', `${KITS}?drop=d1&page=A4`))).toEqual({ drop: 'd1', page: 'A4' });
});

test('input is read by its schema; the first fault is told in words and at its field', () => {
  const schema = Joi.object({ name: name(), email: email(), secret: password(), blockId: id() });
  const good = { name: ' Ada ', email: ' A@Example.ORG', secret: 'ten letters', blockId: '0b0c7f0e-1111-4222-8333-444455556666' };
  expect(parse(schema, good)).toEqual({ ...good, name: 'Ada', email: 'a@example.org' });
  const fault = (change: object) => {
    try {
      return void parse(schema, { ...good, ...change });
    } catch (error) {
      return error;
    }
  };
  expect(fault({ secret: 'nine let.' })).toMatchObject({ status: 422, body: { where: 'secret' } });
  expect(fault({ blockId: 'x' })).toMatchObject({ body: { where: 'blockId', what: expect.stringMatching(/^Block id /) } });
  expect(fault({ name: '   ' })).toMatchObject({ body: { where: 'name' } });
  expect(fault({ name: 'x'.repeat(121) })).toMatchObject({ body: { where: 'name' } });
  expect(fault({ more: 1 })).toMatchObject({ body: { where: 'more' } });
  expect([isId(good.blockId), isId(good.blockId.toUpperCase()), isId(`${good.blockId}0`), isId('')]).toEqual([true, false, false, false]);
}); // prettier-ignore

test('what the core refuses is an answer to whoever asked; what it throws else is not', () => {
  const bad = () => { throw new InvalidInputError('odd', 'An odd one.', 'Even it.', { line: 7 }); }; // prettier-ignore
  expect(() => refused(bad)).toThrow(expect.objectContaining({ status: 422, body: { code: 'odd', what: 'An odd one.', mend: 'Even it.', where: 'line 7' } }));
  expect(() => refused(() => { throw new RangeError('x'); })).toThrow(RangeError);
  expect(refused(() => 3)).toBe(3);
}); // prettier-ignore
