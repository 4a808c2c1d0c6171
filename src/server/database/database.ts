import postgres from 'postgres';

/** A connection or a transaction: queries take it first, so that they compose. */
export type Sql = postgres.Sql | postgres.TransactionSql;

/** A value as the database keeps it in a column of JSON. */
export function json(sql: Sql, value: object): postgres.Parameter {
  // Objects of named fields are JSON; the library's type asks for an index of any name.
  return sql.json(value as postgres.JSONValue);
}

const globals = globalThis as {
  kevloSql?: postgres.Sql;
  kevloClients?: WeakMap<postgres.Sql, TransactionClients>;
};

/** The process's connections, opened on first use from DATABASE_URL. */
export function database(): postgres.Sql {
  globals.kevloSql ??= connect(process.env.DATABASE_URL ?? '');
  return globals.kevloSql;
}

/** A database that is away is asked for again this often, s: it is noticed at once when it is back. */
const ASK_AGAIN_S = 0.3;
/** Longest wait for a connection, s: a page says that the database is away rather than hang. */
const CONNECT_S = 2;

/** Numbers of PostgreSQL's types date, timestamp and timestamptz. */
const [DATE, TIMESTAMP, TIMESTAMPTZ] = [1082, 1114, 1184];

/** Times are texts everywhere: ISO 8601 in UTC; days stay days, which a time of day in another zone would shift. */
const TIMES = {
  to: TIMESTAMPTZ,
  from: [DATE, TIMESTAMP, TIMESTAMPTZ],
  serialize: (time: Date | string) => new Date(time).toISOString(),
  parse: (text: string) => (text.length > 10 ? new Date(text).toISOString() : text),
};

/** Opens connections to a database. The caller ends them. */
export function connect(url: string, max = 8): postgres.Sql {
  if (!url) throw new Error('DATABASE_URL is not set. Start the application with ./kevlo start.');
  const open = (most: number, onclose: () => void = () => undefined) =>
    postgres(url, {
      max: most,
      types: { date: TIMES },
      onclose,
      onnotice: () => undefined,
      connect_timeout: CONNECT_S,
      idle_timeout: 60,
      backoff: () => ASK_AGAIN_S,
    });
  const sql = open(max);
  const own = new TransactionClients(() => new TransactionClient((onClose) => open(1, onClose)));
  clients.set(sql, own);
  const endShared = sql.end;
  sql.end = async (options) => {
    await own.end(options);
    await endShared(options);
  };
  return sql;
}

/** Transactions that met another one crosswise, or that the database could not order, are run again so often. */
const MOST_TRIES = 4;
const RUN_AGAIN = new Set(['40P01', '40001']);

/**
 * Runs work in one transaction, on a connection of its own for as long as it takes; runs it again where two transactions
 * met crosswise. The work speaks to the database only, so that running it again is harmless.
 */
export async function inTransaction<T>(sql: postgres.Sql, work: (sql: Sql) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await oneTransaction(sql, work);
    } catch (error) {
      if (tries >= MOST_TRIES || !RUN_AGAIN.has((error as { code?: string }).code ?? '')) throw error;
      await new Promise((resolve) => setTimeout(resolve, 20 * tries * tries));
    }
  }
}

/** A transaction on a client of its own: one connection that nobody else speaks on meanwhile. */
async function oneTransaction<T>(sql: postgres.Sql, work: (sql: Sql) => Promise<T>): Promise<T> {
  const clients = clientsOf(sql);
  const own = await clients.take();
  let isSound = true;
  try {
    await soon(own.sql`begin`);
    const lost = own.lose();
    return await Promise.race([lost, workAndCommit(own, work)]);
  } catch (error) {
    // A connection that was lost has taken its transaction with it; its client may never answer again.
    isSound = !own.isLost && isOfQuery(error) && (await soon(own.sql`rollback`).then(() => true, () => false)); // prettier-ignore
    throw error;
  } finally {
    if (isSound) clients.giveBack(own);
    else clients.replace(own);
  }
}

async function workAndCommit<T>(own: TransactionClient, work: (sql: Sql) => Promise<T>): Promise<T> {
  const step = guarded(own);
  const result = await work(step);
  await step`commit`;
  return result;
}

/** Whether an error says something of a query or of the work, and nothing of the connection. */
function isOfQuery(error: unknown): boolean {
  const { code = '' } = (error ?? {}) as { code?: string };
  return !/^(08|57)/.test(code) && !/^(CONNECTION|CONNECT_|ECONN|EPIPE)/.test(code);
}

/** Beginning and rolling back take no time: who does not answer is gone, ms. */
const SOON_MS = 4_000;

function soon<T>(query: PromiseLike<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(lostConnection()), SOON_MS);
  });
  return Promise.race([Promise.resolve(query), late]).finally(() => clearTimeout(timer));
}

function lostConnection(): Error {
  return Object.assign(new Error('The connection to the database was lost.'), { code: 'CONNECTION_CLOSED' });
}

/** A client of one connection, and whether that was lost since its transaction began. */
class TransactionClient {
  readonly sql: postgres.Sql;
  isLost = false;
  private tell: ((error: Error) => void) | undefined;

  constructor(open: (onClose: () => void) => postgres.Sql) {
    this.sql = open(() => {
      this.isLost = true;
      this.tell?.(lostConnection());
    });
  }

  /** Fails when the connection is lost from now on. */
  lose(): Promise<never> {
    this.isLost = false;
    const lost = new Promise<never>((_, reject) => (this.tell = reject));
    lost.catch(() => undefined);
    return lost;
  }
}

/** The transaction's queries, refused once its connection is lost: on a new one they would run outside of it. */
function guarded(own: TransactionClient): postgres.Sql {
  const refuseLost = () => {
    if (own.isLost)
      throw Object.assign(new Error('The connection to the database was lost.'), {
        code: 'CONNECTION_CLOSED',
      });
  };
  return new Proxy(own.sql, {
    apply(target, self, args: [TemplateStringsArray, ...never[]]) {
      refuseLost();
      return Reflect.apply(target, self, args) as unknown;
    },
    get(target, name) {
      if (name === 'unsafe') refuseLost();
      return Reflect.get(target, name) as unknown;
    },
  });
}

/** Transactions that run at the same time in one process; more wait their turn. */
const MOST_TRANSACTIONS = 8;

/**
 * Clients of one connection each, for one transaction at a time. On connections that many share, `sql.begin` was seen to put two
 * transactions on one under bursts (postgres 3.4.9, 2 of 9 300); and it, like `sql.reserve`, takes the whole process with it when
 * the connection is lost within a transaction: it writes the rollback to a socket that is gone.
 */
class TransactionClients {
  private readonly idle: TransactionClient[] = [];
  private readonly all: TransactionClient[] = [];
  private readonly waiting: ((client: TransactionClient) => void)[] = [];

  constructor(private readonly make: () => TransactionClient) {}

  async take(): Promise<TransactionClient> {
    const idle = this.idle.pop();
    if (idle) return idle;
    if (this.all.length >= MOST_TRANSACTIONS) return new Promise((resolve) => this.waiting.push(resolve));
    const made = this.make();
    this.all.push(made);
    return made;
  }

  giveBack(client: TransactionClient): void {
    const next = this.waiting.shift();
    if (next) next(client);
    else this.idle.push(client);
  }

  /** Puts a fresh client in place of one that cannot be trusted any more. */
  replace(client: TransactionClient): void {
    void client.sql.end({ timeout: 0 }).catch(() => undefined);
    this.all.splice(this.all.indexOf(client), 1);
    const next = this.waiting.shift();
    if (!next) return;
    const made = this.make();
    this.all.push(made);
    next(made);
  }

  async end(options?: { timeout?: number }): Promise<void> {
    await Promise.all(this.all.map(({ sql }) => sql.end(options)));
  }
}

// The bundler gives several copies of this module to one process: what belongs to the process is kept with it.
const clients = (globals.kevloClients ??= new WeakMap());

function clientsOf(sql: postgres.Sql): TransactionClients {
  const own = clients.get(sql);
  if (!own) throw new Error('Transactions run on what `connect` opened.');
  return own;
}
