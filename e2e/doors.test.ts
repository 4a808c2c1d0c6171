import { beforeAll, expect, test } from 'vitest';
import { Application } from './application';

/** What reaches the server from outside, asked directly. */
let application: Application;
let base = '';
let cookie = '';
let project = '';

beforeAll(async () => {
  application = await Application.shared();
  base = application.addresses[0] ?? '';
});

const post = (path: string, body: unknown, headers: Record<string, string> = {}) =>
  fetch(base + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie, origin: base, ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

test('pages carry a strict content policy with a fresh nonce, and no referrer', async () => {
  const [first, second] = await Promise.all([fetch(`${base}/first-run`), fetch(`${base}/first-run`)]);
  const policy = first.headers.get('content-security-policy') ?? '';
  expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]+'(;|$)/);
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toBe(second.headers.get('content-security-policy'));
  expect(first.headers.get('referrer-policy')).toBe('no-referrer');
  expect(first.headers.get('x-content-type-options')).toBe('nosniff');
  expect(first.headers.get('x-powered-by')).toBeNull();
});

test('the session cookie is closed to scripts and other sites', async () => {
  const answer = await post('/api/first-run', {
    email: 'a@b.example',
    name: 'A',
    password: 'a long password',
  });
  const header = answer.headers.get('set-cookie') ?? '';
  expect(header).toMatch(/HttpOnly/i);
  expect(header).toMatch(/SameSite=lax/i);
  cookie = header.split(';')[0] ?? '';
  const made = await post('/api/projects', { name: 'P', unitSystem: 'inch' });
  project = ((await made.json()) as { id: string }).id;
});

test('changing requests from other sites are refused', async () => {
  const foreign: Record<string, string>[] = [
    { origin: 'https://elsewhere.example' },
    { origin: 'null' },
    { 'content-type': 'text/plain' },
  ];
  for (const headers of foreign) {
    expect((await post('/api/projects', { name: 'X', unitSystem: 'inch' }, headers)).status).toBe(403);
  }
});

test('without a session nothing of a project is to be had', async () => {
  const { cookie: _cookie, ...nobody } = { cookie };
  for (const path of ['kits', 'progress', 'live']) {
    expect((await fetch(`${base}/api/projects/${project}/${path}`, { headers: nobody })).status).toBe(401);
  }
  expect((await fetch(`${base}/p/${project}/blocks`, { redirect: 'manual' })).status).toBe(307);
});

test('bad bodies get one shape of error: what, where, how to mend', async () => {
  for (const body of ['not json', '[]', '{}', '{"name":"","svg":"x"}', '{"name":"n","svg":"x","more":1}']) {
    const answer = await post(`/api/projects/${project}/blocks`, body);
    expect(answer.status).toBe(422);
    expect(await answer.json()).toMatchObject({
      error: { code: expect.any(String), what: expect.any(String), mend: expect.any(String) },
    });
  }
});

test('a drawing of 50 MB is refused while it arrives', async () => {
  const answer = await post(`/api/projects/${project}/blocks`, { name: 'Huge', svg: 'x'.repeat(50_000_000) });
  expect(answer.status).toBe(413);
});

test('a block made from figures is saved in open formats, and its file can be brought in again', async () => {
  const recipe = { kind: 'rosette', fabrics: ['Tar', 'Fog'], edgeMm: 25.4, rings: 1 };
  const made = await post(`/api/projects/${project}/blocks`, { name: 'Rosé', recipe });
  const { id } = (await made.json()) as { id: string };
  const save = (format: string) =>
    fetch(`${base}/api/projects/${project}/blocks/${id}/export?format=${format}`, { headers: { cookie } });
  const [svg, json, dxf, csv] = await Promise.all(['svg', 'json', 'dxf', 'csv'].map(save));
  expect(svg?.headers.get('content-disposition')).toBe('attachment; filename="Rose.svg"');
  expect(await svg?.text()).toContain('data-fabric="Fog"');
  expect(await dxf?.text()).toMatch(/EOF\n$/);
  expect(await csv?.text()).toContain('1″ hexagon,7,0,0,1676.2');
  const again = await post(`/api/projects/${project}/blocks`, { name: 'Again', svg: await json?.text() });
  expect(again.status).toBe(200);
  expect((await save('exe')).status).toBe(422);
  const wrong = await post(`/api/projects/${project}/blocks`, { name: 'No', recipe: { ...recipe, more: 1 } });
  expect(wrong.status).toBe(422);
  const impossible = await post(`/api/projects/${project}/blocks`, {
    name: 'No',
    recipe: { ...recipe, rings: 99 },
  });
  expect(await impossible.json()).toMatchObject({ error: { where: 'rings', mend: expect.any(String) } });
});

test('unknown pages and links say so with 404', async () => {
  for (const path of ['/p/nonsense/blocks', `/p/${project}/blocks/nonsense`, '/m/nonsense', '/nowhere']) {
    expect((await fetch(base + path, { headers: { cookie } })).status).toBe(404);
  }
});
