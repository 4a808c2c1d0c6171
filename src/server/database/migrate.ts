import { readFile, readdir } from 'node:fs/promises';
import path from 'node:path';
import type postgres from 'postgres';
import { Umzug } from 'umzug';
import { inTransaction } from './database';

/** Key of the advisory lock that keeps two starting servers from migrating at once. */
const MIGRATION_LOCK = 7_205_759;

/** A database that a newer version has been at is left alone. */
export class NewerSchemaError extends Error {}

async function refuseNewer(sql: postgres.ReservedSql, files: readonly string[]): Promise<void> {
  const rows = await sql<{ name: string }[]>`select name from migration order by name`;
  const unknown = rows.find(({ name }) => !files.includes(name));
  if (!unknown) return;
  throw new NewerSchemaError(
    `The database was made by a newer version of Kevlo (${unknown.name}). Update Kevlo; nothing was changed.`,
  );
}

/** Applies the numbered migrations that are missing, each in a transaction, under an advisory lock. */
export async function migrate(sql: postgres.Sql, folder: string): Promise<string[]> {
  const connection = await sql.reserve();
  try {
    await connection`select pg_advisory_lock(${MIGRATION_LOCK})`;
    await connection`create table if not exists migration (name text primary key, at timestamptz not null default now())`;
    const files = (await readdir(folder)).filter((name) => name.endsWith('.sql')).sort();
    await refuseNewer(connection, files);
    const umzug = new Umzug({
      migrations: files.map((name) => ({
        name,
        up: async () => {
          const text = await readFile(path.join(folder, name), 'utf8');
          await inTransaction(sql, async (step) => {
            await step.unsafe(text);
            await step`insert into migration (name) values (${name})`;
          });
        },
      })),
      storage: {
        executed: async () =>
          (await sql<{ name: string }[]>`select name from migration order by name`).map(({ name }) => name),
        logMigration: async () => undefined,
        unlogMigration: async () => undefined,
      },
      logger: undefined,
    });
    return (await umzug.up()).map(({ name }) => name);
  } finally {
    await connection`select pg_advisory_unlock(${MIGRATION_LOCK})`.catch(() => undefined);
    connection.release();
  }
}
