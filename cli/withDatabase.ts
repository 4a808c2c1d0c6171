import type postgres from 'postgres';
import { connect } from '@/server/database';
import { PlainError } from './PlainError';
import { databaseUrl, startCluster, type Cluster } from './cluster';

/** The database to use: DATABASE_URL, or the private cluster in `folder`, started if need be. */
export async function openDatabase(folder: string): Promise<{ url: string; cluster?: Cluster }> {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL };
  const cluster = await startCluster(folder);
  const admin = connect(databaseUrl(cluster, 'postgres'), 1);
  try {
    const found = await admin`select 1 from pg_database where datname = 'kevlo'`;
    // Two starts at once may both try: the loser's error means that the database is there.
    if (found.length === 0) await admin`create database kevlo`.catch(() => undefined);
  } finally {
    await admin.end();
  }
  return { url: databaseUrl(cluster), cluster };
}

/** Runs work on connections that are closed afterwards; a database that does not answer becomes one clear line. */
export async function withDatabase<T>(url: string, work: (sql: postgres.Sql) => Promise<T>): Promise<T> {
  const sql = connect(url, 4);
  try {
    await sql`select 1`;
  } catch (error) {
    await sql.end({ timeout: 1 });
    throw new PlainError(
      `The database does not answer: ${(error as Error).message || (error as { code?: string }).code}.`,
    );
  }
  try {
    return await work(sql);
  } finally {
    await sql.end({ timeout: 5 });
  }
}
