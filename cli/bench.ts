import { readFileSync } from 'node:fs';
import path from 'node:path';
import { patchByPatch, planAssembly } from '@/core/assembly';
import { buildSeamGraph, type Patch } from '@/core/block';
import { makePaper } from '@/core/catalogue';
import { packSheets } from '@/core/cutting';
import { importSvg } from '@/core/formats';
import { documentOfRecipe } from '@/core/generate';
import { boxOf, middleOfCorners } from '@/core/geometry';
import { findLookAlikes } from '@/core/shapes';
import { blockSheet } from '@/core/sheet';
import { hexagonMosaic, mixedMosaic, rosette } from '@/core/testing';
import { Board, attach, liveReport, snapMove } from '@/core/workshop';
import { BLOCK_FORMAT } from '@/core/block';
import { DEMO_BLOCKS } from '@/server/demoData';
import { benchCraft } from './benchCraft';
import { say } from './benchTable';
import { ROOT } from './places';

const SIZES = [100, 1000, 10_000];
const ROUNDS = 5;
const MOSAICS = [
  ['hexagon mosaic', hexagonMosaic],
  ['mixed shapes', mixedMosaic],
] as const;

/** `./kevlo bench`: how work grows with the number of patches, how good plans, layouts and forecasts are, and how quick an edit is; in ratios. */
export async function runBench(): Promise<number> {
  for (const [name, make] of MOSAICS) {
    report(`graph, ${name}`, make, (patches) => void buildSeamGraph(patches), SIZES);
    report(`plan, ${name}`, make, (patches) => void planAssembly(buildSeamGraph(patches)), SIZES, 1);
  }
  benchBounds();
  benchDemo();
  benchEditing();
  benchLookAlikes();
  benchNesting();
  await benchCraft();
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
    return { count: patches.length, ms: medianTime(() => work(patches), rounds) };
  });
  for (const { count, ms } of points) say(name, `${count} patches`, `${ms.toFixed(1)} ms`);
  say(name, 'growth', slope(points).toFixed(2));
}

/** Bends against the bound, and what a plan saves against sewing as one reads, on mosaics. */
function benchBounds(): void {
  say('\nmosaics', 'patches', 'bends', 'bends/least', 'starts/bound', 'min/reading', 'min/centre');
  for (const [name, make] of MOSAICS) {
    for (const count of [36, 200, 1000]) sayPlan(name, make(count));
  }
  for (const rings of [3, 6, 9, 11]) sayPlan(`rosette of ${rings} rings`, rosette(rings));
}

function sayPlan(name: string, patches: readonly Patch[]): void {
  const graph = buildSeamGraph(patches);
  const { totals, bendsLeast } = planAssembly(graph);
  const [reading, centre] = (['reading', 'centre-out'] as const).map((order) => patchByPatch(graph, order));
  const ratio = (a: number, b = 1) => (b === 0 ? (a === 0 ? '1.00' : '∞') : (a / b).toFixed(2));
  say(
    name,
    patches.length,
    totals.bends,
    ratio(totals.bends, bendsLeast),
    ratio(totals.threadStarts, totals.threadStartsBound),
    ratio(totals.minutes, reading?.totals.minutes),
    ratio(totals.minutes, centre?.totals.minutes),
  );
}

/** The demo's blocks: the plan against the two ways of sewing without one. */
function benchDemo(): void {
  say('\ndemo block', 'patches', 'bends', 'bends/least', 'starts/bound', 'min/reading', 'min/centre');
  for (const block of DEMO_BLOCKS) {
    const { patches } =
      'recipe' in block
        ? documentOfRecipe(block.recipe)
        : importSvg(readFileSync(path.join(ROOT, 'demo/blocks', block.file), 'utf8'));
    sayPlan(block.name, patches);
  }
}

/** What a hand feels while editing: hits, snapping, the seam report, and the whole sheet. */
function benchEditing(): void {
  say('\nediting', 'patches', 'median');
  const patches = hexagonMosaic(1024);
  const board = new Board(patches);
  const middles = patches.map(({ outline }) => middleOfCorners(outline));
  const hexagon = makePaper({ family: 'regular', sides: 6, edgeMm: 25.4 });
  let turn = 0;
  const next = () => middles[(turn = (turn + 37) % middles.length)] as (typeof middles)[number];
  const line = (name: string, count: number, work: () => void, rounds = 200) => {
    work();
    say(name, count, `${medianTime(work, rounds).toFixed(2)} ms`);
  };
  line('hit', patches.length, () => void board.patchAt(next()));
  line('snap a paper', patches.length, () => {
    const { x, y } = next();
    const stretch = board.nearestFree({ x, y: y - 22 }, 30);
    if (stretch) attach(board, hexagon, stretch, { turn: 1, isTurnedOver: false, isForced: false });
  });
  line('snap a move', patches.length, () => {
    snapMove(board, [turn], { x: 3, y: 1 }, 5);
    next();
  });
  for (const count of [200, 1000]) {
    const document = { format: BLOCK_FORMAT, patches: hexagonMosaic(count) } as const;
    line('seam report', document.patches.length, () => void liveReport(document, 'inch'), 60);
  }
  const sheet = hexagonMosaic(500);
  let round = 0;
  // By other names each time: of a drawing that was seen the order is known.
  const named = (round: number) => sheet.map((patch) => ({ ...patch, id: `${round} ${patch.id}` }));
  line('whole sheet', sheet.length, () => void blockSheet(named(++round), { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' }), 1); // prettier-ignore
}

function benchLookAlikes(): void {
  const papers = Array.from({ length: 200 }, (_, i) => ({
    name: `${i}`,
    outline: makePaper({ family: 'kite', tipDeg: 50 + (i % 20), footDeg: 110, edgeMm: 30 + i }),
    isHanded: false,
  }));
  const ms = medianTime(() => void findLookAlikes(papers), 3);
  say('\nlook-alikes, 200 kinds', `${ms.toFixed(0)} ms`);
}

/** Papers on sheets: area used, and against one upright box for each. */
function benchNesting(): void {
  say('\npapers on A4', 'used', 'of boxes');
  const [width, height] = [190, 277];
  const papers = {
    hexagon: makePaper({ family: 'regular', sides: 6, edgeMm: 25.4 }),
    'diamond 60°': makePaper({ family: 'diamond', angleDeg: 60, edgeMm: 38.1 }),
    'half-square triangle': makePaper({ family: 'half-square-triangle', legMm: 50.8 }),
  };
  for (const [name, outline] of Object.entries(papers)) {
    const { minX, minY, maxX, maxY } = boxOf(outline);
    const inBoxes = Math.floor(width / (maxX - minX)) * Math.floor(height / (maxY - minY));
    const { usedShare, sheets } = packSheets([{ outline, count: 200 }], width, height);
    const first = sheets[0]?.length ?? 0;
    say(name, usedShare.toFixed(2), `× ${(first / inBoxes).toFixed(2)}`);
  }
}

function medianTime(work: () => void, rounds: number): number {
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
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
