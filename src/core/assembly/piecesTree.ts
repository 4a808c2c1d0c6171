import { itemAt, lastOf } from '../lists';
import { groupsOf, keptFor, type SeamGraph } from '../block';
import { threadOn } from '../thread';
import { cutOf, cutTree } from './cutTree';
import { hasNoLines } from './evenHalves';
import { growPiece, type MadeUnit } from './growPiece';
import { chainsOf, turnedChain, type Chain } from './interface';
import { inSteps, joinMinutes, slowedBy } from './joinMinutes';
import { middle, balanceOf } from './middles';
import { lostMinutes, slidTo, waysOfNeedle, weighedRun } from './needle';
import type { SewingSettings } from './sewingSettings';
import { joinTrees, joinedLast, seamsBetween, type Tree } from './tree';

/** What making units as growing pieces needs. */
export interface PiecesTask {
  readonly graph: SeamGraph;
  readonly settings: SewingSettings;
  readonly goOn: () => void;
}

interface Task extends PiecesTask {
  /** Units of up to so many patches are made patch by patch. */
  readonly most: number;
  readonly isCareful: boolean;
  /** Orders of a piece that are followed at a time. */
  readonly width: number;
}

/** Two parts of a unit. */
type Halves = readonly [readonly number[], readonly number[]];

/** Blocks of up to so many patches are weighed with care, and so many orders of each of their pieces followed; of larger ones few. */
const [MOST_CAREFUL, WIDTH] = [600, 16];
/** Of blocks of up to so many patches more orders are followed. */
const [SMALL, SMALL_WIDTH] = [250, 32];
/** A piece of so many patches is also tried in halves. */
const LEAST_HALVED = 16;
/** Ways of making a unit that are kept. */
const MOST_WAYS = 16;
/** What is left on the needle at the end is lost half the time: the unit that is made last sews on with it. */
const LOST_SHARE = 0.5;

/**
 * The order in which units of up to so many patches are made patch by patch, each on one growing piece, or in halves where that is
 * lighter in the hand. Of two halves that is made last whose thread best goes on into the seam between them, and one is a patch
 * larger than the other where that uses up the last needleful of the first.
 */
export function piecesTree(task: PiecesTask, members: readonly number[], most: number): Tree {
  const count = task.graph.patches.length;
  const own: Task = { ...task, most, isCareful: count <= MOST_CAREFUL, width: count <= SMALL ? SMALL_WIDTH : WIDTH }; // prettier-ignore
  return leastOf(waysToMake(own, members, []), task.settings).tree;
}

/** Ways that were found: whatever size of pieces is asked for, smaller units come again and are made alike. */
const knownWays = keptFor((_: SeamGraph) => keptFor((_settings: SewingSettings) => new Map<string, readonly MadeUnit[]>())); // prettier-ignore

/** @param ends places where the next join may begin */
function waysToMake(task: Task, members: readonly number[], ends: readonly number[]): readonly MadeUnit[] {
  if (members.length > task.most || !task.isCareful) return findWays(task, members, ends);
  const known = knownWays(task.graph)(task.settings);
  const key = `${ends.join()} ${members.join()}`;
  const ways = known.get(key) ?? findWays(task, members, ends);
  known.set(key, ways);
  return ways;
}

function findWays(task: Task, members: readonly number[], ends: readonly number[]): readonly MadeUnit[] {
  const { graph, settings, goOn, most, isCareful, width } = task;
  if (members.length < 3) return [plainly(cutTree(graph, members, goOn))];
  const isPiece = members.length <= most;
  const grown = isPiece ? growPiece(graph, members, settings, width, isCareful ? ends : []) : [];
  if (grown.length > 0) members.forEach(goOn);
  if (grown.length > 0 && (!isCareful || members.length < LEAST_HALVED)) return kept(grown, settings);
  const parts = cutOf(graph)(members);
  const halves = isCareful && parts.length === 2 ? (parts as Halves) : undefined;
  const tried = !halves ? [] : grown.length > 0 ? [halves] : splits(task, halves);
  const ways = [...grown, ...tried.flatMap((one) => waysToJoin(task, one))];
  if (ways.length > 0) return kept(ways, settings);
  const trees = parts.map((part) => leastOf(waysToMake(task, part, []), settings).tree);
  return [plainly(joinTrees(graph, trees))];
}

/** A unit of whose thread nothing is known. */
function plainly(tree: Tree): MadeUnit {
  return { tree, minutes: 0, needle: { place: -1, leftMm: 0 } };
}

/** The way that takes the least when nothing is sewn on with the rest of its thread. */
function leastOf(ways: readonly MadeUnit[], settings: SewingSettings): MadeUnit {
  const value = ({ minutes, needle }: MadeUnit) => inSteps(minutes + lostMinutes(needle.leftMm, settings));
  return ways.reduce((best, way) => (value(way) < value(best) ? way : best));
}

/** The best ways, for each place where the thread ends one. */
function kept(ways: readonly MadeUnit[], settings: SewingSettings): MadeUnit[] {
  const value = ({ minutes, needle }: MadeUnit) => inSteps(minutes + LOST_SHARE * lostMinutes(needle.leftMm, settings)); // prettier-ignore
  const sorted = ways.map((way) => ({ way, rank: value(way) })).sort((a, b) => a.rank - b.rank);
  const byPlace = new Map<number, MadeUnit>();
  for (const { way } of sorted) if (!byPlace.has(way.needle.place)) byPlace.set(way.needle.place, way);
  return [...byPlace.values()].slice(0, MOST_WAYS);
}

/** Halves, and where both are made patch by patch and no cut costs a bend, the same with a patch more in one of them. */
function splits({ graph, most, isCareful }: Task, halves: Halves): Halves[] {
  const [a, b] = halves;
  const isFree = isCareful && Math.max(a.length, b.length) <= most && hasNoLines(graph);
  if (!isFree || Math.min(a.length, b.length) < 3) return [halves];
  const moved = TILTS.flatMap((tilt) => {
    const along = acrossCut(graph, halves, tilt);
    return [a.length + 1, a.length - 1].map((at): Halves => [along.slice(0, at), along.slice(at)]);
  });
  return [halves, ...moved.filter((one) => isSound(graph, one))];
}

/** The line across which patches are moved leans a little to either side, so that those of one row have an order: as slopes. */
const TILTS = [0.03, -0.03] as const;

/** Patches of both halves in the order in which they lie across the cut. */
function acrossCut(graph: SeamGraph, [a, b]: Halves, tilt: number): number[] {
  const [p, q] = [balanceOf(graph, a), balanceOf(graph, b)];
  const [dx, dy] = [q.x - p.x, q.y - p.y];
  const along = [...a, ...b].map((patch) => {
    const { x, y } = middle(graph, patch);
    return [x * (dx - tilt * dy) + y * (dy + tilt * dx), patch] as const;
  });
  return along.sort(([one], [other]) => one - other).map(([, patch]) => patch);
}

function isSound(graph: SeamGraph, [a, b]: Halves): boolean {
  if ([a, b].some((own) => groupsOf(graph, own).length > 1)) return false;
  return chainsOf(graph, seamsBetween(graph, a, b)).length === 1;
}

/** Ways of making both parts and sewing them together, either of them last. */
function waysToJoin(task: Task, [a, b]: Halves): MadeUnit[] {
  const { graph, settings } = task;
  const chains = chainsOf(graph, seamsBetween(graph, a, b));
  const ends = [itemAt(chains, 0).startPlace, lastOf(chains).endPlace];
  const [ofA, ofB] = [waysToMake(task, a, ends), waysToMake(task, b, ends)];
  const runs = [chains, chains.map(turnedChain).reverse()];
  return [[ofA, ofB] as const, [ofB, ofA] as const].flatMap(([firsts, lasts]) => {
    const first = leastOf(firsts, settings);
    return lasts.flatMap((last) => runs.map((run) => sewnTogether(task, first, last, run)));
  });
}

/** A unit made of two when nothing is sewn on with the thread of the first, by runs in their order. */
function sewnTogether({ graph, settings }: Task, first: MadeUnit, last: MadeUnit, run: readonly Chain[]): MadeUnit {
  const own = new Set(last.tree.members);
  let { minutes, needle } = last;
  minutes += first.minutes + lostMinutes(first.needle.leftMm, settings) + heavyMinutes(graph, settings, [first, last], run);
  for (const { startPlace, endPlace, lengthMm } of run) {
    const slid = slidTo(needle.place, startPlace, waysOfNeedle(graph, needle.place), (patch) => own.has(patch));
    const sewn = weighedRun(needle.leftMm, slid, threadOn(lengthMm, settings.stitchesPerMm), settings);
    minutes += sewn.minutes;
    needle = { place: endPlace, leftMm: sewn.leftMm };
  }
  return { tree: joinedLast(first.tree, last.tree), minutes, needle };
} // prettier-ignore

/** Minutes that a join takes more because of the papers in the larger unit. */
function heavyMinutes(
  graph: SeamGraph,
  settings: SewingSettings,
  [first, last]: readonly [MadeUnit, MadeUnit],
  run: readonly Chain[],
): number {
  const larger = first.tree.members.length >= last.tree.members.length ? first : last;
  const lengthMm = run.reduce((sum, chain) => sum + chain.lengthMm, 0);
  const light = joinMinutes({ lengthMm, chains: run, threadStarts: 0, slides: 0, papersInHand: 0 }, settings);
  return light * (slowedBy(papersIn(graph)(larger.tree.members), settings) - 1);
}

/** Papers that are still in a unit when it is made: of patches with an open edge or a neighbour outside. */
const papersIn = keptFor((graph: SeamGraph) => {
  const isOpen = new Set(graph.openEdges.map(({ patch }) => patch));
  return keptFor((members: readonly number[]) => {
    const own = new Set(members);
    const isWhole = (seam: number) => itemAt(graph.seams, seam).patches.every((patch) => own.has(patch));
    return members.filter((patch) => isOpen.has(patch) || !itemAt(graph.seamsOf, patch).every(isWhole))
      .length;
  });
});
