import { spawnSync } from 'node:child_process';
import { cpSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from '../places';
import type { Slip } from './slips';

/** The slips that the compiler refuses: one of each file at a time, in a copy of the sources. */
export function noticedByTypes(
  folder: string,
  slips: readonly { readonly id: number; readonly file: string; readonly slip: Slip }[],
): readonly number[] {
  const copy = path.join(folder, 'copy');
  for (const name of ['src', 'cli', 'demo', 'tsconfig.json', 'package.json', 'vitest.config.ts'])
    cpSync(path.join(ROOT, name), path.join(copy, name), { recursive: true });
  symlinkSync(path.join(ROOT, 'node_modules'), path.join(copy, 'node_modules'));
  const before = new Set(faultyFiles(copy));
  const refused: number[] = [];
  let left = [...slips];
  while (left.length > 0) {
    const files = new Set<string>();
    const now = left.filter(({ file }) => !files.has(file) && files.add(file));
    left = left.filter((slip) => !now.includes(slip));
    for (const { file, slip } of now) {
      const text = readFileSync(path.join(ROOT, file), 'utf8');
      const changed = text.slice(0, slip.at) + slip.made + text.slice(slip.at + slip.found.length);
      writeFileSync(path.join(copy, file), changed);
    }
    const faulty = new Set(faultyFiles(copy).filter((file) => !before.has(file)));
    refused.push(...now.filter(({ file }) => faulty.has(file)).map(({ id }) => id));
    for (const { file } of now) cpSync(path.join(ROOT, file), path.join(copy, file));
  }
  return refused;
}

function faultyFiles(copy: string): string[] {
  const { stdout } = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '--noEmit'], {
    cwd: copy,
    encoding: 'utf8',
  });
  return [...stdout.matchAll(/^([^\s(]+)\(\d+,\d+\): error/gm)].map((match) => match[1] as string);
}
