import { randomBytes } from 'node:crypto';
import path from 'node:path';
import type postgres from 'postgres';
import { connect } from './database';
import { migrate } from './migrate';

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
