import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test, vi } from 'vitest';
import { log, plainError, withoutSecrets } from './log';

const TOKEN = 'aB3_-xYz0123456789aB3_-xYz012345';

test('tokens and e-mail addresses leave no trace; words and short names stay', () => {
  expect(withoutSecrets(`/api/m/${TOKEN}/ticks of ann.o+neil@maker.example.org, twice`)).toBe('/api/m/[token]/ticks of [e-mail], twice'); // prettier-ignore
  expect(withoutSecrets(TOKEN.slice(1))).toBe(TOKEN.slice(1));
  expect(withoutSecrets('block 7 of Coast @ noon')).toBe('block 7 of Coast @ noon');
});

test('of an error what and where is kept, without values: its message, eight places, the query cut short', () => {
  const error = Object.assign(new Error(`no ${TOKEN} for a@b.example`), { code: '23505', query: `select ${'x'.repeat(400)}`, parameters: ['secret'] }); // prettier-ignore
  error.stack = ['Error: it', ...Array.from({ length: 12 }, (_, i) => `    at place${i} (/m/${TOKEN})`)].join(
    '\n',
  );
  const kept = plainError(error);
  expect(kept).toMatchObject({ name: 'Error', code: '23505', said: 'no [token] for [e-mail]' });
  expect(kept.where).toEqual(Array.from({ length: 8 }, (_, i) => `at place${i} (/m/[token])`));
  expect(kept.query).toHaveLength(300);
  expect(JSON.stringify(kept)).not.toMatch(/secret|@b\.example/);
  expect(plainError({ message: 42 })).toMatchObject({ said: '42', where: [] });
  expect(plainError(undefined)).toMatchObject({ said: 'undefined' });
});

test('the log is a file in its folder, told by process, from warnings on', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'kevlo-log-'));
  vi.stubEnv('KEVLO_LOGS', folder);
  vi.stubEnv('LOG_LEVEL', undefined);
  const place = globalThis as { kevloLog?: unknown };
  const before = place.kevloLog;
  delete place.kevloLog;
  try {
    log().info('not this');
    log().warn({ err: new Error(`at ${TOKEN}`) }, 'this');
    const lines = () => readdirSync(folder).flatMap((file) => readFileSync(path.join(folder, file), 'utf8').split('\n').filter(Boolean)); // prettier-ignore
    await expect.poll(() => lines().length, { timeout: 100_000 }).toBe(1);
    expect(JSON.parse(lines()[0]!)).toMatchObject({ msg: 'this', process: process.pid, err: { said: 'at [token]' } }); // prettier-ignore
  } finally {
    place.kevloLog = before;
    vi.unstubAllEnvs();
    rmSync(folder, { recursive: true, force: true });
  }
});
