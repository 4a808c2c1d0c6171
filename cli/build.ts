import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { PlainError } from './PlainError';
import { ROOT } from './places';

const INPUTS = ['src', 'public', 'next.config.ts', 'package-lock.json', 'tsconfig.json'];

/** Builds the application into `distFolder` unless it is built from the same sources already. */
export async function buildApplication(distFolder: string): Promise<void> {
  const stamp = path.join(ROOT, distFolder, 'kevlo-sources');
  const wanted = hashSources();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  process.stderr.write('Building the application (about a minute) …\n');
  const next = path.join(ROOT, 'node_modules/next/dist/bin/next');
  const child = spawn(process.execPath, [next, 'build'], {
    cwd: ROOT,
    env: { ...process.env, KEVLO_DIST: distFolder, NODE_ENV: 'production' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const code = await new Promise<number>((resolve) => child.once('close', (status) => resolve(status ?? 1)));
  if (code !== 0)
    throw new PlainError(
      `The application could not be built:\n${text.trim().split('\n').slice(-30).join('\n')}`,
    );
  writeFileSync(stamp, wanted);
}

function hashSources(): string {
  const hash = createHash('sha256');
  const visit = (file: string): void => {
    if (!existsSync(file)) return;
    if (statSync(file).isDirectory()) {
      for (const name of readdirSync(file).sort()) visit(path.join(file, name));
    } else if (!/\.test\.tsx?$/.test(file)) hash.update(path.relative(ROOT, file)).update(readFileSync(file));
  };
  for (const input of INPUTS) visit(path.join(ROOT, input));
  return hash.digest('hex');
}
