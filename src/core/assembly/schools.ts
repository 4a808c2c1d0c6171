import { groupsOf, type SeamGraph } from '../block';
import { distance, isInside, middleOfBox, toPolygon, toRadians, type Point } from '../geometry';
import { exactTree } from './exactTree';
import { findRotation } from './rotations';
import { joinCost, joinTrees, joined, leaf, type Tree } from './tree';

/** Ways of ordering the work that are taught. */
export type School = 'best' | 'rows' | 'rings' | 'wedges' | 'pairs' | 'base-strip';

/** What each school is called, and what speaks for it. */
export const SCHOOLS: Readonly<Record<School, { readonly name: string; readonly what: string }>> = {
  best: { name: 'Fewest bends', what: 'The fewest bends, then the fewest threads; straight seams first.' },
  rows: {
    name: 'Rows',
    what: 'Patches into rows, rows into the block: easy to lay out and to check, long seams at the end.',
  },
  rings: {
    name: 'Centre out',
    what: 'One patch after another round the middle: always in the hand, a bend at nearly every patch.',
  },
  wedges: {
    name: 'Equal wedges',
    what: 'The same group several times, then halves, then one long seam: learn it once.',
  },
  pairs: {
    name: 'Pairs, fours, eights',
    what: 'Two and two, then four and four: many alike, small in the hand for long.',
  },
  'base-strip': {
    name: 'Laid over a base strip',
    what: 'Row by row, each patch laid over the row before and sewn down along its curve: no bends, but the final width must be known first.',
  },
};

/** For parts of a school that leave the order open: makes the tree of a group quickly, and makes a tree better. */
export interface Inner {
  readonly order: (members: readonly number[]) => Tree;
  readonly improve: (tree: Tree) => Tree;
}

/**
 * The order that a school teaches for one connected group.
 * @param inner orders what the school leaves open
 * @returns undefined where the school does not apply: no rows, no turn onto itself
 */
export function schoolTree(
  graph: SeamGraph,
  members: readonly number[],
  school: Exclude<School, 'best'>,
  inner: Inner,
): Tree | undefined {
  if (members.length < 3) return undefined;
  switch (school) {
    case 'rows':
      return rowsTree(graph, members);
    case 'rings':
      return ringsTree(graph, members);
    case 'wedges':
      return wedgesTree(graph, members, inner);
    case 'pairs':
      return pairsTree(graph, members);
    case 'base-strip':
      return isCurved(graph, members) ? rowsTree(graph, members, LAID_DIRECTIONS) : undefined;
  }
}

function middle(graph: SeamGraph, patch: number): Point {
  return middleOfBox((graph.patches[patch] as SeamGraph['patches'][number]).outline);
}

function middleOfAll(graph: SeamGraph, members: readonly number[]): Point {
  const corners = members.flatMap((patch) => graph.patches[patch]?.outline.corners ?? []);
  return middleOfBox({ corners, bulges: corners.map(() => 0) });
}

/** Adds units one after another in their order; one that does not touch yet waits until it does. */
function joinInOrder(graph: SeamGraph, trees: readonly Tree[]): Tree {
  const waiting = [...trees];
  let whole = waiting.shift() as Tree;
  while (waiting.length > 0) {
    const next = waiting.findIndex(({ members }) => joinCost(graph, whole.members, members) < Infinity);
    const [tree] = waiting.splice(Math.max(0, next), 1) as [Tree];
    whole = joined(whole, tree);
  }
  return whole;
}

/** Directions in which rows are looked for, degrees. */
const ROW_DIRECTIONS = [0, 90, 30, 60, 120, 150, 45, 135];
/** Middles of a row lie within this share of a patch's height. */
const ROW_SHARE = 0.3;

/** Rows that are laid over each other run across, the uppermost first. */
const LAID_DIRECTIONS = [0];

/** Whether most of the length of a group's seams is curved, so that patches may be laid over each other. */
function isCurved(graph: SeamGraph, members: readonly number[]): boolean {
  const own = new Set(members);
  const seams = graph.seams.filter(({ patches }) => patches.every((patch) => own.has(patch)));
  const length = (list: typeof seams) => list.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  return length(seams.filter(({ path }) => path.length > 3)) > length(seams) / 2;
}

function rowsTree(
  graph: SeamGraph,
  members: readonly number[],
  directions: readonly number[] = ROW_DIRECTIONS,
): Tree | undefined {
  let best: { tree: Tree; cost: number } | undefined;
  for (const degrees of directions) {
    const rows = rowsAlong(graph, members, degrees);
    if (rows.length < 2 || rows.length > members.length / 2) continue;
    const units = rows.flatMap((row) => groupsOf(graph, row).map((group) => inRow(graph, group, degrees)));
    const tree = joinInOrder(graph, units);
    const cost = costOf(graph, tree);
    if (!best || cost < best.cost) best = { tree, cost };
  }
  return best?.tree;
}

function rowsAlong(graph: SeamGraph, members: readonly number[], degrees: number): number[][] {
  const [sin, cos] = [Math.sin(toRadians(degrees)), Math.cos(toRadians(degrees))];
  const across = members.map((patch) => {
    const { corners } = (graph.patches[patch] as SeamGraph['patches'][number]).outline;
    const heights = corners.map(({ x, y }) => y * cos - x * sin);
    const [low, high] = [Math.min(...heights), Math.max(...heights)];
    return { patch, at: (low + high) / 2, height: high - low };
  });
  across.sort((a, b) => a.at - b.at);
  const typical = across.map(({ height }) => height).sort((a, b) => a - b)[
    Math.floor(across.length / 2)
  ] as number;
  const rows: number[][] = [];
  let last = -Infinity;
  for (const { patch, at } of across) {
    if (at - last > typical * ROW_SHARE) rows.push([]);
    rows.at(-1)?.push(patch);
    last = at;
  }
  return rows;
}

function inRow(graph: SeamGraph, row: readonly number[], degrees: number): Tree {
  const along = (patch: number) => {
    const { x, y } = middle(graph, patch);
    return x * Math.cos(toRadians(degrees)) + y * Math.sin(toRadians(degrees));
  };
  return joinInOrder(graph, [...row].sort((a, b) => along(a) - along(b)).map(leaf)); // prettier-ignore
}

function ringsTree(graph: SeamGraph, members: readonly number[]): Tree {
  const centre = middleOfAll(graph, members);
  const own = new Set(members);
  const reach = (patch: number) => {
    const { outline } = graph.patches[patch] as SeamGraph['patches'][number];
    if (isInside(centre, toPolygon(outline, 0.1))) return 0;
    return Math.min(...outline.corners.map((corner) => distance(corner, centre)));
  };
  const least = Math.min(...members.map(reach));
  let front = members.filter((patch) => reach(patch) <= least + 1);
  if (front.length > members.length / 2) front = [front[0] as number];
  const angle = (patch: number) => {
    const { x, y } = middle(graph, patch);
    return Math.atan2(y - centre.y, x - centre.x);
  };
  const rings: number[][] = [];
  const seen = new Set<number>();
  while (front.length > 0) {
    front.forEach((patch) => seen.add(patch));
    rings.push([...front].sort((a, b) => angle(a) - angle(b)));
    const around = front.flatMap((patch) =>
      (graph.seamsOf[patch] ?? []).flatMap((seam) => graph.seams[seam]?.patches ?? []),
    );
    front = [...new Set(around)].filter((patch) => own.has(patch) && !seen.has(patch));
  }
  return joinInOrder(graph, rings.flat().map(leaf)); // prettier-ignore
}

/** Places from which the first wedge is tried, as parts of its angle; fewer where each takes long to plan. */
const WEDGE_STARTS = 24;
const LARGE_WEDGE_STARTS = 4;
/** Wedges of more patches than this are large. */
const LARGE_WEDGE = 60;

function wedgesTree(graph: SeamGraph, members: readonly number[], inner: Inner): Tree | undefined {
  const rotation = findRotation(graph, members);
  if (!rotation || members.length < 2 * rotation.folds) return undefined;
  const { folds, centre, next } = rotation;
  const still = members.filter((patch) => next.get(patch) === patch);
  const moving = members.filter((patch) => next.get(patch) !== patch);
  const angle = (patch: number) => {
    const { x, y } = middle(graph, patch);
    return (Math.atan2(y - centre.y, x - centre.x) * 180) / Math.PI + 360;
  };
  const width = 360 / folds;
  const tried = new Set<string>();
  let best: { wedge: Tree; whole: Tree; cost: number } | undefined;
  const starts = moving.length / folds > LARGE_WEDGE ? LARGE_WEDGE_STARTS : WEDGE_STARTS;
  for (let k = 0; k < starts; k++) {
    const from = (width * k) / starts + 1e-4;
    const sector = moving.filter((patch) => (((angle(patch) - from) % 360) + 360) % 360 < width);
    if (tried.has(sector.join())) continue;
    tried.add(sector.join());
    if (!isOneOfEach(sector, next, moving.length / folds) || groupsOf(graph, sector).length !== 1) continue;
    const wedge = exactTree(graph, sector) ?? inner.order(sector);
    const whole = roundOf(graph, wedge, next, folds, still);
    if (!whole) continue;
    const cost = costOf(graph, whole);
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
  for (let k = 1; k < folds; k++) wedges.push(turned(wedges.at(-1) as Tree, next));
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
  const members = tree.members.map((patch) => next.get(patch) as number);
  return tree.parts
    ? { members, parts: [turned(tree.parts[0], next), turned(tree.parts[1], next)] }
    : { members };
}

function pairsTree(graph: SeamGraph, members: readonly number[]): Tree {
  const centre = middleOfAll(graph, members);
  const angle = ({ members: own }: Tree) => {
    const { x, y } = middle(graph, own[0] as number);
    return Math.atan2(y - centre.y, x - centre.x);
  };
  let units: Tree[] = members.map(leaf).sort((a, b) => angle(a) - angle(b));
  while (units.length > 1) {
    const next: Tree[] = [];
    const taken = new Set<Tree>();
    for (const unit of units) {
      if (taken.has(unit)) continue;
      taken.add(unit);
      const mate = units
        .filter((other) => !taken.has(other))
        .map((other) => ({
          other,
          cost:
            joinCost(graph, unit.members, other.members) +
            Math.abs(other.members.length - unit.members.length) * 0.1,
        }))
        .filter(({ cost }) => cost < Infinity)
        .sort((a, b) => a.cost - b.cost)[0]?.other;
      if (mate) taken.add(mate);
      next.push(mate ? joined(unit, mate) : unit);
    }
    if (next.length === units.length) return joinTrees(graph, units);
    units = next;
  }
  return units[0] as Tree;
}

/** Bends and runs of all joins of a tree. */
export function treeCost(graph: SeamGraph, tree: Tree): { bends: number; runs: number } {
  let [bends, runs] = [0, 0];
  const stack = [tree];
  for (let one = stack.pop(); one; one = stack.pop()) {
    if (!one.parts) continue;
    const [a, b] = one.parts;
    const own = joinCost(graph, a.members, b.members);
    bends += own % 1000;
    runs += Math.floor(own / 1000);
    stack.push(a, b);
  }
  return { bends, runs };
}

/** The same as one number: a bend weighs a minute, a run three quarters of one for its thread. */
function costOf(graph: SeamGraph, tree: Tree): number {
  const { bends, runs } = treeCost(graph, tree);
  return bends + runs * 0.75;
}
