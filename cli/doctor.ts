import { accessSync, constants, existsSync, statfsSync } from 'node:fs';
import path from 'node:path';
import { binary, run } from './cluster';
import { ROOT, dataFolder } from './places';
import { answers, isFree } from './ports';
import { withDatabase } from './withDatabase';

interface Finding {
  readonly what: string;
  /** Nothing where all is well; else what is wrong and how to mend it. */
  readonly wrong?: string;
}

/** Less free space than this is too little, GB. */
const LEAST_GB = 1;

/** `./kevlo doctor`: looks at everything that a start needs and says what is missing or wrong. */
export async function runDoctor(): Promise<number> {
  const findings = [
    nodeVersion(),
    await postgres(),
    modules(),
    ...folder(),
    await port(),
    await database(),
    address(),
  ];
  for (const { what, wrong } of findings)
    process.stdout.write(wrong === undefined ? `well    ${what}\n` : `WRONG   ${what}: ${wrong}\n`);
  return findings.some(({ wrong }) => wrong !== undefined) ? 1 : 0;
}

function nodeVersion(): Finding {
  const what = `Node.js ${process.version}`;
  const major = Number(process.versions.node.split('.')[0]);
  return [20, 22, 24].includes(major)
    ? { what }
    : { what, wrong: 'Kevlo runs on Node.js 20, 22 and 24. Install one of them.' };
}

async function postgres(): Promise<Finding> {
  const what = 'PostgreSQL';
  if (process.env.DATABASE_URL) return { what: `${what}: an outside one, by DATABASE_URL` };
  try {
    const { code, text } = await run(binary('postgres'), ['--version']);
    if (code === 0) return { what: text.trim() };
  } catch {
    // Said below.
  }
  return { what, wrong: 'it is missing. Install the package postgresql, or let ./kevlo start do it.' };
}

function modules(): Finding {
  const what = 'npm packages';
  const stamp = path.join(ROOT, 'node_modules', '.kevlo-installed');
  return existsSync(stamp) ? { what } : { what, wrong: 'they are not installed whole. Run ./kevlo start.' };
}

function folder(): Finding[] {
  const data = dataFolder();
  const what = 'Data folder';
  try {
    accessSync(data, constants.R_OK | constants.W_OK);
  } catch {
    return [{ what, wrong: `${data} cannot be written to. Give it to whoever runs Kevlo.` }];
  }
  const { bavail, bsize } = statfsSync(data);
  const free = (bavail * bsize) / 1e9;
  const space = `Disk: ${free.toFixed(1)} GB free`;
  return [
    { what },
    free >= LEAST_GB ? { what: space } : { what: space, wrong: `free at least ${LEAST_GB} GB.` },
  ];
}

async function port(): Promise<Finding> {
  const number = Number(process.env.PORT ?? 3000);
  const host = process.env.HOST ?? '127.0.0.1';
  const what = `Port ${number}`;
  if (await isFree(number, host)) return { what: `${what}: free` };
  return (await answers(number, host === '0.0.0.0' ? '127.0.0.1' : host))
    ? { what: `${what}: Kevlo answers` }
    : { what, wrong: 'something else uses it. Stop that, or choose another by PORT.' };
}

async function database(): Promise<Finding> {
  const url = process.env.DATABASE_URL;
  const what = 'Database';
  if (!url) return { what: `${what}: a private one, started by ./kevlo start` };
  try {
    await withDatabase(url, (sql) => sql`select 1`);
    return { what: `${what}: it answers` };
  } catch (error) {
    return { what, wrong: `${(error as Error).message} Check DATABASE_URL.` };
  }
}

function address(): Finding {
  const what = 'Address for phones';
  const url = process.env.PUBLIC_URL;
  if (!url) return { what: `${what}: none; makers’ links work on this machine only until PUBLIC_URL is set` };
  return URL.canParse(url)
    ? { what: `${what}: ${url}` }
    : { what, wrong: `PUBLIC_URL=${url} is no address.` };
}
