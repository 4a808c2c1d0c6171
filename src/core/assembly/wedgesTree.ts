import { knownOf, lastOf } from '../lists';
import { groupsOf, type SeamGraph } from '../block';
import { toDegrees } from '../geometry';
import { exactTree } from './exactTree';
import { middle } from './middles';
import { findRotation } from './rotations';
import { joinCost, joinInOrder, joinTrees, joined, leaf, type Tree } from './tree';
import { weightOf } from './treeCost';

/** For parts of a school that leave the order open: makes the tree of a group quickly, and makes a tree better. */
export interface Inner {
  readonly order: (members: readonly number[]) => Tree;
  readonly improve: (tree: Tree) => Tree;
}

/** Places from which the first wedge is tried, as parts of its angle; fewer where each takes long to plan. */
const WEDGE_STARTS = 24;
const LARGE_WEDGE_STARTS = 4;
/** Wedges begin beside, not at, the directions in which the middles of patches usually lie: so far of the way to the next start. */
const START_SHARE = 0.137;
/** Wedges of more patches than this are large. */
const LARGE_WEDGE = 60;

/**
 * One wedge, and the same turned round to all its places.
 * @returns undefined where the block does not turn onto itself
 */
export function wedgesTree(graph: SeamGraph, members: readonly number[], inner: Inner): Tree | undefined {
  const rotation = findRotation(graph, members);
  if (!rotation || members.length < 2 * rotation.folds) return undefined;
  const { folds, centre, next } = rotation;
  const still = members.filter((patch) => next.get(patch) === patch);
  const moving = members.filter((patch) => next.get(patch) !== patch);
  const angle = (patch: number) => {
    const { x, y } = middle(graph, patch);
    return toDegrees(Math.atan2(y - centre.y, x - centre.x));
  };
  const width = 360 / folds;
  const tried = new Set<string>();
  let best: { wedge: Tree; whole: Tree; cost: number } | undefined;
  const starts = moving.length / folds > LARGE_WEDGE ? LARGE_WEDGE_STARTS : WEDGE_STARTS;
  for (let k = 0; k < starts; k++) {
    const from = (width * (k + START_SHARE)) / starts;
    const sector = moving.filter((patch) => (((angle(patch) - from) % 360) + 360) % 360 < width);
    if (tried.has(sector.join())) continue;
    tried.add(sector.join());
    if (!isOneOfEach(sector, next, moving.length / folds) || groupsOf(graph, sector).length !== 1) continue;
    const wedge = exactTree(graph, sector) ?? inner.order(sector);
    const whole = roundOf(graph, wedge, next, folds, still);
    if (!whole) continue;
    const cost = weightOf(graph, whole);
    if (!best || cost < best.cost) best = { wedge, whole, cost };
  }
  if (!best) return undefined;
  const better = inner.improve(best.wedge);
  return better === best.wedge ? best.whole : roundOf(graph, better, next, folds, still);
}

/** Whether a sector holds exactly one of the patches that turn into each other, for all of them. */
function isOneOfEach(sector: readonly number[], next: ReadonlyMap<number, number>, count: number): boolean {
  const reached = new Set<number>();
  for (const patch of sector) {
    if (reached.has(patch)) return false;
    for (let at = next.get(patch); at !== undefined && at !== patch; at = next.get(at)) reached.add(at);
    reached.add(patch);
  }
  return sector.length === count;
}

/** The wedge turned round to all its places, halves joined, what lies in the middle put to the first half. */
function roundOf(
  graph: SeamGraph,
  wedge: Tree,
  next: ReadonlyMap<number, number>,
  folds: number,
  still: readonly number[],
): Tree | undefined {
  const wedges = [wedge];
  for (let k = 1; k < folds; k++) wedges.push(turned(lastOf(wedges), next));
  const half = Math.ceil(folds / 2);
  const touches = (a: Tree, b: Tree) => joinCost(graph, a.members, b.members) < Infinity;
  const line = (list: readonly Tree[]) =>
    list.length === 1
      ? list[0]
      : list
          .slice(1)
          .reduce<Tree | undefined>(
            (whole, one) => (whole && touches(whole, one) ? joined(whole, one) : undefined),
            list[0],
          );
  const [first, second] = [line(wedges.slice(0, half)), line(wedges.slice(half))];
  // Wedges that only meet round a middle patch hang on it one by one.
  if (!first || !second)
    return still.length > 0 ? joinTrees(graph, [...still.map(leaf), ...wedges]) : undefined;
  const withMiddle = still.length > 0 ? joinInOrder(graph, [first, ...still.map(leaf)]) : first;
  return touches(withMiddle, second) ? joined(withMiddle, second) : undefined;
}

function turned(tree: Tree, next: ReadonlyMap<number, number>): Tree {
  const members = tree.members.map((patch) => knownOf(next, patch));
  return tree.parts
    ? { members, parts: [turned(tree.parts[0], next), turned(tree.parts[1], next)] }
    : { members };
}
