import { swell } from '@/core/cutting';
import { makePaper } from '@/core/catalogue';
import { findSets, type Anchor } from '@/core/fussy';
import { toPolygon } from '@/core/geometry';
import { nest, type PieceKind } from '@/core/nesting';
import { DAY_MS, forecastGroup } from '@/core/pace';
import { seededRandom, simulatedGroup } from '@/core/testing';
import { loadSolver } from '@/workers/node/highsSolver';
import { say } from './benchTable';

/** Fresh numbers with each run: a figure that holds for one seed alone is none. */
const seed = Math.floor(Math.random() * 1e9);

const PAPERS: readonly Parameters<typeof makePaper>[0][] = [
  { family: 'regular', sides: 6, edgeMm: 25.4 },
  { family: 'diamond', angleDeg: 60, edgeMm: 38.1 },
  { family: 'diamond', angleDeg: 45, edgeMm: 45 },
  { family: 'half-square-triangle', legMm: 50.8 },
  { family: 'regular', sides: 3, edgeMm: 40 },
  { family: 'regular', sides: 8, edgeMm: 22 },
];

const MIXTURES = 4;
const CUT_SECONDS = 8;

/** Density of random mixtures on a roll after eight seconds, and their length against strips. */
function benchCut(): void {
  say('\ncut pieces on a roll, 8 s', 'pieces', 'density', 'of strips');
  const random = seededRandom(seed);
  for (let mixture = 0; mixture < MIXTURES; mixture++) {
    const kinds = PAPERS.filter(() => random() < 0.6).map((spec, index): PieceKind => ({ id: String(index), count: 8 + Math.floor(random() * 24), polygon: swell(toPolygon(makePaper(spec), 0.1), 6.35) }));
    if (kinds.length === 0) continue;
    const begin = performance.now();
    const { density, lengthMm, stripsLengthMm } = nest(kinds, { width: 1070, length: Infinity, selvedge: 0, turns: 'any', used: [] }, { spent: () => (performance.now() - begin) / (1000 * CUT_SECONDS) });
    say(`mixture ${mixture + 1}`, kinds.reduce((sum, { count }) => sum + count, 0), density.toFixed(3), stripsLengthMm ? (lengthMm / stripsLengthMm).toFixed(2) : '–');
  }
} // prettier-ignore

/** Whole sets against what no choice exceeds, on pieces with more than sixty places. */
async function benchFussy(): Promise<void> {
  say('\nfussy sets', 'places', 'sets', 'of the bound', 'seconds');
  const [random, solver] = [seededRandom(seed + 1), await loadSolver()];
  const between = (low: number, high: number) => low + (high - low) * random();
  for (let piece = 0; piece < 6; piece++) {
    const corners = 3 + Math.floor(random() * 4);
    const [reach, turn] = [between(30, 70), between(0, 6)];
    const outline = Array.from({ length: corners }, (_, i) => ({ x: reach * Math.cos(turn + (2 * Math.PI * i) / corners), y: reach * Math.sin(turn + (2 * Math.PI * i) / corners) }));
    const anchor: Anchor = { id: 'a', outline, setOf: 1 + Math.floor(random() * 8) };
    const repeat = { width: between(45, 110), height: between(45, 110), isHalfDrop: random() < 0.5, offset: { x: 20, y: 10 } };
    const begin = performance.now();
    const [found] = findSets({ width: 1100, length: between(900, 2000), selvedge: 12 }, repeat, [anchor], solver, 20).anchors;
    if (found) say(`piece ${piece + 1}`, found.places, found.sets, (found.most === 0 ? 1 : found.sets / found.most).toFixed(3), ((performance.now() - begin) / 1000).toFixed(1));
  }
} // prettier-ignore

const GROUPS = 60;

/** How many of the dates of simulated groups held, and how long three hundred makers take. */
function benchForecast(): void {
  say('\nforecasts', '50 % held', '80 % held', 'distance');
  const begin = Date.UTC(2026, 0, 5);
  const time = (day: number) => begin + day * DAY_MS;
  const turned = Array.from({ length: GROUPS }, (_, group) => {
    const now = 28 + 30 * (group % 5);
    const makers = simulatedGroup(seed + group, 21, now);
    const forecasts = forecastGroup(makers.map(({ id, since, left, work }) => ({ id, since: time(since), left, work: work.map(({ day, minutes }) => ({ at: time(day), minutes })) })), time(now));
    return makers.flatMap(({ behaviour, finish = Infinity }, index) => {
      const forecast = forecasts[index];
      if (behaviour === 'stopped' || !forecast) return [];
      const isBy = (date: number) => time(finish) < date + DAY_MS;
      return [{ behaviour, is50: isBy(forecast.date50), is80: isBy(forecast.date80), distance: (forecast.date80 - time(now)) / (time(finish) - time(now)) }];
    });
  }).flat();
  for (const kind of [undefined, ...new Set(turned.map(({ behaviour }) => behaviour))]) {
    const own = turned.filter(({ behaviour }) => kind === undefined || behaviour === kind);
    const share = (is: (one: (typeof own)[number]) => boolean) => (own.filter(is).length / own.length).toFixed(2);
    const distances = own.map(({ distance }) => distance).sort((a, b) => a - b);
    say(kind ?? 'all', share(({ is50 }) => is50), share(({ is80 }) => is80), (distances[Math.floor(distances.length / 2)] ?? 0).toFixed(2));
  }
} // prettier-ignore

/** Cutting, fussy cutting and forecasts on inputs that are made anew with each run. */
export async function benchCraft(): Promise<void> {
  say('\nseed', seed);
  benchCut();
  await benchFussy();
  benchForecast();
}
