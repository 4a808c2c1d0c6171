import { randomBytes } from 'node:crypto';
import path from 'node:path';
import type postgres from 'postgres';
import { createAccount, createFirstAccount, type Account } from '../accounts';
import { connect, migrate } from '../database';
import { createProject, openProject, type Access, type Project, type Wish } from '../projects';

/** A migrated database of its own for one test file, in the cluster that `./kevlo test` started. */
export async function testDatabase(): Promise<{
  sql: postgres.Sql;
  url: string;
  drop: () => Promise<void>;
}> {
  const base = process.env.KEVLO_TEST_DATABASE;
  if (!base) throw new Error('These tests need a database: run them by ./kevlo test.');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = connect(base, 1);
  await admin.unsafe(`create database ${name}`);
  const url = base.replace(/\/postgres$/, `/${name}`);
  const sql = connect(url, 6);
  await migrate(sql, path.join(process.cwd(), 'src/server/migrations'));
  const drop = async () => {
    await sql.end({ timeout: 5 });
    await admin.unsafe(`drop database ${name} with (force)`);
    await admin.end({ timeout: 5 });
  };
  return { sql, url, drop };
}

/** A database with a host, their project, and a stranger who has nothing to do with it. */
export interface TestProject extends Awaited<ReturnType<typeof testDatabase>> {
  readonly host: Account;
  readonly stranger: Account;
  readonly access: Access<'own'>;
  readonly project: Project;
  /** Opens a project as someone. */
  readonly open: <W extends Wish>(who: Account, id: string, wish: W) => Promise<Access<W>>;
}

/** Makes a database of its own with a project for one test file. */
export async function testProject(name: string): Promise<TestProject> {
  const database = await testDatabase();
  const { sql } = database;
  const host = await createFirstAccount(sql, 'host@one.example', 'Host', 'a long password');
  const stranger = await createAccount(sql, 'other@two.example', 'Other', 'another password');
  const access = await createProject(sql, host, { name });
  const open: TestProject['open'] = (who, id, wish) => openProject(sql, who, id, wish);
  return { ...database, host, stranger, access, project: access.project, open };
}
