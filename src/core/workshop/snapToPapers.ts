import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import { analyseBlock, type Patch } from '../block';
import { EXACT_MM, makePaper, recognise, type Paper } from '../catalogue';
import {
  SAME_LENGTH_MM,
  boxOfPoints,
  directionAt,
  distance,
  edgeLength,
  edgesOf,
  layAgainst,
  locate,
  moveOutline,
  pointAt,
  turnDegrees,
  type Outline,
} from '../geometry';
import type { UnitSystem } from '../length';
import { groupKinds, nameShape, resemblance, signatureOf } from '../shapes';

/** A drawn paper that is nearly one of the catalogue. */
export interface PaperGuess {
  readonly paper: Paper;
  readonly name: string;
  readonly offMm: number;
  /** Indices of the patches drawn so. */
  readonly patches: readonly number[];
}

/** Finds the papers of a block that are nearly, but not exactly, catalogue papers. Cost: kinds × about twenty candidates. */
export function guessPapers(patches: readonly Patch[], system: UnitSystem): PaperGuess[] {
  const { kinds, kindOf } = groupKinds(patches.map(({ outline }) => outline));
  return kinds.flatMap(({ outline }, kind): PaperGuess[] => {
    const found = recognise(outline, system);
    if (!found || found.offMm <= EXACT_MM) return [];
    const all = Array.from(kindOf).flatMap((one, index) => (one === kind ? [index] : []));
    // What a generator made is exact as it is, whatever its size.
    const own = all.filter((index) => patches[index]?.part === undefined);
    if (own.length === 0) return [];
    const name = nameShape(signatureOf(makePaper(found.paper)), system);
    return [{ paper: found.paper, name, offMm: found.offMm, patches: own }];
  });
}

/** Ends of edges this near belong together, mm. */
const TOGETHER_MM = 3;

/**
 * Puts catalogue papers in place of drawn ones and lays the whole block together again, edge on edge, from its
 * best-joined patch outwards. Other patches keep their shape and move along. Where that would bring more problems than
 * the drawing had, it stays as it was drawn.
 */
export function snapToPapers(patches: readonly Patch[], guesses: readonly PaperGuess[]): Patch[] {
  const ideal = patches.map(({ outline }) => outline);
  for (const { paper, patches: own } of guesses) {
    const made = makePaper(paper);
    for (const index of own) ideal[index] = resemblance(itemAt(patches, index).outline, made).laidOn;
  }
  const neighbours = meantNeighbours(ideal);
  const placed: (Outline | undefined)[] = patches.map(() => undefined);
  const order = patches
    .map((_, i) => i)
    .sort((a, b) => (neighbours[b]?.length ?? 0) - (neighbours[a]?.length ?? 0));
  for (const start of order) {
    if (placed[start]) continue;
    placed[start] = itemAt(ideal, start);
    const queue = [start];
    for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
      for (const other of neighbours[at] ?? []) {
        if (placed[other]) continue;
        placed[other] = laidOn(itemAt(ideal, other), itemAt(placed, at), itemAt(ideal, at));
        queue.push(other);
      }
    }
  }
  const snapped = patches.map((patch, index) => ({ ...patch, outline: itemAt(placed, index) }));
  const faults = (all: readonly Patch[]) => analyseBlock(all).problems.length;
  return faults(snapped) <= faults(patches) ? snapped : [...patches];
}

/** Sides that were meant to lie on each other run opposite to within this, degrees. */
const NEARLY_PARALLEL_DEG = 6;

/** For each outline those whose sides were meant to lie on its own: near, and running opposite for a stretch. */
function meantNeighbours(outlines: readonly Outline[]): number[][] {
  const sides = outlines.flatMap((outline, patch) => edgesOf(outline).map((edge) => ({ edge, patch })));
  const lists = outlines.map(() => new Set<number>());
  if (sides.length === 0) return [];
  const index = new Flatbush(sides.length);
  for (const { edge } of sides) {
    const { minX, minY, maxX, maxY } = boxOfPoints([edge.a, pointAt(edge, edgeLength(edge) / 2), edge.b]);
    index.add(minX, minY, maxX, maxY);
  }
  index.finish();
  for (const { edge, patch } of sides) {
    const length = edgeLength(edge);
    const middle = pointAt(edge, length / 2);
    const direction = directionAt(edge, length / 2);
    const reach = TOGETHER_MM;
    for (const near of index.search(middle.x - reach, middle.y - reach, middle.x + reach, middle.y + reach)) {
      const other = itemAt(sides, near);
      if (other.patch === patch) continue;
      const { along, off } = locate(other.edge, middle);
      const back = directionAt(other.edge, along);
      const isOpposite = turnDegrees(direction, { x: -back.x, y: -back.y }) < NEARLY_PARALLEL_DEG;
      if (off > reach || !isOpposite) continue;
      lists[patch]?.add(other.patch);
      lists[other.patch]?.add(patch);
    }
  }
  return lists.map((list) => [...list]);
}

/** Lays an outline against a placed neighbour by the pair of sides that were drawn nearest to each other. */
function laidOn(own: Outline, neighbour: Outline, neighbourWas: Outline): Outline {
  let best: { off: number; side: number; other: number } | undefined;
  const was = edgesOf(neighbourWas);
  edgesOf(own).forEach((edge, side) => {
    was.forEach((drawn, other) => {
      const [p, q] = [distance(edge.a, drawn.b), distance(edge.b, drawn.a)];
      const isWhole = Math.abs(edgeLength(edge) - edgeLength(drawn)) <= SAME_LENGTH_MM;
      // Whole edges come before those that only begin together.
      const off = isWhole ? p + q : 2 * TOGETHER_MM + Math.min(p, q);
      if (Math.min(p, q) <= TOGETHER_MM && (!best || off < best.off)) best = { off, side, other };
    });
  });
  if (!best) return own;
  const [edge, target] = [edgesOf(own)[best.side], edgesOf(neighbour)[best.other]];
  const drawn = was[best.other];
  if (!edge || !target || !drawn) return own;
  return moveOutline(layAgainst(edge, target, distance(edge.b, drawn.a) < distance(edge.a, drawn.b)), own);
}
