import { buildSeamGraph, type Patch } from '@/core/block';
import { planAssembly } from '@/core/assembly';
import { hexagonMosaic, mixedMosaic } from '@/core/testing';

const SIZES = [100, 1000, 10_000];
const ROUNDS = 5;

/** `./kevlo bench`: times graph building and planning, and prints how they grow with the number of patches. */
export function runBench(): number {
  for (const [name, make] of [
    ['hexagon mosaic', hexagonMosaic],
    ['mixed shapes', mixedMosaic],
  ] as const) {
    report(`graph, ${name}`, make, (patches) => void buildSeamGraph(patches), SIZES);
    report(`plan, ${name}`, make, (patches) => void planAssembly(buildSeamGraph(patches)), SIZES, 1);
  }
  return 0;
}

function report(
  name: string,
  make: (count: number) => Patch[],
  work: (patches: readonly Patch[]) => void,
  sizes: readonly number[],
  rounds = ROUNDS,
): void {
  work(make(300)); // warms the compiler up
  const points = sizes.map((size) => {
    const patches = make(size);
    return {
      count: patches.length,
      ms: median(Array.from({ length: rounds }, () => timed(() => work(patches)))),
    };
  });
  for (const { count, ms } of points) {
    process.stdout.write(
      `${name.padEnd(24)} ${String(count).padStart(6)} patches  ${ms.toFixed(1).padStart(9)} ms\n`,
    );
  }
  process.stdout.write(`${name.padEnd(24)} growth exponent ${slope(points).toFixed(2)}\n`);
}

function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] as number;
}

/** Slope of log time over log count, by least squares. */
function slope(points: readonly { count: number; ms: number }[]): number {
  const xs = points.map(({ count }) => Math.log(count));
  const ys = points.map(({ ms }) => Math.log(ms));
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(xs), mean(ys)];
  const cov = xs.reduce((sum, x, i) => sum + (x - mx) * ((ys[i] as number) - my), 0);
  return cov / xs.reduce((sum, x) => sum + (x - mx) ** 2, 0);
}
