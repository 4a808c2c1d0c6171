import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { connect } from '@/server/database';
import { testDatabase } from '@/server/testing';
import { binary } from '../cli/cluster';

const FOLDER = path.join(process.cwd(), 'src/server/migrations');
const MIGRATIONS = readdirSync(FOLDER).sort();
const BASE = process.env.KEVLO_TEST_DATABASE ?? '';

let scratch = '';
let target: Awaited<ReturnType<typeof testDatabase>>;

beforeAll(async () => {
  scratch = mkdtempSync(path.join(tmpdir(), 'kevlo-upgrade-'));
  chmodSync(scratch, 0o711);
  target = await testDatabase();
});

afterAll(async () => {
  await target.drop();
  rmSync(scratch, { recursive: true, force: true });
});

/** A dump of a database as it was after the first so many migrations, with a host and a project in it. */
async function dumpOf(count: number, more = ''): Promise<string> {
  const name = `old_${count}_${Date.now()}`;
  const admin = connect(BASE, 1);
  await admin.unsafe(`create database ${name}`);
  const url = BASE.replace(/\/postgres$/, `/${name}`);
  const sql = connect(url, 1);
  await sql`create table migration (name text primary key, at timestamptz not null default now())`;
  for (const migration of MIGRATIONS.slice(0, count)) {
    await sql.unsafe(readFileSync(path.join(FOLDER, migration), 'utf8'));
    await sql`insert into migration (name) values (${migration})`;
  }
  await sql`insert into account (email, name, password_hash) values (${`host@${count}.example`}, 'Host', 'x')`;
  await sql`insert into project (name) values (${`Of version ${count}`})`;
  if (more) await sql.unsafe(more);
  await sql.end();
  const file = path.join(scratch, `${name}.dump`);
  dump(url, file);
  await admin.unsafe(`drop database ${name}`);
  await admin.end();
  return file;
}

function dump(url: string, file: string): void {
  const { status, stderr } = spawnSync(binary('pg_dump'), ['--format=custom', '--file', file, url], {
    encoding: 'utf8',
  });
  expect([status, stderr]).toEqual([0, '']);
}

function restore(file: string) {
  const env = { ...process.env, DATABASE_URL: target.url, KEVLO_DATA: path.join(scratch, 'data') };
  return spawnSync('./kevlo', ['restore', file, '--yes'], { encoding: 'utf8', env });
}

async function namesThere(): Promise<string[]> {
  const sql = connect(target.url, 1);
  const rows = await sql<{ name: string }[]>`select name from project order by name`;
  await sql.end();
  return rows.map(({ name }) => name);
}

test.each(MIGRATIONS.map((_, i) => i + 1))(
  'a backup of the version of %i migrations restores into this one',
  async (count) => {
    const { status, stderr } = restore(await dumpOf(count));
    expect([status, stderr]).toEqual([0, '']);
    expect(await namesThere()).toEqual([`Of version ${count}`]);
    const sql = connect(target.url, 1);
    const done = await sql<{ name: string }[]>`select name from migration order by name`;
    const [keeper] = await sql<{ email: string }[]>`select email from account where is_keeper`;
    await sql.end();
    expect(done.map(({ name }) => name)).toEqual(MIGRATIONS);
    if (count < 4) expect(keeper?.email).toBe(`host@${count}.example`);
  },
);

test('a backup of a newer version, a dump of something else and a broken file are refused, and nothing changes', async () => {
  const before = await namesThere();
  const newer = await dumpOf(MIGRATIONS.length, "insert into migration (name) values ('9999-later.sql')");
  const admin = connect(BASE, 1);
  await admin.unsafe('create database foreign_one');
  const other = connect(BASE.replace(/\/postgres$/, '/foreign_one'), 1);
  await other`create table project (id int)`;
  await other.end();
  const foreign = path.join(scratch, 'foreign.dump');
  dump(BASE.replace(/\/postgres$/, '/foreign_one'), foreign);
  await admin.unsafe('drop database foreign_one');
  await admin.end();
  for (const [file, why] of [
    [newer, 'newer version'],
    [foreign, 'another database'],
    [path.join(FOLDER, MIGRATIONS[0] as string), 'no backup that can be read'],
  ] as const) {
    const { status, stderr } = restore(file);
    expect(status).toBe(1);
    expect(stderr).toContain(why);
    expect(stderr).not.toMatch(/\n\s+at /);
  }
  expect(await namesThere()).toEqual(before);
});
