import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import { threadOn } from '../thread';
import { hasNoLines } from './evenHalves';
import { inBatches } from './inBatches';
import { inSequence } from './inSequence';
import { chainsOf } from './interface';
import type { BareJoin, Join, PlanTotals, Repeat } from './join';
import { releaseAfterJoins } from './releases';
import { likeUnits, repeatsOf } from './repeats';
import { sewInOrder } from './sewInOrder';
import type { SewingSettings } from './sewingSettings';
import { seamsBetween, type Tree } from './tree';
import { NO_WISHES, type IdleWish, type Wishes } from './wishes';

interface Sewn {
  readonly joins: readonly Join[];
  readonly idle: readonly IdleWish[];
}

/** Orders that were sewn to be weighed: the one that is chosen is not sewn again. Of one block and its settings at a time. */
const weighed = keptFor((_: SeamGraph) => keptFor((_settings: SewingSettings) => new WeakMap<Tree, Sewn>()));

/** Joins of the trees in the order of sewing, with all that is to be known of each. */
export function sewTrees(
  graph: SeamGraph,
  roots: readonly Tree[],
  settings: SewingSettings,
  wishes: Pick<Wishes, 'before' | 'isBatched'> = NO_WISHES,
): Sewn {
  const [only] = roots;
  const isPlain = roots.length === 1 && wishes.before.length === 0 && wishes.isBatched === undefined;
  if (!only || !isPlain) return sew(graph, roots, settings, wishes);
  const known = weighed(graph)(settings);
  const sewn = known.get(only) ?? sew(graph, roots, settings, wishes);
  known.set(only, sewn);
  return sewn;
}

function sew(
  graph: SeamGraph,
  roots: readonly Tree[],
  settings: SewingSettings,
  { before, isBatched }: Pick<Wishes, 'before' | 'isBatched'>,
): Sewn {
  const { joins: pairs, idle } = inSequence(roots.flatMap(listJoins), before);
  const bare = pairs.map(({ left, right }) => describeJoin(graph, left, right));
  const likeOf = likeUnits(graph, bare);
  const repeats = repeatsOf(likeOf);
  const oneByOne = () => sewBare(graph, bare, repeats, settings);
  if (isBatched === false || bare.length > MOST_BATCHED || !repeats.some(Boolean))
    return { joins: oneByOne(), idle };
  const order = inBatches(bare, (index) => repeats[index]?.letter);
  const batched = order.map((index) => itemAt(bare, index));
  const together = sewBare(graph, batched, repeatsOf(order.map((index) => likeOf[index])), settings);
  if (isBatched) return { joins: together, idle };
  const apart = oneByOne();
  const isWorth =
    before.length === 0 &&
    minutesOf(together) <= minutesOf(apart) * (1 + BATCH_SHARE) &&
    startsOf(together) <= startsOf(apart) * (1 + (hasNoLines(graph) ? 0 : STARTS_SHARE)) &&
    mostPapers(together) <= mostPapers(apart) * (1 + PAPERS_SHARE);
  return { joins: isWorth ? together : apart, idle };
}

/** Like units are made together of themselves where that costs at most this share of the time more … */
const BATCH_SHARE = 0.02;
/** … at most this share more threads begun (none where no seam goes on in a line: there one thread makes a whole piece), … */
const STARTS_SHARE = 0.25;
/** … and at most this share more papers at one time, when each is basted just before its join. */
const PAPERS_SHARE = 0.5;
/** Larger plans are not put in batches. */
const MOST_BATCHED = 2000;

const minutesOf = (joins: readonly Join[]) => joins.reduce((sum, { minutes }) => sum + minutes, 0);

const startsOf = (joins: readonly Join[]) => joins.reduce((sum, { threadStarts }) => sum + threadStarts, 0);

/** Most papers inside the work at one time, when each patch is basted just before it is joined. */
function mostPapers(joins: readonly Join[]): number {
  let [inUse, most] = [0, 0];
  for (const { left, right, releases } of joins) {
    for (const unit of [left, right]) if (unit.length === 1) inUse += 1;
    most = Math.max(most, inUse);
    inUse -= releases.length;
  }
  return most;
}

function sewBare(
  graph: SeamGraph,
  bare: readonly BareJoin[],
  repeats: readonly (Repeat | undefined)[],
  settings: SewingSettings,
): Join[] {
  return sewInOrder(graph, releaseAfterJoins(graph, bare), settings).map((join, index): Join => {
    const repeat = repeats[index];
    return repeat ? { ...join, repeat } : join;
  });
}

/** Joins of a tree, the larger part's first, each after the joins it needs. Iterative: plans can be deep. */
export function listJoins(root: Tree): { left: readonly number[]; right: readonly number[] }[] {
  const backwards: Tree[] = [];
  const stack = [root];
  for (let tree = stack.pop(); tree; tree = stack.pop()) {
    if (!tree.parts) continue;
    backwards.push(tree);
    // What is pushed last comes first here and so, turned round, is made last.
    stack.push(...(tree.lastPart === 0 ? [tree.parts[1], tree.parts[0]] : tree.parts));
  }
  return backwards.reverse().map((tree) => {
    const [left, right] = tree.parts as readonly [Tree, Tree];
    return { left: left.members, right: right.members };
  });
}

/** Adds up what the joins of an order cost. */
export function totalsOf(joins: readonly Join[], settings: SewingSettings): PlanTotals {
  const sum = (value: (join: Join) => number) => joins.reduce((total, join) => total + value(join), 0);
  return {
    joins: joins.length,
    bends: sum(({ bends }) => bends),
    threadStarts: sum(({ threadStarts }) => threadStarts),
    slides: sum(({ slides }) => slides),
    threadStartsBound: startsBound(joins, settings),
    minutes: sum(({ minutes }) => minutes),
    largestUnit: Math.max(1, ...joins.map(({ left }) => left.length)),
    repeated: joins.filter(({ repeat }) => repeat).length,
  };
}

/** Every needleful sews only so much, and each separate group of patches begins with one. */
function startsBound(joins: readonly Join[], { stitchesPerMm, usableNeedlefulMm }: SewingSettings): number {
  const need = joins.reduce((sum, { lengthMm }) => sum + threadOn(lengthMm, stitchesPerMm), 0);
  return joins.length === 0 ? 0 : Math.max(1, Math.ceil(need / usableNeedlefulMm - 1e-9));
}

function describeJoin(graph: SeamGraph, left: readonly number[], right: readonly number[]): BareJoin {
  const seams = seamsBetween(graph, left, right);
  return { left, right, seams, chains: chainsOf(graph, seams) };
}
