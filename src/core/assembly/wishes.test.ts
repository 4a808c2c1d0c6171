import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultRecipe, generate } from '../generate';
import { buildSeamGraph, groupsOf, type SeamGraph } from '../block';
import { cutGrid, hexagonMosaic, mixedMosaic, partition, plate, rosette, starOfDiamonds } from '../testing';
import {
  DEFAULT_SEWING,
  NO_WISHES,
  SCHOOLS,
  changeWishes,
  exactTree,
  isCrossing,
  planAssembly,
  unitKey,
  validatePlan,
  type AssemblyPlan,
  type OrderChange,
  type School,
  type WishList,
  type Wishes,
} from '.';
import { chainsOf } from './interface';
import { improveTree } from './improveTree';
import { releaseAfterJoins } from './releases';
import { sewInOrder } from './sewInOrder';
import { joined, leaf, type Tree } from './tree';
import { TreeWays } from './treeWays';

const wish = (some: Partial<Wishes>): Wishes => ({ ...NO_WISHES, ...some });
const plan = (graph: SeamGraph, wishes: Wishes = NO_WISHES, school: School = 'best') =>
  planAssembly(graph, undefined, undefined, school, wishes);
const units = ({ joins }: AssemblyPlan) =>
  new Set(joins.map(({ left, right }) => unitKey([...left, ...right])));
const pairs = ({ joins }: AssemblyPlan) => joins.map(({ left, right }) => [unitKey(left), unitKey(right)].sort().join('|')); // prettier-ignore

/** A connected unit grown from a patch, each time by the neighbour that a list of numbers picks. */
function grown(graph: SeamGraph, from: number, picks: readonly number[]): number[] {
  const unit = [from % graph.patches.length];
  for (const pick of picks) {
    const near = unit.flatMap((patch) => graph.seamsOf[patch] ?? []).flatMap((seam) => graph.seams[seam]?.patches ?? []);
    const free = [...new Set(near)].filter((patch) => !unit.includes(patch));
    if (free.length > 0) unit.push(free[pick % free.length] as number);
  }
  return unit;
} // prettier-ignore

const someUnit = fc.tuple(fc.nat(100), fc.array(fc.nat(20), { minLength: 1, maxLength: 7 }));
const drawing = fc.oneof(
  fc.tuple(fc.integer({ min: 2, max: 5 }), fc.integer({ min: 2, max: 5 }), fc.array(fc.nat(2), { minLength: 1, maxLength: 25 })).map(([columns, rows, cuts]) => cutGrid(columns, rows, cuts)),
  fc.constantFrom(rosette(1), rosette(2), plate(12), starOfDiamonds(8), hexagonMosaic(30)),
); // prettier-ignore

test('whatever is wished the plan is valid, and each wish is followed or listed with its reason', () => {
  fc.assert(
    fc.property(drawing, fc.array(someUnit, { maxLength: 3 }), fc.array(fc.nat(60), { maxLength: 2 }), fc.array(fc.tuple(fc.nat(60), fc.nat(60)), { maxLength: 2 }), fc.constantFrom(...(Object.keys(SCHOOLS) as School[])), (patches, seeds, forbidden, moved, school) => {
      const graph = buildSeamGraph(patches);
      const first = plan(graph, NO_WISHES, school);
      const joinAt = (index: number) => first.joins[index % first.joins.length] as AssemblyPlan['joins'][number];
      const wishes: Wishes = {
        pins: seeds.map(([from, picks]) => ({ patches: grown(graph, from, picks) })),
        apart: forbidden.map((index) => [joinAt(index).left, joinAt(index).right] as const),
        before: moved.map((two) => two.map(joinAt).map(({ left, right }) => [...left, ...right]) as [number[], number[]]),
      };
      const own = plan(graph, wishes, school);
      expect(validatePlan(graph, own)).toEqual([]);
      const isIdle = (kind: WishList, index: number) => own.idle.some((one) => one.wish === kind && one.index === index && one.why !== '');
      const made = units(own);
      wishes.pins.forEach(({ patches: unit }, i) => expect(made.has(unitKey(unit)) || isIdle('pins', i)).toBe(true));
      wishes.apart.forEach(([a, b], i) => expect(!pairs(own).includes([unitKey(a), unitKey(b)].sort().join('|')) || isIdle('apart', i)).toBe(true));
      const order = own.joins.map(({ left, right }) => unitKey([...left, ...right]));
      wishes.before.forEach(([a, b], i) => expect(order.indexOf(unitKey(a)) < order.indexOf(unitKey(b)) || isIdle('before', i)).toBe(true));
      if (hasOnlySoundPins(graph, wishes)) expect(own.idle.filter(({ wish: kind }) => kind === 'pins')).toEqual([]);
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

function hasOnlySoundPins(graph: SeamGraph, { pins }: Wishes): boolean {
  return pins.every(({ patches }, i) =>
    groupsOf(graph, patches).length === 1 &&
    patches.length > 1 &&
    pins.slice(0, i).every((other) => !isCrossing(other.patches, patches) && unitKey(other.patches) !== unitKey(patches)),
  );
} // prettier-ignore

/** Every order of joining some patches, as trees with either part made last. */
function everyTree(graph: SeamGraph, members: readonly number[], isAllowed: (unit: readonly number[]) => boolean = () => true): Tree[] {
  if (members.length === 1) return [leaf(members[0] as number)];
  if (!isAllowed(members)) return [];
  const trees: Tree[] = [];
  for (let part = 1; part < 2 ** (members.length - 1); part++) {
    const [a, b] = [members.filter((_, i) => (part >> i) & 1), members.filter((_, i) => !((part >> i) & 1))];
    if (groupsOf(graph, a).length !== 1 || groupsOf(graph, b).length !== 1) continue;
    const rights = everyTree(graph, b, isAllowed);
    for (const left of everyTree(graph, a, isAllowed))
      for (const right of rights) for (const lastPart of [0, 1] as const) trees.push({ ...joined(left, right), lastPart });
  }
  return trees;
} // prettier-ignore

/** Bends and threads begun when joins are sewn in the order of a tree, with a thread that never ends. */
function sewn(graph: SeamGraph, root: Tree): [number, number] {
  const list = (tree: Tree): { left: readonly number[]; right: readonly number[] }[] => {
    if (!tree.parts) return [];
    const [a, b] = tree.lastPart === 0 ? [tree.parts[1], tree.parts[0]] : tree.parts;
    return [...list(a), ...list(b), { left: tree.parts[0].members, right: tree.parts[1].members }];
  };
  const bare = list(root).map(({ left, right }) => {
    const seams = graph.seams.flatMap(({ patches: [p, q] }, seam) => ((left.includes(p) && right.includes(q)) || (left.includes(q) && right.includes(p)) ? [seam] : []));
    return { left, right, seams, chains: chainsOf(graph, seams) };
  });
  const joins = sewInOrder(graph, releaseAfterJoins(graph, bare), { ...DEFAULT_SEWING, usableNeedlefulMm: 1e6 });
  return [joins.reduce((sum, { bends }) => sum + bends, 0), joins.reduce((sum, { threadStarts }) => sum + threadStarts, 0)];
} // prettier-ignore

const few = fc.oneof(
  fc.array(fc.record({ which: fc.nat(9), share: fc.constantFrom(0.3, 0.5, 0.7) }), { minLength: 2, maxLength: 4 }).map((cuts) => partition(90, 70, cuts)),
  fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 3, maxLength: 5 }).map((keep) => rosette(1).filter((_, i) => keep.includes(i))),
); // prettier-ignore

test('of all orders with the fewest bends none begins fewer threads, found by sewing every one', () => {
  fc.assert(
    fc.property(few, (patches) => {
      const graph = buildSeamGraph(patches);
      for (const group of groupsOf(graph, [...patches.keys()])) {
        const all = everyTree(graph, group).map((tree) => sewn(graph, tree)).sort(([a, b], [c, d]) => a - c || b - d);
        const exact = exactTree(graph, group) as Tree;
        expect(sewn(graph, exact)).toEqual(all[0]);
      }
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

test('round a pinned unit the plan has exactly the fewest bends that any order with that unit has', () => {
  fc.assert(
    fc.property(few, someUnit, (patches, [from, picks]) => {
      const graph = buildSeamGraph(patches);
      const unit = grown(graph, from, picks.slice(0, 2));
      fc.pre(unit.length > 1);
      const isAllowed = (made: readonly number[]) => !isCrossing(made, unit);
      const least = groupsOf(graph, [...patches.keys()]).reduce(
        (sum, group) => sum + Math.min(...everyTree(graph, group, isAllowed).map((tree) => sewn(graph, tree)[0])), 0);
      expect(plan(graph, wish({ pins: [{ patches: unit }] })).totals.bends).toBe(least);
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

test('improving never costs a bend or a thread more, and often saves some', () => {
  let saved = 0;
  for (const patches of [mixedMosaic(60), mixedMosaic(150), cutGrid(6, 5, [0, 1, 2]), hexagonMosaic(40)]) {
    const graph = buildSeamGraph(patches);
    const costs = new TreeWays(graph);
    const row = patches.map((_, i) => leaf(i)).reduce((whole, one) => joined(whole, one));
    const better = improveTree(graph, row);
    expect([...better.members].sort((a, b) => a - b)).toEqual(patches.map((_, i) => i));
    expect(costs.costOf(better)).toBeLessThanOrEqual(costs.costOf(row));
    saved += costs.costOf(row) - costs.costOf(better);
  }
  expect(saved).toBeGreaterThan(1000);
});

test('a pinned unit is made by its own school, the rest by that of the whole', () => {
  const graph = buildSeamGraph(cutGrid(6, 4, [0]));
  const right = graph.patches.flatMap((_, i) => (i % 6 >= 3 ? [i] : []));
  const { joins } = plan(graph, wish({ pins: [{ patches: right, school: 'rings' }] }), 'rows');
  const own = joins.filter((join) => [...join.left, ...join.right].every((patch) => right.includes(patch)));
  expect(own).toHaveLength(11);
  // Centre out adds one patch after another.
  expect(own.every((join) => join.right.length === 1)).toBe(true);
});

test('each change a host makes to a join does what it says', () => {
  const graph = buildSeamGraph(starOfDiamonds(8));
  const start = plan(graph);
  const done = (change: OrderChange) => {
    const changed = changeWishes(graph, start.joins, NO_WISHES, change);
    return 'wishes' in changed ? plan(graph, changed.wishes) : changed;
  };
  const key = (index: number) => unitKey([...(start.joins[index]?.left ?? []), ...(start.joins[index]?.right ?? [])]);
  start.joins.forEach((join, index) => {
    if (index % 3 !== 0) return; // one of three will do
    const apart = done({ kind: 'apart', join: index }) as AssemblyPlan;
    expect(pairs(apart)).not.toContain([unitKey(join.left), unitKey(join.right)].sort().join('|'));
    const earlier = done({ kind: 'earlier', join: index });
    if (index === 0) expect(earlier).toEqual({ refused: 'It is the first join already.' });
    else {
      const own = earlier as AssemblyPlan;
      expect(validatePlan(graph, own)).toEqual([]);
      const order = own.joins.map(({ left, right }) => unitKey([...left, ...right]));
      const isAfter = order.includes(key(index)) && order.includes(key(index - 1)) && order.indexOf(key(index)) > order.indexOf(key(index - 1));
      // Either the two have changed places, or the unit that the earlier one made is no longer made.
      expect(isAfter && unitKey(join.left) === key(index - 1)).toBe(false);
      expect(own.idle).toEqual([]);
    }
  });
  expect(done({ kind: 'later', join: start.joins.length - 1 })).toEqual({ refused: 'It is the last join already.' });
}); // prettier-ignore

test('like units are made one after another where it is wished, each after what it needs', () => {
  for (const patches of [
    generate(defaultRecipe('grid')),
    generate(defaultRecipe('beams')),
    cutGrid(4, 4, [1]),
  ]) {
    const graph = buildSeamGraph(patches);
    const own = plan(graph, wish({ isBatched: true }));
    expect(validatePlan(graph, own)).toEqual([]);
    const letters = own.joins.map(({ repeat }) => repeat?.letter ?? '');
    const runs = letters.filter((letter, i) => letter !== '' && letter !== letters[i - 1]);
    expect(new Set(runs).size).toBe(runs.length);
    expect(runs.length).toBeGreaterThan(0);
    for (const { repeat } of own.joins) if (repeat) expect(repeat.copy).toBeLessThanOrEqual(repeat.copies);
    // Left to itself the planner batches only what costs next to no time.
    const [free, single] = [plan(graph), plan(graph, wish({ isBatched: false }))];
    expect(free.totals.minutes).toBeLessThanOrEqual(single.totals.minutes * 1.021);
  }
});
