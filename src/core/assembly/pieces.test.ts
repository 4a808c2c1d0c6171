import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph, groupsOf, type SeamGraph } from '../block';
import { cutGrid, hexagonMosaic, hexagonRows, patch, plannedOrder, plate, rosette } from '../testing';
import { bendsBound, planAssembly, validatePlan } from '.';
import { cutTree } from './cutTree';
import { evenHalves, hasNoLines } from './evenHalves';
import { isField } from './figures';
import { growPiece } from './growPiece';
import { chainsOf } from './interface';
import { DEFAULT_SEWING } from './sewingSettings';
import { piecesTree } from './piecesTree';
import { ringsTree } from './ringsTree';
import { sewTrees, totalsOf } from './sewTrees';
import { Touches } from './touches';
import { seamsBetween, type Tree } from './tree';
import { NO_WISHES } from './wishes';

const everyOf = ({ patches }: SeamGraph) => patches.map((_, index) => index);
const totals = (graph: SeamGraph, tree: Tree) => {
  const { joins } = sewTrees(graph, [tree], DEFAULT_SEWING, { before: [], isBatched: false });
  expect(validatePlan(graph, { joins })).toEqual([]);
  return { ...totalsOf(joins, DEFAULT_SEWING), joins };
};

/** The quickest order that makes all of a graph on one growing piece. */
function grownTree(graph: SeamGraph): Tree | undefined {
  const [best] = growPiece(graph, everyOf(graph), DEFAULT_SEWING, 16).sort((a, b) => a.minutes - b.minutes);
  return best?.tree;
}

/** A field of so many hexagons without holes: each next one touches what is there in one run. */
function blob(picks: readonly number[]): ReturnType<typeof rosette> {
  const field = rosette(4);
  const graph = buildSeamGraph(field);
  const own = [30];
  for (const pick of picks) {
    const near = everyOf(graph).filter((one) => {
      const seams = own.includes(one) ? [] : seamsBetween(graph, own, [one]);
      return seams.length > 0 && chainsOf(graph, seams).length === 1 && seams.length < 6;
    });
    if (near.length > 0) own.push(near[pick % near.length]!);
  }
  return field.filter((_, index) => own.includes(index));
}

test('a piece grows by one patch in one run at a time, with as few bends as can be, whatever its outline', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(40), { minLength: 2, maxLength: 24 }), (picks) => {
      const graph = buildSeamGraph(blob(picks));
      const tree = grownTree(graph)!;
      const { joins, bends } = totals(graph, tree);
      expect(joins.every(({ chains, right }) => chains.length === 1 && right.length === 1)).toBe(true);
      expect(bends).toBe(bendsBound(graph));
    }),
    { numRuns: 40 },
  );
  const ring = buildSeamGraph(plate(8));
  expect(grownTree(ring)).toBeUndefined();
});

test('grown in pieces a field takes less time and fewer threads than in halves, and no bend more', () => {
  const graph = buildSeamGraph(hexagonMosaic(196));
  const task = { graph, settings: DEFAULT_SEWING, goOn: () => undefined };
  const [pieces, halves] = [piecesTree(task, everyOf(graph), 20), cutTree(graph, everyOf(graph), task.goOn)];
  const [own, other] = [totals(graph, pieces), totals(graph, halves)];
  expect(own.minutes).toBeLessThan(other.minutes * 0.985);
  expect(own.threadStarts).toBeLessThan(other.threadStarts * 0.8);
  expect(own.bends).toBe(other.bends);
  // No unit of more than twenty is made patch by patch.
  const grown = own.joins.filter(({ left, right }) => right.length === 1 && left.length > 1);
  expect(Math.max(...grown.map(({ left }) => left.length + 1))).toBeLessThanOrEqual(20);
  expect(planAssembly(graph).totals.threadStarts).toBeLessThan(1.5 * own.threadStartsBound);
});

test('a piece stays small: as light in the hand as ring by ring; a few rings are sewn as they are taught, many in pieces', () => {
  const graph = buildSeamGraph(rosette(5));
  const [grown, inRings] = [grownTree(graph)!, ringsTree(graph, everyOf(graph))];
  expect(totals(graph, grown).minutes).toBeLessThan(totals(graph, inRings).minutes * 1.06);
  const plan = planAssembly(graph);
  expect(plan.joins.some(({ right }) => right.length > 9)).toBe(true);
  // Like units are made together only where that begins few threads more.
  const apart = planAssembly(graph, DEFAULT_SEWING, () => true, 'best', { ...NO_WISHES, isBatched: false });
  expect(plan.totals.threadStarts).toBeLessThanOrEqual(apart.totals.threadStarts * 1.25);
  // The rings of the patches of a rosette, in their order.
  const rings = [-3, -2, -1, 0, 1, 2, 3].flatMap((q, _, all) =>
    all.flatMap((r) => (Math.abs(q + r) > 3 ? [] : [Math.max(Math.abs(q), Math.abs(r), Math.abs(q + r))])),
  );
  const { joins } = plannedOrder(rosette(3));
  const sewn = [...joins[0]!.left, ...joins.flatMap(({ right }) => right)].map((patch) => rings[patch]!);
  expect(sewn).toEqual([...rings].sort((a, b) => a - b));
  // Of four rings that is more than a thirtieth dearer: it is told by how much.
  const four = plannedOrder(rosette(4));
  expect(four.taughtOtherwise).toMatchObject({ school: 'rings', bends: 0 });
  expect(four.taughtOtherwise!.minutes).toBeGreaterThan(0.03 * four.totals.minutes);
});

test('fields of hexagons, in rosettes, squares, diamonds and rows: threads are begun at most a quarter more often than the needlefuls ask, and bends reach the bound', () => {
  const fields = [
    rosette(4),
    ...[64, 289].map(hexagonMosaic),
    hexagonRows(3, 20),
    hexagonRows(7, 7, true),
    hexagonRows(11, 11, true),
  ];
  for (const patches of fields) {
    const { totals, bendsBound } = plannedOrder(patches);
    expect(totals.threadStarts).toBeLessThanOrEqual(1.25 * totals.threadStartsBound);
    expect(totals.bends).toBe(bendsBound);
  }
});

test('of two halves that is made last whose thread best goes on into their seam, and one is a patch larger where that uses up a needleful', () => {
  const smallerLast = (tree: Tree): Tree =>
    tree.parts
      ? { members: tree.members, parts: [smallerLast(tree.parts[0]), smallerLast(tree.parts[1])] }
      : tree;
  const piecesOf = (patches: ReturnType<typeof rosette>, most: number) => {
    const graph = buildSeamGraph(patches);
    const task = { graph, settings: DEFAULT_SEWING, goOn: () => undefined };
    return { graph, tree: piecesTree(task, everyOf(graph), most) };
  };
  const { graph, tree } = piecesOf(rosette(5), 64);
  expect(totals(graph, tree).threadStarts).toBeLessThan(totals(graph, smallerLast(tree)).threadStarts);
  // Were always the same half made last, it would be a thread more; were no piece of fewer than 32 made in halves, two minutes.
  const [twenty, four] = [piecesOf(rosette(5), 20), piecesOf(rosette(4), 32)];
  expect(totals(twenty.graph, twenty.tree).threadStarts).toBeLessThanOrEqual(35);
  expect(totals(four.graph, four.tree).minutes).toBeLessThan(251);
  expect(piecesOf(hexagonMosaic(64), 32).tree.parts!.map(({ members }) => members.length)).toEqual([33, 31]);
});

/** Rows of so many triangles, up and down in turn, each row half a triangle further: lines run through it in three directions. */
function triangles(rows: number): ReturnType<typeof rosette> {
  return Array.from({ length: 2 * rows * rows }, (_, i) => {
    const [column, row] = [i % (2 * rows), Math.floor(i / (2 * rows))];
    const [x, y, h] = [column * 15 + row * 15, row * 30 * Math.sqrt(0.75), 30 * Math.sqrt(0.75)];
    return patch(i, column % 2 === 0 ? [[x + 15, y + h], [x + 30, y], [x, y]] : [[x, y + h], [x + 30, y + h], [x + 15, y]]); // prettier-ignore
  });
}

test('where lines run through a field its straight seams are weighed unit by unit: no bend, quicker than in halves, and no more threads than either way', () => {
  const [graph, hexagons] = [buildSeamGraph(triangles(10)), buildSeamGraph(hexagonMosaic(49))];
  expect([hasNoLines(graph), hasNoLines(hexagons), isField(graph, everyOf(graph))]).toEqual([false, true, true]); // prettier-ignore
  const task = { graph, settings: DEFAULT_SEWING, goOn: () => undefined };
  const [pieces, halves] = [piecesTree(task, everyOf(graph), 20), cutTree(graph, everyOf(graph), task.goOn)];
  const [inPieces, inHalves] = [totals(graph, pieces), totals(graph, halves)];
  const plan = planAssembly(graph).totals;
  expect([plan.bends, inPieces.bends]).toEqual([0, 0]);
  expect(plan.minutes).toBeLessThan(inHalves.minutes * 0.99);
  expect(plan.minutes).toBeLessThanOrEqual(inPieces.minutes * 1.03);
  expect(plan.threadStarts).toBeLessThanOrEqual(Math.min(inPieces.threadStarts, inHalves.threadStarts));
});

test('a field with a few holes is halved round them, in two runs at most; one full of holes is not halved so, and still no join has more', () => {
  const withHoles = (every: number, at: number) => {
    const graph = buildSeamGraph(hexagonMosaic(400).filter((_, i) => i % every !== at));
    const [group] = groupsOf(graph, everyOf(graph)) as [number[]];
    const { joins } = planAssembly(graph);
    expect(Math.max(...joins.map(({ chains }) => chains.length))).toBe(2);
    return { graph, parts: evenHalves(graph, group) as [number[], number[]] | undefined };
  };
  const { graph, parts } = withHoles(41, 30);
  expect([1, 2]).toContain(chainsOf(graph, seamsBetween(graph, ...parts!)).length);
  expect(withHoles(7, 3).parts).toBeUndefined();
});

test('how a patch is sewn to its neighbours: its ends, thread and minutes by hand; never in two runs, nor with a bend that a line spares', () => {
  const graph = buildSeamGraph(rosette(1));
  const [middle] = everyOf(graph).filter((one) => graph.seamsOf[one]!.length === 6) as [number];
  const touches = new Touches(graph, everyOf(graph), DEFAULT_SEWING);
  const one = touches.of(middle, 0b1)!;
  const two = touches.of(middle, 0b11)!;
  // A side of one inch takes ten stitches at twelve a minute; hexagons turn by 60° at a corner.
  expect(one.minutes).toBeCloseTo(0.5 + 10 / 12, 6);
  expect(two.minutes).toBeCloseTo(0.5 + 20 / 12 + 60 / 90, 6);
  expect(two.threadMm).toBeCloseTo(2 * one.threadMm, 6);
  expect([one.start, two.end !== one.end]).toEqual([two.start, true]);
  expect([one.rim, two.rim]).toEqual([4, 2]);
  // Within a unit of three, what leads out of the unit is no rim of the piece.
  const three = [middle, ...[0, 1].map((i) => graph.seams[graph.seamsOf[middle]![i]!]!.patches.find((patch) => patch !== middle)!)]; // prettier-ignore
  const part = new Touches(graph, three, DEFAULT_SEWING);
  const first = part.others[0]!.findIndex((other) => other === 1);
  expect(part.of(0, 1 << first)!.rim).toBe(0);
  expect(touches.of(middle, 0b100001)).toBeDefined();
  expect(touches.of(middle, 0b101)).toBeUndefined();
  expect(touches.keeps.map((keeps, patch) => keeps === (patch !== middle))).not.toContain(false);
  const grid = buildSeamGraph(cutGrid(2, 2, [0]));
  expect(new Touches(grid, everyOf(grid), DEFAULT_SEWING).of(0, 0b11)).toBeUndefined();
});

test('units laid alike have one signature wherever they lie; a unit of other sides or neighbours has another', () => {
  const graph = buildSeamGraph(hexagonMosaic(100));
  const signature = (unit: readonly number[]) => new Touches(graph, unit, DEFAULT_SEWING).signature();
  const unit = [12, 13, 22, 23, 33];
  expect(signature(unit)).toBe(signature(unit.map((one) => one + 20)));
  expect(signature(unit)).not.toBe(signature([12, 13, 22, 23, 24]));
  const grids = [1, 2].map((times) => {
    const patches = cutGrid(3, 1, [0]).map((one) => ({ ...one, outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x, y: y * times })) } })); // prettier-ignore
    return new Touches(buildSeamGraph(patches), [0, 1, 2], DEFAULT_SEWING).signature();
  });
  expect(grids[0]).not.toBe(grids[1]);
});

test('halves hang together, meet in one run or two and are nearly even; a strip is cut across, and a ring on both sides', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(40), { minLength: 8, maxLength: 50 }), (picks) => {
      const graph = buildSeamGraph(blob(picks));
      const parts = evenHalves(graph, everyOf(graph));
      if (!parts) return;
      const [first, second] = parts as [number[], number[]];
      expect([...first, ...second].sort((a, b) => a - b)).toEqual(everyOf(graph));
      for (const part of parts) expect(groupsOf(graph, part)).toHaveLength(1);
      expect(chainsOf(graph, seamsBetween(graph, first, second)).length).toBeLessThanOrEqual(2);
      expect(Math.min(first.length, second.length) * 3).toBeGreaterThanOrEqual(Math.max(first.length, second.length)); // prettier-ignore
    }),
    { numRuns: 40 },
  );
  const strip = buildSeamGraph(hexagonMosaic(100).filter((_, i) => i < 30));
  const [first, second] = evenHalves(strip, everyOf(strip)) as [number[], number[]];
  // Three rows of ten are cut across, not along.
  expect(seamsBetween(strip, first, second).length).toBeLessThan(8);
  const ring = buildSeamGraph(plate(12));
  const [left, right] = evenHalves(ring, everyOf(ring)) as [number[], number[]];
  // The hole in its middle is closed by the one join, which has a run at either side of it.
  expect(chainsOf(ring, seamsBetween(ring, left, right))).toHaveLength(2);
  expect([rosette(2), cutGrid(3, 3, [0]), plate(9)].map((patches) => isField(buildSeamGraph(patches), patches.map((_, i) => i)))).toEqual([true, false, true]); // prettier-ignore
});
