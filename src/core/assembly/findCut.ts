import { groupsOf, type Seam, type SeamGraph } from '../block';
import { STRAIGHT_DEG, type Point } from '../geometry';
import { farPlace, turnAt } from './interface';
import { rimsOf } from './rims';

/** A way of cutting a unit: the seams to open, and the bends it costs beyond those that no plan avoids. */
interface Cut {
  readonly seams: readonly number[];
  readonly excess: number;
}

/** A cut that was tried: the connected groups that it leaves. */
interface TriedCut extends Cut {
  readonly groups: readonly (readonly number[])[];
}

/** Straight lines looked at closely, and places from which least-bend paths are sought in large units. */
const STRAIGHT_SAMPLE = 64;
const CLOSE_LOOKS = 3;
const PATH_SOURCES = 8;
/** Units up to this size are searched from every place on their rim. */
const SMALL_UNIT = 30;
/** Units up to this size have all their straight lines looked at. */
const MEDIUM_UNIT = 200;

/** What the search needs to know about one unit. */
interface Unit {
  readonly graph: SeamGraph;
  readonly members: readonly number[];
  /** Seams of the unit that are not yet open. */
  readonly seams: readonly number[];
  readonly opened: ReadonlySet<number>;
  readonly isInside: (place: number) => boolean;
  /** Places on the outer rim, in the order of their directions from the middle. */
  readonly rim: readonly number[];
  /** For each place at the rim of a hole, all places of that rim. */
  readonly holeAt: ReadonlyMap<number, readonly number[]>;
  /** Middles of the patches, x and y, in the order of the members. */
  readonly middles: Float64Array;
}

/**
 * Finds how best to cut a connected unit of two or more patches into connected groups (nearly always two).
 * A straight line of seams right across costs no bend and never spoils a later cut, so it is taken first; then the
 * path with the fewest avoidable bends, the evenest halves among equals. A path may cross a hole, from any place of its
 * rim to any other: that join has two runs and closes the hole. Where rims meet at a point, a part is opened first.
 * Cost: near-linear in the unit's patches.
 */
export function findCut(graph: SeamGraph, members: readonly number[]): readonly (readonly number[])[] {
  const opened = new Set<number>();
  // A unit with h holes falls apart after at most h + 1 openings.
  for (let round = 0; round < members.length; round++) {
    const unit = describeUnit(graph, members, opened);
    const cut =
      bestOf(unit, straightCuts(unit)) ??
      bestOf(unit, pathCuts(unit, false)) ??
      bestOf(unit, pathCuts(unit, true));
    if (cut && cut.groups.length > 1) return cut.groups;
    if (!cut) break;
    for (const seam of cut.seams) opened.add(seam);
  }
  return peelOne(graph, members);
}

function describeUnit(graph: SeamGraph, members: readonly number[], opened: ReadonlySet<number>): Unit {
  const own = new Set(members);
  const seams: number[] = [];
  const openPlaces = new Set<number>();
  for (const seam of opened) {
    const { start, end } = graph.seams[seam] as Seam;
    openPlaces.add(start.place).add(end.place);
  }
  const isOwn = (seam: number) => (graph.seams[seam] as Seam).patches.every((patch) => own.has(patch));
  const inside = new Map<number, boolean>();
  const isInside = (place: number) => {
    let known = inside.get(place);
    if (known === undefined) {
      known =
        (graph.isInner[place] as boolean) &&
        !openPlaces.has(place) &&
        (graph.seamsAt[place] ?? []).every(isOwn);
      inside.set(place, known);
    }
    return known;
  };
  const places = new Set<number>();
  for (const patch of members) {
    for (const seam of graph.seamsOf[patch] as readonly number[]) {
      const { patches, start, end } = graph.seams[seam] as Seam;
      if (patches[0] !== patch || !isOwn(seam) || opened.has(seam)) continue;
      seams.push(seam);
      places.add(start.place).add(end.place);
    }
  }
  const points = [...places].map((place) => graph.places[place] as Point);
  const centre = { x: mean(points.map(({ x }) => x)), y: mean(points.map(({ y }) => y)) };
  const angle = (place: number) => {
    const { x, y } = graph.places[place] as Point;
    return Math.atan2(y - centre.y, x - centre.x);
  };
  // What stands for a unit has no outline to go round: all its rims are taken for one.
  const [outer = [], ...holes] = graph.isOfUnits
    ? [[...places].filter((place) => !isInside(place))]
    : rimsOf(graph, members, seams, isInside);
  const rim = [...outer].sort((a, b) => angle(a) - angle(b) || a - b);
  const holeAt = new Map(holes.flatMap((hole) => hole.map((place) => [place, hole] as const)));
  return { graph, members, seams, opened, isInside, rim, holeAt, middles: middlesOf(graph, members) };
}

function middlesOf(graph: SeamGraph, members: readonly number[]): Float64Array {
  const middles = new Float64Array(members.length * 2);
  members.forEach((patch, i) => {
    const { corners } = (graph.patches[patch] as SeamGraph['patches'][number]).outline;
    for (const { x, y } of corners) {
      middles[i * 2] = (middles[i * 2] as number) + x / corners.length;
      middles[i * 2 + 1] = (middles[i * 2 + 1] as number) + y / corners.length;
    }
  });
  return middles;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}

/** Tries cuts and keeps the best: least excess, then one that parts the unit, then the evenest, then the shortest. */
function bestOf(unit: Unit, cuts: readonly Cut[]): TriedCut | undefined {
  const { graph, members, opened } = unit;
  let best: TriedCut | undefined;
  for (const cut of cuts) {
    const groups = groupsOf(graph, members, new Set([...opened, ...cut.seams]));
    const tried = { ...cut, groups };
    if (!best || isBetter(tried, best)) best = tried;
  }
  return best;
}

function isBetter(a: TriedCut, b: TriedCut): boolean {
  const parts = (cut: TriedCut) => (cut.groups.length === 1 ? Infinity : cut.groups.length);
  if (a.excess !== b.excess) return a.excess < b.excess;
  if (parts(a) !== parts(b)) return parts(a) < parts(b);
  const largest = (cut: TriedCut) => Math.max(...cut.groups.map(({ length }) => length));
  if (largest(a) !== largest(b)) return largest(a) < largest(b);
  return a.seams.length < b.seams.length;
}

/** Lines of seams from rim to rim that turn nowhere; of many, those that look evenest. */
function straightCuts(unit: Unit): Cut[] {
  const { graph, rim, seams, opened, members } = unit;
  const own = new Set(seams);
  const lines = new Map<string, number[]>();
  for (const place of rim) {
    for (const seam of graph.seamsAt[place] as readonly number[]) {
      if (!own.has(seam)) continue;
      const line = followStraight(unit, place, seam);
      if (line) lines.set([...line].sort((a, b) => a - b).join(), line);
    }
  }
  const all = [...lines.values()];
  // Round holes the two sides of a line say little about how evenly it parts: look at every sample of smaller units.
  const looks = opened.size > 0 || members.length <= MEDIUM_UNIT ? STRAIGHT_SAMPLE : CLOSE_LOOKS;
  if (all.length <= looks) return all.map((line) => ({ seams: line, excess: 0 }));
  const sample = spread(all, STRAIGHT_SAMPLE).map((line) => ({ line, uneven: unevenness(unit, line) }));
  sample.sort((a, b) => a.uneven - b.uneven || a.line.length - b.line.length);
  return sample.slice(0, looks).map(({ line }) => ({ seams: line, excess: 0 }));
}

function followStraight(
  { graph, isInside, holeAt }: Unit,
  from: number,
  first: number,
): number[] | undefined {
  const line: number[] = [];
  let [place, next]: [number, number | undefined] = [from, first];
  while (next !== undefined) {
    const seam: Seam = graph.seams[next] as Seam;
    if (seam.innerBends.length > 0 || line.length > graph.seams.length) return undefined;
    line.push(next);
    place = farPlace(seam, place);
    // A line that ends at a hole parts nothing by itself.
    if (!isInside(place)) return place === from || holeAt.has(place) ? undefined : line;
    const arrived: number = next;
    next = (graph.seamsAt[place] as readonly number[]).find(
      (candidate) => candidate !== arrived && turnAt(graph, place, arrived, candidate) <= STRAIGHT_DEG,
    );
  }
  return undefined;
}

/** Share of the patches by which the sides of a line differ, judged by where their first corners lie. */
function unevenness({ graph, members, middles }: Unit, line: readonly number[]): number {
  const a = graph.places[(graph.seams[line[0] as number] as Seam).start.place] as Point;
  const last = graph.seams[line.at(-1) as number] as Seam;
  const b = [last.end, last.start]
    .map(({ place }) => graph.places[place] as Point)
    .sort((p, q) => Math.hypot(q.x - a.x, q.y - a.y) - Math.hypot(p.x - a.x, p.y - a.y))[0] as Point;
  let balance = 0;
  for (let i = 0; i < members.length; i++) {
    const [x, y] = [middles[i * 2] as number, middles[i * 2 + 1] as number];
    balance += Math.sign((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x));
  }
  return Math.abs(balance) / members.length;
}

function spread<T>(list: readonly T[], count: number): T[] {
  if (list.length <= count) return [...list];
  return Array.from({ length: count }, (_, i) => list[Math.floor((i * list.length) / count)] as T);
}

/** Least-excess paths between places on the rim; `thorough` starts from all of them. */
function pathCuts(unit: Unit, thorough: boolean): Cut[] {
  const { rim, members } = unit;
  const isSmall = members.length <= SMALL_UNIT;
  const sources = thorough || isSmall ? rim : spread(rim, PATH_SOURCES);
  const cuts: Cut[] = [];
  // One hole may be crossed; more, which asks for more runs in one join, only where nothing else parts the unit.
  for (const crossings of unit.holeAt.size > 0 ? [1, Infinity] : [0]) {
    for (const source of sources)
      cuts.push(...leastBendPaths(unit, source, isSmall ? Infinity : CLOSE_LOOKS, crossings));
    if (cuts.length > 0) break;
  }
  const least = Math.min(...cuts.map(({ excess }) => excess));
  return cuts.filter(({ excess }) => excess === least);
}

/**
 * Breadth-first search over directed seams from one place of the rim to the others, by number of avoidable bends and
 * then by number of seams. Passing a place costs an avoidable bend when it turns although two seams there lie in line.
 * @param crossings holes that may be crossed: none, one, or any number
 */
function leastBendPaths(unit: Unit, source: number, limit: number, crossings: number): Cut[] {
  const { graph, isInside, holeAt } = unit;
  const own = new Set(unit.seams);
  const cameFrom = new Map<number, number>();
  const reached = new Map<number, number>();
  // A state is a seam, a direction, and whether a hole has been crossed.
  const stateOf = (seam: number, place: number, isAcross = 0) =>
    seam * 4 + isAcross * 2 + ((graph.seams[seam] as Seam).start.place === place ? 0 : 1);
  const crossed = new Set<number>();
  let level = (graph.seamsAt[source] as readonly number[])
    .filter((seam) => own.has(seam))
    .map((seam) => ({ state: stateOf(seam, source), before: -1 }));
  for (let excess = 0; level.length > 0; excess++) {
    const next: typeof level = [];
    for (const { state, before } of level) {
      if (cameFrom.has(state)) continue;
      cameFrom.set(state, before);
      const [seam, isAcross] = [state >> 2, (state >> 1) & 1];
      const { start, end } = graph.seams[seam] as Seam;
      const place = state % 2 === 0 ? end.place : start.place;
      const hole = holeAt.get(place);
      if (hole) {
        if (crossings === 0 || (crossings === 1 && isAcross === 1) || crossed.has(hole[0] as number))
          continue;
        crossed.add(hole[0] as number);
        for (const other of hole)
          for (const onward of graph.seamsAt[other] as readonly number[])
            if (own.has(onward) && onward !== seam)
              level.push({ state: stateOf(onward, other, 1), before: state });
        continue;
      }
      if (!isInside(place)) {
        if (place !== source && !reached.has(place)) reached.set(place, state);
        continue;
      }
      const canGoStraight = graph.hasLine[place];
      for (const onward of graph.seamsAt[place] as readonly number[]) {
        if (onward === seam || !own.has(onward)) continue;
        const isFree = !canGoStraight || turnAt(graph, place, seam, onward) <= STRAIGHT_DEG;
        (isFree ? level : next).push({ state: stateOf(onward, place, isAcross), before: state });
      }
    }
    if (reached.size > 0) return pathsTo(unit, source, reached, cameFrom, excess, limit);
    level = next;
  }
  return [];
}

function pathsTo(
  unit: Unit,
  source: number,
  reached: ReadonlyMap<number, number>,
  cameFrom: ReadonlyMap<number, number>,
  excess: number,
  limit: number,
): Cut[] {
  const { rim } = unit;
  const rank = new Map(rim.map((place, index) => [place, index]));
  const here = rank.get(source) as number;
  const opposite = (place: number) => Math.abs(Math.abs((rank.get(place) as number) - here) - rim.length / 2);
  const targets = [...reached].sort(([p], [q]) => opposite(p) - opposite(q));
  const cuts: Cut[] = [];
  for (const [, last] of targets) {
    const seams: number[] = [];
    for (let state: number = last; state >= 0; state = cameFrom.get(state) as number) seams.push(state >> 2);
    if (isSimple(unit.graph, seams)) cuts.push({ seams, excess });
    if (cuts.length >= limit) break;
  }
  return cuts;
}

function isSimple(graph: SeamGraph, path: readonly number[]): boolean {
  const passes = new Map<number, number>();
  for (const seam of path) {
    const { start, end } = graph.seams[seam] as Seam;
    for (const { place } of [start, end]) passes.set(place, (passes.get(place) ?? 0) + 1);
  }
  return [...passes.values()].every((count) => count <= 2) && new Set(path).size === path.length;
}

/** Last resort for units with no rim to cut from: takes off one patch that leaves the rest connected. */
function peelOne(graph: SeamGraph, members: readonly number[]): readonly (readonly number[])[] {
  const seamCount = (patch: number) => (graph.seamsOf[patch] as readonly number[]).length;
  for (const patch of [...members].sort((a, b) => seamCount(a) - seamCount(b))) {
    const rest = members.filter((other) => other !== patch);
    if (groupsOf(graph, rest).length === 1) return [rest, [patch]];
  }
  return members.map((patch) => [patch]);
}
