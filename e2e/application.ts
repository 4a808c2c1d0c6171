import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { inject } from 'vitest';
import { connect } from '@/server/database';
import { testDatabase } from '@/server/testing';
import { answers, freePort } from '../cli/ports';

/** The built application on a database of its own, served by one or more processes. */
export class Application {
  private constructor(
    readonly addresses: readonly string[],
    readonly url: string,
    private readonly env: Readonly<Record<string, string>>,
    private servers: readonly ChildProcess[],
    private readonly drop: () => Promise<void>,
  ) {}

  /** @param env what the processes find in their environment besides */
  static async start(processes: number, env: Readonly<Record<string, string>> = {}): Promise<Application> {
    const { url, drop } = await testDatabase();
    const ports = await Promise.all(Array.from({ length: processes }, freePort));
    const servers = ports.map((port) => serve(url, port, env));
    for (const port of ports) await untilAnswers(port);
    return new Application(
      ports.map((port) => `http://127.0.0.1:${port}`),
      url,
      env,
      servers,
      drop,
    );
  }

  /** The application that this worker's files share, with nothing in its database: for files that leave its processes alone. */
  static async shared(): Promise<Application> {
    const one = inject('shared')[Number(process.env.VITEST_POOL_ID) - 1];
    if (!one) throw new Error(`There is no application for worker ${process.env.VITEST_POOL_ID}.`);
    const sql = connect(one.url, 1);
    const tables = await sql<{ name: string }[]>`
      select quote_ident(tablename) as name from pg_tables where schemaname = 'public' and tablename <> 'migration'`;
    await sql.unsafe(`truncate ${tables.map(({ name }) => name).join(', ')}`);
    await sql.end();
    return new Application(one.addresses, one.url, {}, [], () => Promise.resolve());
  }

  /** Nobody answers any more, as where there is no connection. */
  async cut(): Promise<void> {
    const ended = this.servers.map((server) => new Promise((resolve) => server.once('exit', resolve)));
    for (const server of this.servers) server.kill('SIGKILL');
    await Promise.all(ended);
    this.servers = [];
  }

  /** Answers again at the same addresses. */
  async restore(): Promise<void> {
    const ports = this.addresses.map((address) => Number(new URL(address).port));
    this.servers = ports.map((port) => serve(this.url, port, this.env));
    for (const port of ports) await untilAnswers(port);
  }

  async stop(): Promise<void> {
    await this.cut();
    await this.drop();
  }
}

function serve(url: string, port: number, env: Readonly<Record<string, string>>): ChildProcess {
  const next = path.join(process.cwd(), 'node_modules/next/dist/bin/next');
  const peer = path.join(process.cwd(), 'dist/cli/peer.js');
  return spawn(process.execPath, ['--import', peer, next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
    env: {
      ...process.env,
      DATABASE_URL: url,
      KEVLO_DIST: '.next-test',
      KEVLO_ROOT: process.cwd(),
      NODE_ENV: 'production',
      ...env,
    },
    stdio: 'ignore',
  });
}

async function untilAnswers(port: number): Promise<void> {
  for (let waited = 0; waited < 900; waited++) {
    if (await answers(port)) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`The application did not answer on port ${port}.`);
}
