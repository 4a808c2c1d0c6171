import { itemAt, knownOf } from '../lists';
import { Marks, keptFor, type SeamGraph } from '../block';
import { STRAIGHT_DEG } from '../geometry';
import { CLOSE_LOOKS, spread, type Cut, type CutUnit } from './cutUnit';
import { turnAt } from './interface';

/** Places from which least-bend paths are sought in large units. */
const PATH_SOURCES = 8;
/** Units up to this size are searched from every place on their rim. */
const SMALL_UNIT = 30;

/** Least-excess paths between places on the rim; `thorough` starts from all of them. */
export function pathCuts(unit: CutUnit, thorough: boolean): Cut[] {
  const { rim, members } = unit;
  const isSmall = members.length <= SMALL_UNIT;
  const sources = thorough || isSmall ? rim : spread(rim, PATH_SOURCES);
  const cuts: Cut[] = [];
  const { isOwn } = roomFor(unit.graph);
  isOwn.wipe();
  for (const seam of unit.seams) isOwn.add(seam);
  // One hole may be crossed; more, which asks for more runs in one join, only where nothing else parts the unit.
  for (const crossings of unit.holeAt.size > 0 ? [1, Infinity] : [0]) {
    for (const source of sources)
      cuts.push(...leastBendPaths(unit, source, isSmall ? Infinity : CLOSE_LOOKS, crossings));
    if (cuts.length > 0) break;
  }
  const least = Math.min(...cuts.map(({ excess }) => excess));
  return cuts.filter(({ excess }) => excess === least);
}

/** Room for a search: which states were reached, and from which other; where each seam starts and ends. */
const roomFor = keptFor(({ seams }: SeamGraph) => ({
  isOwn: new Marks(seams.length),
  isReached: new Marks(seams.length * 4),
  cameFrom: new Int32Array(seams.length * 4),
  starts: Int32Array.from(seams, ({ start }) => start.place),
  ends: Int32Array.from(seams, ({ end }) => end.place),
}));

/** States to look at, each with the one before it. */
class Level {
  readonly states: number[] = [];
  readonly before: number[] = [];

  push(state: number, before: number): void {
    this.states.push(state);
    this.before.push(before);
  }
}

/** Where a search stands, in one number: the seam walked last, whether against its own direction, and whether over a hole. */
function packed(seam: number, isBack: boolean, isAcross: boolean): number {
  return seam * 4 + (isAcross ? 2 : 0) + (isBack ? 1 : 0);
}

function seamOf(state: number): number {
  return state >> 2;
}

function hasCrossed(state: number): boolean {
  return (state & 2) !== 0;
}

function runsBack(state: number): boolean {
  return (state & 1) !== 0;
}

/**
 * Breadth-first search over directed seams from one place of the rim to the others, by number of avoidable bends and
 * then by number of seams, over seams that are marked as the unit’s own. Passing a place costs an avoidable bend when it turns although two seams there lie in line.
 * @param crossings holes that may be crossed: none, one, or any number
 */
function leastBendPaths(unit: CutUnit, source: number, limit: number, crossings: number): Cut[] {
  const { graph, isInside, holeAt } = unit;
  const { isOwn, isReached, cameFrom, starts, ends } = roomFor(graph);
  isReached.wipe();
  const reached = new Map<number, number>();
  const stateOf = (seam: number, place: number, isAcross = false) =>
    packed(seam, starts[seam] !== place, isAcross);
  const crossed = new Set<number>();
  let level = new Level();
  for (const seam of itemAt(graph.seamsAt, source))
    if (isOwn.has(seam)) level.push(stateOf(seam, source), -1);
  for (let excess = 0; level.states.length > 0; excess++) {
    const next = new Level();
    // The level grows while it is looked at.
    for (let i = 0; i < level.states.length; i++) {
      const state = level.states[i] as number;
      if (isReached.has(state)) continue;
      isReached.add(state);
      cameFrom[state] = level.before[i] as number;
      const [seam, isAcross] = [seamOf(state), hasCrossed(state)];
      const place = (runsBack(state) ? starts : ends)[seam] as number;
      const hole = holeAt.get(place);
      if (hole) {
        if (crossings === 0 || (crossings === 1 && isAcross) || crossed.has(itemAt(hole, 0))) continue;
        crossed.add(itemAt(hole, 0));
        for (const other of hole)
          for (const onward of itemAt(graph.seamsAt, other))
            if (isOwn.has(onward) && onward !== seam) level.push(stateOf(onward, other, true), state);
        continue;
      }
      if (!isInside(place)) {
        if (place !== source && !reached.has(place)) reached.set(place, state);
        continue;
      }
      const canGoStraight = graph.hasLine[place];
      for (const onward of itemAt(graph.seamsAt, place)) {
        if (onward === seam || !isOwn.has(onward)) continue;
        const isFree = !canGoStraight || turnAt(graph, place, seam, onward) <= STRAIGHT_DEG;
        (isFree ? level : next).push(stateOf(onward, place, isAcross), state);
      }
    }
    if (reached.size > 0) return pathsTo(unit, source, reached, cameFrom, excess, limit);
    level = next;
  }
  return [];
}

function pathsTo(
  unit: CutUnit,
  source: number,
  reached: ReadonlyMap<number, number>,
  cameFrom: Int32Array,
  excess: number,
  limit: number,
): Cut[] {
  const { rim } = unit;
  const rank = new Map(rim.map((place, index) => [place, index]));
  const here = knownOf(rank, source);
  const opposite = (place: number) => Math.abs(Math.abs(knownOf(rank, place) - here) - rim.length / 2);
  const targets = [...reached].sort(([p], [q]) => opposite(p) - opposite(q));
  const cuts: Cut[] = [];
  for (const [, last] of targets) {
    const seams: number[] = [];
    for (let state: number = last; state >= 0; state = itemAt(cameFrom, state)) seams.push(seamOf(state));
    if (isSimple(unit.graph, seams)) cuts.push({ seams, excess });
    if (cuts.length >= limit) break;
  }
  return cuts;
}

function isSimple(graph: SeamGraph, path: readonly number[]): boolean {
  const passes = new Map<number, number>();
  for (const seam of path) {
    const { start, end } = itemAt(graph.seams, seam);
    for (const { place } of [start, end]) passes.set(place, (passes.get(place) ?? 0) + 1);
  }
  return [...passes.values()].every((count) => count <= 2) && new Set(path).size === path.length;
}
