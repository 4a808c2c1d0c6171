import { itemAt, lastOf } from '../lists';
import type { Seam, SeamGraph } from '../block';
import { STRAIGHT_DEG, turnDegrees, type Point } from '../geometry';

/** One seam of a chain and the way it is travelled. */
export interface ChainStep {
  readonly seam: number;
  readonly isForward: boolean;
}

/** A connected run of seams between two units, in the order in which it can be sewn. */
export interface Chain {
  readonly steps: readonly ChainStep[];
  readonly startPlace: number;
  readonly endPlace: number;
  readonly lengthMm: number;
  /** Points where the direction turns by more than 1°: papers must be folded there. */
  readonly bends: readonly Point[];
  /** How far it turns at each of them, degrees: a slight turn is next to nothing, a sharp one is the dear one. */
  readonly turns: readonly number[];
}

/** How far direction turns when passing a place from one seam to another, degrees. */
export function turnAt(graph: SeamGraph, place: number, from: number, to: number): number {
  const out = outwardAt(itemAt(graph.seams, to), place);
  const back = outwardAt(itemAt(graph.seams, from), place);
  return turnDegrees({ x: -back.x, y: -back.y }, out);
}

function outwardAt({ start, end }: Seam, place: number): Point {
  return start.place === place ? start.outward : end.outward;
}

/** Other end of a seam. */
export function farPlace({ start, end }: Seam, place: number): number {
  return start.place === place ? end.place : start.place;
}

/**
 * Orders the seams between two units into chains. Where more than two of them meet, the straightest goes on.
 * Closed chains begin at one of their places.
 */
export function chainsOf(graph: SeamGraph, seams: readonly number[]): Chain[] {
  const at = new Map<number, number[]>();
  for (const seam of seams) {
    const { start, end } = itemAt(graph.seams, seam);
    addAt(at, start.place, seam);
    addAt(at, end.place, seam);
  }
  const unused = new Set(seams);
  const chains: Chain[] = [];
  for (const [place, list] of at) {
    if (list.length % 2 === 0) continue;
    const seam = list.find((candidate) => unused.has(candidate));
    if (seam !== undefined) chains.push(walk(graph, at, unused, place, seam));
  }
  for (const seam of seams) {
    if (unused.has(seam)) chains.push(walk(graph, at, unused, itemAt(graph.seams, seam).start.place, seam));
  }
  return chains;
}

function addAt(at: Map<number, number[]>, place: number, seam: number): void {
  const list = at.get(place);
  if (list) list.push(seam);
  else at.set(place, [seam]);
}

function walk(
  graph: SeamGraph,
  at: ReadonlyMap<number, readonly number[]>,
  unused: Set<number>,
  startPlace: number,
  first: number,
): Chain {
  const steps: ChainStep[] = [];
  const bends: Point[] = [];
  const turns: number[] = [];
  const bend = (at: number, from: number, to: number) => {
    const turnDeg = turnAt(graph, at, from, to);
    if (turnDeg <= STRAIGHT_DEG) return;
    bends.push(itemAt(graph.places, at));
    turns.push(turnDeg);
  };
  let [place, lengthMm] = [startPlace, 0];
  let next: number | undefined = first;
  while (next !== undefined) {
    const seam: Seam = itemAt(graph.seams, next);
    const before = steps.at(-1);
    if (before) bend(place, before.seam, next);
    unused.delete(next);
    steps.push({ seam: next, isForward: seam.start.place === place });
    bends.push(...seam.innerBends);
    turns.push(...seam.innerTurns);
    lengthMm += seam.lengthMm;
    place = farPlace(seam, place);
    next = straightest(graph, place, next, at.get(place) ?? [], unused);
  }
  const isClosed = place === startPlace && steps.length > 1;
  if (isClosed) bend(place, lastOf(steps).seam, first);
  return { steps, startPlace, endPlace: place, lengthMm, bends, turns };
}

/** Of seams that turn by as much to within this the first is taken, degrees. */
const EQUAL_DEG = 0.5;

function straightest(
  graph: SeamGraph,
  place: number,
  from: number,
  seams: readonly number[],
  unused: ReadonlySet<number>,
): number | undefined {
  let best: number | undefined;
  for (const seam of seams) {
    if (!unused.has(seam)) continue;
    if (best === undefined || turnAt(graph, place, from, seam) < turnAt(graph, place, from, best) - EQUAL_DEG)
      best = seam;
  }
  return best;
}

/** The same chain sewn from its other end. */
export function turnedChain(chain: Chain): Chain {
  return {
    ...chain,
    steps: [...chain.steps].reverse().map(({ seam, isForward }) => ({ seam, isForward: !isForward })),
    startPlace: chain.endPlace,
    endPlace: chain.startPlace,
    bends: [...chain.bends].reverse(),
    turns: [...chain.turns].reverse(),
  };
}
