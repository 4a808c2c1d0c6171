import { mkdirSync, mkdtempSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { writeSvg } from '@/core/formats';
import { defaultRecipe, generate } from '@/core/generate';
import { runLogs } from './logs';
import { runPlan } from './plan';
import { answers, freePort, isFree } from './ports';

let folder: string;
let said: { out: string; err: string };

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'kevlo-cli-'));
  said = { out: '', err: '' };
  vi.spyOn(process.stdout, 'write').mockImplementation((text) => ((said.out += String(text)), true));
  vi.spyOn(process.stderr, 'write').mockImplementation((text) => ((said.err += String(text)), true));
});

afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllEnvs();
  rmSync(folder, { recursive: true, force: true });
});

function file(text: string, name = 'star.svg'): string {
  const full = path.join(folder, name);
  writeFileSync(full, text);
  return full;
}

/** Runs the command: its end, what it printed as a document, and what it said. */
function plan(...args: string[]) {
  said = { out: '', err: '' };
  const end = runPlan(args);
  return { end, document: said.out ? JSON.parse(said.out) : undefined, lines: said.out.split('\n').length - 1, said: said.err };
} // prettier-ignore

const STAR = () => writeSvg(generate(defaultRecipe('star')), 'Star');

test('a drawing becomes one document; compact on one line, and the same', () => {
  const star = file(STAR());
  const wide = plan(star);
  const compact = plan('--json', star);
  expect([wide.end, compact.end, wide.said]).toEqual([0, 0, '']);
  expect(wide.document).toEqual(compact.document);
  expect(compact.lines).toBe(1);
  expect(wide.lines).toBeGreaterThan(50);
  expect(compact.document.format).toBe('kevlo.plan/1');
});

test('choices are taken with a space and with =, in inches and millimetres', () => {
  const star = file(STAR());
  const allowance = (...args: string[]) => JSON.stringify(plan(star, ...args).document);
  expect(allowance('--allowance', '3/8in')).toBe(allowance('--allowance=9.525mm'));
  expect(allowance('--allowance', '3/8in')).not.toBe(allowance());
  expect(plan(star, '--school=rows').document.assembly.school).toBe('rows');
  expect(plan(star, '--policy', 'per-unit').document.steps).not.toEqual(plan(star).document.steps);
  expect(plan(star, '--weld', '0').document.weld).toMatchObject({ reachMm: 0 });
});

test.each([
  ['no file', () => [], 'No drawing is named.'],
  ['a file that is not there', () => [path.join(folder, 'none.svg')], 'is not there.'],
  ['a folder', () => [folder], 'cannot be read.'],
  ['two files', () => [file(STAR()), 'b.svg'], '“b.svg” is one file too many.'],
  ['an option that is none', () => [file(STAR()), '--fast'], '“--fast” is not an option.'],
  ['a school that is none', () => [file(STAR()), '--school', 'old'], '--school old is not known.'],
  ['a policy without a word', () => [file(STAR()), '--policy'], '--policy  is not known.'],
  ['an allowance that is too wide', () => [file(STAR()), '--allowance', '51mm'], 'wider than 50 mm'],
  ['an allowance that is none', () => [file(STAR()), '--allowance', 'much'], 'much'],
  ['a weld that eats pieces', () => [file(STAR()), '--weld=5mm'], 'pieces that are meant would be lost'],
  ['no drawing', () => [file('hello')], ''],
  ['a crossed shape', () => [file('<svg xmlns="http://www.w3.org/2000/svg" width="9in" height="9in" viewBox="0 0 9 9"><path id="odd" d="M0 0L8 8L8 0L0 8Z"/></svg>')], 'odd'],
])('%s ends with 2, one line that says what and how to mend it, and no document', (_, args, what) => {
  const { end, document, said: line } = plan(...args());
  expect([end, document]).toEqual([2, undefined]);
  expect(line.trim().split('\n')).toHaveLength(1);
  expect(line.replace(/\s+/g, ' ')).toContain(what.replace(/\s+/g, ' '));
  expect(line.trim().length).toBeGreaterThan(what.length + 8);
}); // prettier-ignore

test('a file that is larger than any drawing is refused before it is read', () => {
  const large = file('');
  truncateSync(large, 60e6);
  expect(plan(large)).toMatchObject({ end: 2, said: expect.stringContaining('is 60 MB; the most is') });
});

test('ports: a free one is free until something listens, then it answers', async () => {
  const port = await freePort();
  expect([await isFree(port), await answers(port)]).toEqual([true, false]);
  const { createServer } = await import('node:net');
  const server = createServer().listen(port, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  expect([await isFree(port), await answers(port)]).toEqual([false, true]);
  await new Promise((resolve) => server.close(resolve));
});

test('the log: the last lines over all its files, oldest first, in plain words; broken lines as they are', () => {
  vi.stubEnv('KEVLO_DATA', folder);
  runLogs([]);
  expect(said.out).toMatch(/^The log is empty/);
  const line = (time: number, level: number, msg: string) => JSON.stringify({ time, level, msg, err: { said: 'why' }, requestId: 'r1' });
  const logs = path.join(folder, 'logs');
  const write = (name: string, lines: string[]) => {
    writeFileSync(path.join(logs, name), `${lines.join('\n')}\n`);
  };
  mkdirSync(logs, { recursive: true });
  write('kevlo.2.log', [line(2e12, 50, 'second'), 'broken {']);
  write('kevlo.10.log', [line(3e12, 40, 'third')]);
  write('other.log', ['not ours']);
  said.out = '';
  runLogs(['2']);
  expect(said.out).toBe(`broken {\n${new Date(3e12).toISOString()}  warning  third  why  r1\n`);
  said.out = '';
  runLogs(['-3']);
  expect(said.out.split('\n')[0]).toBe(`${new Date(2e12).toISOString()}  error  second  why  r1`);
}); // prettier-ignore
