import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { writeBlockFile } from '@/core/formats';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from '@/core/generate';
import { BLOCK_FORMAT } from '@/core/block';
import { seededRandom } from '@/core/testing';
import type { Verdict } from '@/workers/node/fuzzWorker';
import { PlainError } from './PlainError';
import { ROOT } from './places';

/** An input that takes longer than this hangs, ms. */
const HANG_MS = 2_000;

/**
 * `./kevlo fuzz [--minutes N] [--seed N]`: throws damaged drawings, block files and project files at the reading, welding and
 * planning. Counts crashes, hangs and what is taken though it is not sound; ends with 1 if there were any.
 */
export async function runFuzz(args: readonly string[]): Promise<number> {
  const minutes = readOption(args, '--minutes', 1);
  const seed = readOption(args, '--seed', Date.now() % 1_000_000_007);
  const random = seededRandom(seed);
  const seeds = goodFiles();
  const ends = Date.now() + minutes * 60_000;
  const counts = { inputs: 0, refused: 0, taken: 0, unsound: 0, crash: 0, hang: 0 };
  process.stdout.write(`Seed ${seed}, ${minutes} min.\n`);
  let worker = new FuzzWorker();
  while (Date.now() < ends) {
    const text = damaged(seeds[Math.floor(random() * seeds.length)] as string, random);
    counts.inputs += 1;
    let verdict = await worker.judge(text);
    if (verdict.kind === 'hang') {
      // A busy machine may stop any work for a while: what hangs does so again.
      worker = new FuzzWorker();
      await worker.judge(seeds[0] as string);
      verdict = await worker.judge(text);
    }
    counts[verdict.kind] += 1;
    if (verdict.kind === 'refused' || verdict.kind === 'taken') continue;
    const why = 'why' in verdict ? `: ${verdict.why}` : '';
    const file = path.join(tmpdir(), `kevlo-fuzz-${seed}-${counts.inputs}.txt`);
    writeFileSync(file, text);
    process.stdout.write(`${verdict.kind}${why}: input ${counts.inputs}, kept as ${file}\n`);
    if (verdict.kind === 'hang') worker = new FuzzWorker();
  }
  worker.end();
  process.stdout.write(
    `${Object.entries(counts)
      .map(([name, count]) => `${name} ${count}`)
      .join(', ')}\n`,
  );
  return counts.unsound + counts.crash + counts.hang === 0 ? 0 : 1;
}

class FuzzWorker {
  private readonly worker = new Worker(path.join(ROOT, 'dist/cli/fuzzWorker.js'));

  judge(text: string): Promise<Verdict | { readonly kind: 'hang' }> {
    return new Promise((resolve) => {
      const timer = setTimeout(() => {
        void this.worker.terminate();
        resolve({ kind: 'hang' });
      }, HANG_MS);
      this.worker.removeAllListeners();
      this.worker.once('message', (verdict: Verdict) => {
        clearTimeout(timer);
        resolve(verdict);
      });
      this.worker.once('error', (error) => {
        clearTimeout(timer);
        resolve({ kind: 'crash', why: String(error) });
      });
      this.worker.postMessage(text);
    });
  }

  end(): void {
    void this.worker.terminate();
  }
}

function readOption(args: readonly string[], name: string, usual: number): number {
  const at = args.indexOf(name);
  const value = at < 0 ? usual : Number(args[at + 1]);
  if (!(value > 0)) throw new PlainError(`${name} wants a number above zero.`);
  return value;
}

/** Sound files to damage: the demo's drawings, and each generator's block as a block file. */
function goodFiles(): string[] {
  const folder = path.join(ROOT, 'demo/blocks');
  const drawings = readdirSync(folder).filter((name) => name.endsWith('.svg')).map((name) => readFileSync(path.join(folder, name), 'utf8')); // prettier-ignore
  const blocks = (Object.keys(RECIPE_NAMES) as RecipeKind[]).map((kind) =>
    writeBlockFile({ format: BLOCK_FORMAT, patches: generate(defaultRecipe(kind)) }),
  );
  return [...drawings, ...blocks];
}

/** Odd things that files hold. */
const ODD = ['NaN', '-0', '1e999', '1e-320', '-', '"', '<', '}', '\u0000', '\ud800', '0 0', 'null', '[]', '999999', 'M', 'A1 1 0 1 1', 'C0 0 9 9', '<use href="#a"/>', '<g>', '</g>']; // prettier-ignore

/** Half of all inputs are drawings that can be read but are ugly, the others are damaged anywhere. */
function damaged(good: string, random: () => number): string {
  if (random() < 0.5) return ugly(good, random);
  let text = good;
  const times = 1 + Math.floor(random() * 6);
  for (let time = 0; time < times; time++) text = damagedOnce(text, random);
  return text;
}

/** Points as drawings (`12.7,65.9`) and block files (`[12.7,65.9]`) write them. */
const POINT = /(-?\d+(?:\.\d+)?)(,\s*)(-?\d+(?:\.\d+)?)/g;
const PATCH = /<polygon[^>]*\/>/g;

/** The same drawing with corners moved, patches left out, laid twice, or pulled flat. */
function ugly(good: string, random: () => number): string {
  const [share, far] = [random() ** 2, 10 ** (random() * 4 - 3)];
  const moved = good.replace(POINT, (whole, x: string, between: string, y: string) =>
    random() < share
      ? `${Number(x) + (random() - 0.5) * far}${between}${Number(y) + (random() - 0.5) * far}`
      : whole,
  );
  const [leftOut, twice] = [random() ** 3, random() ** 4];
  const thinned = moved.replace(PATCH, (patch) => (random() < leftOut ? '' : random() < twice ? patch + patch.replace(/id="/, 'id="again-') : patch)); // prettier-ignore
  if (random() < 0.8) return thinned;
  const squeeze = 10 ** (random() * 4 - 3);
  return thinned.replace(POINT, (_, x: string, between: string, y: string) => `${x}${between}${Number(y) * squeeze}`); // prettier-ignore
}

function damagedOnce(text: string, random: () => number): string {
  const at = Math.floor(random() * text.length);
  const to = Math.min(text.length, at + 1 + Math.floor(random() * random() * 200));
  switch (Math.floor(random() * 6)) {
    case 0:
      return text.slice(0, at) + text.slice(to);
    case 1:
      return text.slice(0, at) + ODD[Math.floor(random() * ODD.length)] + text.slice(to);
    case 2:
      return text.slice(0, to) + text.slice(at);
    case 3:
      // Numbers are moved a little, which keeps most drawings readable.
      return text.replace(/\d+\.\d+/g, (number) => (random() < 0.1 ? String(Number(number) + (random() - 0.5) * 4) : number)); // prettier-ignore
    case 4:
      return text.replace(/\d+(\.\d+)?/g, (number) => (random() < 0.005 ? String((random() - 0.5) * 10 ** Math.floor(random() * 12)) : number)); // prettier-ignore
    default:
      return text.slice(0, at);
  }
}
