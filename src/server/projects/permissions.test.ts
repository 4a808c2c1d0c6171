import { readFileSync } from 'node:fs';
import { readdir } from 'node:fs/promises';
import path from 'node:path';
import { expect, test } from 'vitest';
import { MAY, ROUTES, needOf, type Need } from './permissions';

const ROOT = path.join(process.cwd(), 'src/app');

/** Every route that exists, by reading the folders. */
async function routesThere(): Promise<string[]> {
  const files = (await readdir(path.join(ROOT, 'api'), { recursive: true })).filter((file) =>
    file.endsWith('route.ts'),
  );
  return files.flatMap((file) => {
    const text = readFileSync(path.join(ROOT, 'api', file), 'utf8');
    const methods = [
      ...text.matchAll(/export const (GET|POST|PUT|PATCH|DELETE) = (?:route\(|projectRoute\(\s*'(\w+)')/g),
    ].map(([, method, wish]) => [method, wish] as const);
    expect(methods.length, `${file} exports no guarded method`).toBeGreaterThan(0);
    expect(text, `${file} has an unguarded method`).not.toMatch(
      /export (async )?function (GET|POST|PUT|PATCH|DELETE)/,
    );
    return methods.map(([method, wish]) => {
      const key = `${method} /api/${path.dirname(file)}`;
      // What belongs to a project is opened by the same wish as the table names.
      if (wish || MAY.host.has(ROUTES[key] as never)) expect([key, wish]).toEqual([key, ROUTES[key]]);
      return key;
    });
  });
}

test('every route is in the table, and the table has no other', async () => {
  expect((await routesThere()).sort()).toEqual(Object.keys(ROUTES).sort());
});

test('a request finds its own rule, whatever stands in its place; what is not listed has none', () => {
  for (const [key, need] of Object.entries(ROUTES)) {
    const [method, pattern] = key.split(' ') as [string, string];
    expect(needOf(method, pattern.replace(/\[\w+\]/g, 'a-1_B'))).toBe(need);
  }
  expect(needOf('POST', '/api/projects/import')).toBe('account');
  for (const [method, place] of [['DELETE', '/api/projects/x'], ['GET', '/api/projects'], ['GET', '/api/secret'], ['PATCH', '/api/projects/x/people/y']] as const)
    expect(needOf(method, place)).toBeUndefined();
}); // prettier-ignore

test('helpers read and pack; only hosts change, invite and delete; nothing changes for anyone', () => {
  const may = (role: 'host' | 'helper', need: Need) => MAY[role].has(need as never);
  const refusedToHelpers = Object.entries(ROUTES).filter(
    ([, need]) => may('host', need) && !may('helper', need),
  );
  expect(refusedToHelpers.map(([key]) => key).filter((key) => key.startsWith('GET'))).toEqual([
    'GET /api/projects/[project]/people',
    // Who makers are, and where they can be written to.
    'GET /api/projects/[project]/makers/[maker]',
    'GET /api/projects/[project]/reminders',
  ]);
  const changing = Object.entries(ROUTES).filter(([key]) => !key.startsWith('GET'));
  expect(changing.filter(([, need]) => may('helper', need)).map(([key]) => key)).toEqual([
    'POST /api/projects/[project]/handovers',
    'PATCH /api/projects/[project]/handovers',
    'PUT /api/projects/[project]/kits',
    'POST /api/projects/[project]/log',
    'PATCH /api/projects/[project]/log',
    'POST /api/projects/[project]/packing',
    'POST /api/projects/[project]/practice',
    'POST /api/projects/[project]/roll',
    'POST /api/projects/[project]/share',
    'POST /api/projects/[project]/stock',
    'PATCH /api/projects/[project]/troubles',
  ]);
  expect(changing.filter(([, need]) => need === 'anyone').map(([key]) => key)).toEqual([
    'POST /api/first-run',
    'POST /api/sign-in',
    'POST /api/sign-out',
  ]);
});
