import { afterAll, beforeAll, expect, test } from 'vitest';
import { MAY, ROUTES, type Need, type Role } from '@/server/projects';
import { connect } from '@/server/database';
import { Application } from './application';
import { Browser } from './browser';

/** Who may come in, by which door, and what each may then do: asked of every route there is. */
let application: Application;
let base = '';
let host: Browser;
let guest: Browser;
let project = '';
let projectId = '';

const EMAIL = 'host@people.example';
const PASSWORD = 'a long password';

beforeAll(async () => {
  application = await Application.shared();
  base = application.addresses[0] ?? '';
  [host, guest] = await Promise.all([Browser.open(base), Browser.open(base, 390, 844)]);
  project = await host.beginProject(EMAIL, PASSWORD, 'Shared');
  projectId = project.split('/')[2] ?? '';
});

afterAll(async () => {
  await Promise.all([host?.close(), guest?.close()]);
});

/** The value of a field that is only read. */
const valueOf = (browser: Browser, label: string) =>
  browser.driver.executeScript<string>(
    "return [...document.querySelectorAll('label')].find((one) => one.textContent.startsWith(arguments[0])).parentElement.querySelector('input').value",
    label,
  );

const cookieOf = async ({ driver }: Browser) => {
  const { value } = await driver.manage().getCookie('kevlo_session');
  return `kevlo_session=${value}`;
};

test('a helper is invited by a link, which lets one in, once; the pages have no faults that a machine sees', async () => {
  await host.go(`${project}/people`);
  await host.see('Invite someone');
  expect(await host.faults()).toEqual([]);
  await host.press('Make an invitation link');
  await host.see('it lets one in, once');
  const link = await valueOf(host, 'Invitation link');
  await guest.go(link);
  await guest.see('You are invited as a helper');
  expect(await guest.faults()).toEqual([]);
  await guest.fill('Your name', 'Ann Helper');
  await guest.fill('E-mail address', 'ann@people.example');
  await guest.fill('Password', 'short');
  await guest.press('Make my account and join');
  await guest.see('10');
  await guest.fill('Password', 'another long one');
  await guest.press('Make my account and join');
  await guest.see('Today', '//h2/..');
  const again = await fetch(`${base}/api/join`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify({
      token: link.split('/').at(-1),
      account: { name: 'Bo', email: 'bo@people.example', password: 'yet another one' },
    }),
  });
  expect(again.status).toBe(404);
  await host.go(`${project}/people`);
  await host.see('Ann Helper');
});

test('one’s own account: another password, the sessions, no faults; a forgotten password is set by the keeper’s link', async () => {
  await host.go('/account');
  await host.see('Password');
  expect(await host.faults()).toEqual([]);
  const made = await fetch(`${base}/api/letters`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base, cookie: await cookieOf(host) },
    body: JSON.stringify({ email: 'ann@people.example' }),
  });
  const { address } = (await made.json()) as { address: string };
  const before = await cookieOf(guest);
  await guest.go(address);
  await guest.see('A new password');
  expect(await guest.faults()).toEqual([]);
  await guest.fill('New password', 'a third long one');
  await guest.press('Set the password');
  await guest.see('Sign in');
  expect((await fetch(`${base}/api/papers`, { headers: { cookie: before } })).status).toBe(401);
  await guest.signIn('ann@people.example', 'a third long one');
});

/** What a door says to someone: whether it lets them pass, whatever it then thinks of the empty request. */
type Said = 'not signed in' | 'no such project' | 'forbidden' | 'passed';

async function knock(key: string, cookie: string): Promise<Said> {
  const [method, pattern] = key.split(' ') as [string, string];
  const path = pattern
    .replace('[project]', projectId)
    .replace(/\[(block|maker|photo)\]/, '00000000-0000-4000-8000-000000000000')
    .replace('[token]', 'x'.repeat(32));
  const abort = new AbortController();
  const answer = await fetch(base + path, {
    method,
    headers: { 'content-type': 'application/json', origin: base, ...(cookie ? { cookie } : {}) },
    ...(method === 'GET' ? {} : { body: '{"of no use":1}' }),
    signal: abort.signal,
  });
  const isStream = answer.headers.get('content-type')?.includes('event-stream');
  const text = isStream ? '' : await answer.text();
  abort.abort();
  if (answer.status === 401 && text.includes('not-signed-in')) return 'not signed in';
  if (answer.status === 403) return 'forbidden';
  if (answer.status === 404 && /This project/.test(text)) return 'no such project';
  expect(answer.status, `${key}: ${text.slice(0, 200)}`).not.toBe(500);
  return 'passed';
}

/** What must be said to someone by the table alone. */
function due(need: Need, who: 'nobody' | 'stranger' | Role): Said {
  if (need === 'anyone' || need === 'link') return 'passed';
  if (who === 'nobody') return 'not signed in';
  if (need === 'account') return 'passed';
  if (need === 'keeper') return who === 'host' ? 'passed' : 'forbidden';
  if (who === 'stranger') return 'no such project';
  return MAY[who].has(need) ? 'passed' : 'forbidden';
}

test('every route says to nobody, to strangers, to helpers and to hosts what the table says, and nothing else', async () => {
  const sql = connect(application.url, 1);
  // The helper becomes a stranger once they are taken out, and a host nobody once their session has expired.
  const cookies = { nobody: '', helper: await cookieOf(guest), host: await cookieOf(host) };
  const roles = ['nobody', 'helper', 'host'] as const;
  const wrong: string[] = [];
  const ask = async (key: string, need: Need, who: 'nobody' | 'stranger' | Role, cookie: string) => {
    const said = await knock(key, cookie);
    if (said !== due(need, who)) wrong.push(`${key} says “${said}” to ${who}, not “${due(need, who)}”`);
  };
  // Those that end a session or begin one come by a door of their own.
  const keys = Object.entries(ROUTES).filter(([key]) => !/sign-out|sign-in|first-run|sample/.test(key));
  await ask('POST /api/projects/sample', 'account', 'nobody', '');
  for (const [key, need] of keys) for (const who of roles) await ask(key, need, who, cookies[who]);
  await sql`delete from membership m using account a where a.id = m.account_id and a.email = 'ann@people.example'`;
  for (const [key, need] of keys) await ask(key, need, 'stranger', cookies.helper);
  await sql`update session set expires_at = now() - interval '1 second'`;
  for (const [key, need] of keys) await ask(key, need, 'nobody', cookies.host);
  await sql.end();
  expect(wrong).toEqual([]);
});
