import postgres from 'postgres';

/** A connection or a transaction: queries take it first, so that they compose. */
export type Sql = postgres.Sql | postgres.TransactionSql;

const globals = globalThis as { kevloSql?: postgres.Sql };

/** The process's connections, opened on first use from DATABASE_URL. */
export function database(): postgres.Sql {
  globals.kevloSql ??= connect(process.env.DATABASE_URL ?? '');
  return globals.kevloSql;
}

/** Opens connections to a database. The caller ends them. */
export function connect(url: string, max = 8): postgres.Sql {
  if (!url) throw new Error('DATABASE_URL is not set. Start the application with ./kevlo start.');
  return postgres(url, { max, onnotice: () => undefined, connect_timeout: 10, idle_timeout: 60 });
}

/** Runs work in one transaction. */
export function inTransaction<T>(sql: postgres.Sql, work: (sql: Sql) => Promise<T>): Promise<T> {
  return sql.begin(work) as Promise<T>;
}
