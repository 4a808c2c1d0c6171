import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph, type Patch, type SeamGraph } from '../block';
import { defaultRecipe, generate, RECIPE_NAMES, type RecipeKind } from '../generate';
import {
  cutGrid,
  hexagonMosaic,
  pacedTime,
  partition,
  plannedOrder,
  plate,
  rosette,
  starOfDiamonds,
} from '../testing';
import { SCHOOLS, exactTree, validatePlan, type School } from '.';
import { chainsOf } from './interface';
import { treeCost } from './treeCost';

const ALL = Object.keys(SCHOOLS) as School[];
const plan = (patches: readonly Patch[], school: School = 'best') => {
  return { graph: buildSeamGraph(patches), ...plannedOrder(patches, { school }) };
};

/** Fewest bends of all orders, by trying every pair of units at every step. */
function leastBends(graph: SeamGraph): number {
  const known = new Map<string, number>();
  const least = (units: readonly (readonly number[])[]): number => {
    if (units.length === 1) return 0;
    const key = units.map((unit) => unit.join()).sort().join('|'); // prettier-ignore
    const before = known.get(key);
    if (before !== undefined) return before;
    let best = Infinity;
    units.forEach((a, i) => {
      units.slice(i + 1).forEach((b) => {
        const between = graph.seams.flatMap(({ patches: [p, q] }, seam) =>
          (a.includes(p) && b.includes(q)) || (a.includes(q) && b.includes(p)) ? [seam] : [],
        );
        if (between.length === 0) return;
        const bends = chainsOf(graph, between).reduce((sum, chain) => sum + chain.bends.length, 0);
        const rest = units.filter((unit) => unit !== a && unit !== b);
        best = Math.min(best, bends + least([...rest, [...a, ...b].sort((p, q) => p - q)]));
      });
    });
    known.set(key, best);
    return best;
  };
  return least(graph.patches.map((_, i) => [i]));
}

test('up to eight patches the plan has exactly the fewest bends of all orders', () => {
  const cuts = fc.array(fc.record({ which: fc.nat(20), share: fc.double({ min: 0.2, max: 0.8, noNaN: true }) }), { minLength: 1, maxLength: 6 }); // prettier-ignore
  const drawing = fc.oneof(
    cuts.map((list) => partition(120, 90, list)),
    fc.array(fc.nat(2), { minLength: 4, maxLength: 4 }).map((list) => cutGrid(2, 2, list)),
  );
  fc.assert(
    fc.property(drawing, (patches) => {
      const { graph, totals, isProven } = plan(patches);
      expect(isProven).toBe(true);
      expect(totals.bends).toBe(leastBends(graph));
    }),
    { numRuns: 25 },
  );
  expect(plan(rosette(1)).totals.bends).toBe(6);
});

test('fourteen patches are weighed in every order within a second; fifteen are not', async () => {
  const fourteen = hexagonMosaic(16).slice(0, 14);
  let weighed: ReturnType<typeof plan> | undefined;
  const ms = await pacedTime(
    () => (weighed = plan(fourteen)),
    () => performance.now(),
  );
  expect(ms).toBeLessThan(3000);
  const { isProven, totals, bendsBound } = weighed as NonNullable<typeof weighed>;
  expect([isProven, totals.bends >= bendsBound]).toEqual([true, true]);
  expect(plan(hexagonMosaic(16)).isProven).toBe(false);
  const graph = buildSeamGraph(hexagonMosaic(16));
  expect(exactTree(graph, graph.patches.map((_, i) => i))).toBeUndefined(); // prettier-ignore
});

test('the worked plans: two halves of a star, the ring of a plate in pairs', () => {
  const star = plan(starOfDiamonds(6));
  expect([star.totals.joins, star.totals.bends]).toEqual([5, 0]);
  expect(star.joins.at(-1)?.chains).toHaveLength(1);
  const pairs = plan(plate(24), 'pairs');
  const sizes = pairs.joins.map(({ left, right }) => left.length + right.length);
  expect([2, 4, 8].map((size) => sizes.filter((one) => one === size).length)).toEqual([12, 6, 3]);
  expect(pairs.joins.at(-1)?.chains).toHaveLength(2);
});

test('every school gives a valid plan of every generated block, never fewer bends than what is proven least', () => {
  for (const kind of Object.keys(RECIPE_NAMES) as RecipeKind[]) {
    const patches = generate(defaultRecipe(kind));
    const best = plan(patches);
    for (const school of ALL) {
      const { graph, ...own } = plan(patches, school);
      expect(validatePlan(graph, own), `${kind} by ${school}`).toEqual([]);
      // What is laid over a base strip is not folded: the bound of sewn orders does not hold for it.
      if (own.joins.some(({ isLaid }) => isLaid)) continue;
      expect(own.totals.bends, `${kind} by ${school}`).toBeGreaterThanOrEqual(best.bendsBound);
      expect(own.totals.threadStarts).toBeGreaterThanOrEqual(own.totals.threadStartsBound);
      if (best.isProven) expect(own.totals.bends).toBeGreaterThanOrEqual(best.totals.bends);
    }
  }
});

test('schools of random drawings are valid, and rows of a grid cost no bend', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 5 }), fc.integer({ min: 2, max: 5 }), fc.array(fc.nat(2), { minLength: 1, maxLength: 25 }), fc.constantFrom(...ALL), (columns, rows, cuts, school) => {
      const { graph, ...own } = plan(cutGrid(columns, rows, cuts), school);
      expect(validatePlan(graph, own)).toEqual([]);
    }),
    { numRuns: 25 },
  ); // prettier-ignore
  expect(plan(cutGrid(5, 4, [0]), 'rows').totals.bends).toBe(0);
});

test('six equal wedges share letters: what is learnt once is made six times', () => {
  const { joins, totals } = plan(generate(defaultRecipe('beams')));
  const wedge = joins.filter(({ repeat }) => repeat?.copies === 6);
  expect(wedge.length).toBeGreaterThanOrEqual(6);
  for (const letter of new Set(wedge.map(({ repeat }) => repeat?.letter))) {
    expect(wedge.filter(({ repeat }) => repeat?.letter === letter).map(({ repeat }) => repeat?.copy)).toEqual(
      [1, 2, 3, 4, 5, 6],
    );
  }
  expect(totals.repeated).toBeGreaterThan(joins.length / 2);
  // Another cloth in one of them, and it is no longer alike.
  const patches = generate(defaultRecipe('beams')).map((one, i) =>
    i === 3 ? { ...one, fabric: 'Other' } : one,
  );
  expect(plan(patches).joins.filter(({ repeat }) => repeat?.copies === 6).length).toBeLessThan(wedge.length);
});

test('a plan that is called proven has exactly the bends of the best of all orders, wedges or not', () => {
  const drawings = [
    rosette(1),
    plate(8),
    plate(14),
    ...[5, 6, 8, 12, 14].map((points) => starOfDiamonds(points)),
    cutGrid(3, 3, [0, 1]),
    cutGrid(3, 2, [1, 2]),
  ];
  for (const patches of drawings) {
    const { graph, totals, isProven } = plan(patches);
    const exact = exactTree(graph, graph.patches.map((_, i) => i)); // prettier-ignore
    expect(isProven).toBe(exact !== undefined);
    if (exact) expect(totals.bends).toBe(treeCost(graph, exact).bends);
  }
});

test('clamshells may be laid over a base strip: no bend, one after another along each row; squares may not', () => {
  const shells = plan(generate(defaultRecipe('clamshell')), 'base-strip');
  expect([shells.isTaught, shells.totals.bends]).toEqual([true, 0]);
  expect(shells.joins.every(({ isLaid, right }) => isLaid && right.length === 1)).toBe(true);
  expect(validatePlan(shells.graph, shells)).toEqual([]);
  expect(plan(cutGrid(3, 3, [0]), 'base-strip').isTaught).toBe(false);
});

test('triangles are made into squares first, all alike, before those are sewn to anything', () => {
  const squares = generate({ ...defaultRecipe('grid'), columns: 6, rows: 6, edgeMm: 50.8, triangles: 'every-other' } as never);
  const { joins } = plan(squares);
  const made = joins.filter(({ left, right }) => left.length + right.length === 2 && [...left, ...right].every((one) => squares[one]!.outline.corners.length === 3));
  const triangles = squares.filter(({ outline }) => outline.corners.length === 3).length;
  expect(made).toHaveLength(triangles / 2);
  // No triangle is sewn to anything but its other half before that.
  const paired = new Set<number>();
  for (const { left, right } of joins) {
    for (const unit of [left, right]) if (unit.length === 1 && squares[unit[0]!]!.outline.corners.length === 3) expect(paired.has(unit[0]!) || left.length + right.length === 2).toBe(true);
    if (left.length + right.length === 2) for (const one of [...left, ...right]) paired.add(one);
  }
  expect(new Set(made.map(({ repeat }) => repeat?.letter)).size).toBeLessThanOrEqual(2);
}); // prettier-ignore

test('a rosette is sewn from its middle, ring by ring', () => {
  const patches = rosette(2);
  const { joins } = plan(patches);
  const middle = patches.findIndex((_, i) => buildSeamGraph(patches).seamsOf[i]!.length === 6 && joins[0]!.left.concat(joins[0]!.right).includes(i));
  expect(middle).toBeGreaterThanOrEqual(0);
  expect(joins.every(({ right }) => right.length === 1)).toBe(true);
  const ring = (patch: number) => {
    const at = (i: number) => patches[i]!.outline.corners.reduce((sum, { x, y }) => ({ x: sum.x + x / 6, y: sum.y + y / 6 }), { x: 0, y: 0 });
    const [a, b] = [at(patch), at(9)];
    return Math.round(Math.hypot(a.x - b.x, a.y - b.y) / 40);
  };
  const order = joins.map(({ right }) => ring(right[0]!));
  expect([...order].sort((a, b) => a - b)).toEqual(order);
}); // prettier-ignore
