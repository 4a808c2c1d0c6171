import { itemAt } from '../lists';
import type { Point } from '../geometry';
import { depthAt, noFitOf, type NoFit } from './noFit';
import { poseOf, polygonArea, type Turns } from './pieces';

/** Copies of one shape that go on without end: one, or one and one turned half round, at all whole sums of two steps. */
export interface Lattice {
  /** Where the second copy of the pair lies, turned half round about the outline's origin; undefined for single lattices. */
  readonly partner: Point | undefined;
  readonly u: Point;
  readonly v: Point;
  /** Area for each copy, mm². */
  readonly areaEach: number;
}

/** The densest few are kept: on a narrow roll another than the densest may be best. */
const KEPT = 6;

/** With more corners a search of all touching places would take longer than laying one by one. */
const MOST_CORNERS = 24;

/** No more partners and steps are tried. */
const MOST_PARTNERS = 40;
const MOST_STEPS = 120;

/** Rounding allowed where two areas are compared, as a part of them. */
const SLACK = 1e-6;

/**
 * The densest lattices of a shape, single and double, found from places where copies touch in two places: partners at corners and
 * middles of the rim of the no-fit region, first steps there as well, second steps where a copy touches both ends of the first
 * (after Mount, 1991, for double lattices of convex shapes; a search, not a proof, for others).
 */
export function densestLattices(polygon: readonly Point[], turns: Turns): Lattice[] {
  if (polygon.length > MOST_CORNERS) return [];
  const own = poseOf(polygon, 0, 0);
  const parts = own.parts.map((part) => part.map((value, i) => value - (i % 2 === 0 ? own.originX : own.originY)));
  const over = parts.map((part) => part.map((value) => -value));
  const alone = noFitOf(parts, parts);
  const area = Math.abs(polygonArea(polygon));
  const found = latticesOf([{ region: alone, at: { x: 0, y: 0 } }], 1, area, undefined);
  if (turns !== 'none') {
    const facing = noFitOf(parts, over);
    const back = noFitOf(over, parts);
    for (const partner of someOf([...spotsOf(facing), ...flushSpots(polygon, facing)], MOST_PARTNERS)) {
      if (depthAt(facing, partner.x, partner.y) > 0) continue;
      const regions = [
        { region: alone, at: { x: 0, y: 0 } },
        { region: facing, at: { x: -partner.x, y: -partner.y } },
        { region: back, at: partner },
      ];
      found.push(...latticesOf(regions, 2, area, partner));
    }
  }
  const distinct = new Map(found.map((lattice) => [keyOf(lattice), lattice]));
  return [...distinct.values()].sort((a, b) => a.areaEach - b.areaEach).slice(0, KEPT);
} // prettier-ignore

/** Lattices whose shortest steps are as long and whose pairs lie as far apart are one, turned or begun elsewhere. */
function keyOf({ partner, u, v, areaEach }: Lattice): string {
  const r = reduced(u, v);
  const lengths = [Math.hypot(r.u.x, r.u.y), Math.hypot(r.v.x, r.v.y)].sort((a, b) => a - b);
  return [areaEach, ...lengths, partner ? 1 : 0].map((value) => value.toFixed(1)).join(' ');
}

/** A region in which no step may lie. */
interface Barred {
  readonly region: NoFit;
  readonly at: Point;
}

function latticesOf(barred: readonly Barred[], copies: number, area: number, partner: Point | undefined): Lattice[] {
  const isClear = ({ x, y }: Point) => barred.every(({ region, at }) => depthAt(region, x - at.x, y - at.y) === 0);
  const rims = barred.flatMap(({ region, at }) => region.rims.map((rim) => moved(rim, at)));
  const crossed = rims.flatMap((rim, i) => rims.slice(i + 1).flatMap((other) => crossingsOf(rim, other)));
  const touching = barred
    .flatMap(({ region, at }) => spotsOf(region).map(({ x, y }) => ({ x: x + at.x, y: y + at.y })))
    .concat(crossed)
    .filter(isClear);
  const steps = someOf(touching, MOST_STEPS);
  let best: Lattice | undefined;
  for (const u of steps) {
    // Steps and their opposites are the same lattice.
    if (u.y < -1e-9 || (Math.abs(u.y) <= 1e-9 && u.x < 0)) continue;
    const shifted = rims.map((rim) => moved(rim, u));
    const seconds = [
      ...steps,
      ...steps.map(({ x, y }) => ({ x: x + u.x, y: y + u.y })),
      ...(copies === 1 ? rims.flatMap((rim) => shifted.flatMap((other) => crossingsOf(rim, other))) : []),
    ];
    const least = copies * area * (1 - SLACK);
    const most = best ? best.areaEach * copies * (1 - SLACK) : Infinity;
    const byArea = seconds
      .map((v) => ({ v, size: Math.abs(u.x * v.y - u.y * v.x) }))
      .filter(({ size }) => size >= least && size < most)
      .sort((a, b) => a.size - b.size);
    const first = byArea.find(({ v }) => isLattice(u, v, isClear));
    if (first) best = { partner, u, v: first.v, areaEach: first.size / copies };
  }
  return best ? [best] : [];
} // prettier-ignore

/** Evenly chosen where there are more: a curved shape has a corner every few mm. */
function someOf<T>(all: readonly T[], most: number): T[] {
  if (all.length <= most) return [...all];
  return Array.from({ length: most }, (_, i) => itemAt(all, Math.floor((i * all.length) / most)));
}

/** Whether no copy within reach of another lies on it. */
function isLattice(u: Point, v: Point, isClear: (step: Point) => boolean): boolean {
  const r = reduced(u, v);
  for (let i = -2; i <= 2; i++) {
    for (let k = -2; k <= 2; k++) {
      if (i === 0 && k === 0) continue;
      if (!isClear({ x: i * r.u.x + k * r.v.x, y: i * r.u.y + k * r.v.y })) return false;
    }
  }
  return true;
}

/** The shortest two steps that span the same lattice (Gauss). */
function reduced(u: Point, v: Point): { readonly u: Point; readonly v: Point } {
  let [a, b] = [u, v];
  for (let round = 0; round < 50; round++) {
    if (a.x ** 2 + a.y ** 2 > b.x ** 2 + b.y ** 2) [a, b] = [b, a];
    const times = Math.round((a.x * b.x + a.y * b.y) / (a.x ** 2 + a.y ** 2));
    if (times === 0) break;
    b = { x: b.x - times * a.x, y: b.y - times * a.y };
  }
  return { u: a, v: b };
}

/** Corners of a region's rim and the middles of its sides: there sides of two copies lie full length against each other. */
function spotsOf({ rims }: NoFit): Point[] {
  return rims.flatMap((rim) =>
    pointsOf(rim).flatMap((p, i, all) => {
      const q = itemAt(all, (i + 1) % all.length);
      return [p, { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 }];
    }),
  );
}

/** Places on the rim at which the shape and its half turn end in one line: rows with straight rims. */
function flushSpots(polygon: readonly Point[], facing: NoFit): Point[] {
  if (polygon.length > MOST_PARTNERS) return [];
  return polygon.flatMap((p, i) => {
    const q = itemAt(polygon, (i + 1) % polygon.length);
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    const normal = { x: (q.y - p.y) / length, y: (p.x - q.x) / length };
    const outs = polygon.map(({ x, y }) => normal.x * x + normal.y * y);
    const line = Math.max(...outs) + Math.min(...outs);
    return facing.rims.flatMap((rim) => {
      const points = pointsOf(rim);
      return points.flatMap((a, k) => {
        const b = itemAt(points, (k + 1) % points.length);
        const [from, to] = [normal.x * a.x + normal.y * a.y - line, normal.x * b.x + normal.y * b.y - line];
        if (from > 0 === to > 0) return [];
        const share = from / (from - to);
        return [{ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) }];
      });
    });
  });
}

const pointsOf = (rim: Float64Array): Point[] =>
  Array.from({ length: rim.length / 2 }, (_, i) => ({ x: itemAt(rim, 2 * i), y: itemAt(rim, 2 * i + 1) }));

const moved = (rim: Float64Array, { x, y }: Point) => rim.map((value, i) => value + (i % 2 === 0 ? x : y));

function crossingsOf(a: Float64Array, b: Float64Array): Point[] {
  const [own, other] = [pointsOf(a), pointsOf(b)];
  return own.flatMap((p, i) => {
    const q = itemAt(own, (i + 1) % own.length);
    const [ux, uy] = [q.x - p.x, q.y - p.y];
    return other.flatMap((r, k) => {
      const s = itemAt(other, (k + 1) % other.length);
      const [vx, vy] = [s.x - r.x, s.y - r.y];
      const cross = ux * vy - uy * vx;
      if (Math.abs(cross) < 1e-9) return [];
      const along = ((r.x - p.x) * vy - (r.y - p.y) * vx) / cross;
      const across = ((r.x - p.x) * uy - (r.y - p.y) * ux) / cross;
      return along < 0 || along > 1 || across < 0 || across > 1
        ? []
        : [{ x: p.x + along * ux, y: p.y + along * uy }];
    });
  });
}

/** A copy in a lattice that was cut to a roll. */
export interface Copy {
  readonly turnDeg: number;
  /** Corner of its box, mm. */
  readonly x: number;
  readonly y: number;
}

/** From so many rows the roll may begin. */
const MOST_STARTS = 6;

/** How often a lattice is shifted sideways to see where the roll holds most. */
const SHIFTS = 12;

/**
 * Copies of a lattice on a roll: turned so that its steps or the shape's sides lie along or across, shifted, and cut where fewest
 * mm of the roll hold them all.
 * @returns places of `count` copies and the length they take, mm; undefined where a copy is wider than the roll
 */
export function latticeOnRoll(
  polygon: readonly Point[],
  lattice: Lattice,
  turns: Turns,
  count: number,
  width: number,
): { readonly copies: readonly Copy[]; readonly length: number } | undefined {
  let best: { copies: Copy[]; length: number } | undefined;
  for (const turnDeg of turnsOf(polygon, lattice, turns)) {
    const found = cutToRoll(polygon, lattice, turnDeg, count, width, best?.length ?? Infinity);
    if (found) best = found;
  }
  return best;
}

function turnsOf(polygon: readonly Point[], { u, v }: Lattice, turns: Turns): number[] {
  if (turns !== 'any') return [0];
  const sides = polygon.map((p, i) => {
    const q = itemAt(polygon, (i + 1) % polygon.length);
    return { x: q.x - p.x, y: q.y - p.y };
  });
  const others = [u, v, { x: u.x + v.x, y: u.y + v.y }, { x: u.x - v.x, y: u.y - v.y }];
  const angles = [...others, ...sides.slice(0, 12)].map(({ x, y }) => (-Math.atan2(y, x) * 180) / Math.PI);
  const all = [0, 90, ...angles.flatMap((angle) => [angle, angle + 90])].map(
    (angle) => ((angle % 180) + 180) % 180,
  );
  return [...new Map(all.map((angle) => [Math.round(angle * 1e4), angle])).values()];
}

function cutToRoll(polygon: readonly Point[], lattice: Lattice, turnDeg: number, count: number, width: number, most: number) {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  const turn = ({ x, y }: Point) => ({ x: cos * x - sin * y, y: sin * x + cos * y });
  const { u, v } = reduced(turn(lattice.u), turn(lattice.v));
  const members = [
    { pose: poseOf(polygon, 0, turnDeg), at: { x: 0, y: 0 } },
    ...(lattice.partner ? [{ pose: poseOf(polygon, 0, (turnDeg + 180) % 360), at: turn(lattice.partner) }] : []),
  ];
  if (members.some(({ pose }) => pose.width > width + SLACK)) return undefined;
  const tall = Math.max(...members.map(({ pose }) => pose.height));
  const height = (count * lattice.areaEach) / (width - Math.min(width / 2, itemAt(members, 0).pose.width / 2)) + 4 * tall + Math.abs(u.y) + Math.abs(v.y);
  const cloud = members.flatMap(({ pose, at }) =>
    latticePoints(u, v, width, height, pose.width, tall).map(({ x, y }) => ({
      turnDeg: pose.turnDeg, width: pose.width, height: pose.height, x: x + at.x - pose.originX, y: y + at.y - pose.originY,
    })),
  ).sort((a, b) => a.y - b.y);
  let best: { copies: Copy[]; length: number } | undefined;
  for (const shift of shiftsOf(u, v, cloud)) {
    const inside = cloud
      .filter(({ x, width: own }) => x + shift >= -SLACK && x + shift + own <= width + SLACK)
      .map((copy) => ({ ...copy, x: copy.x + shift }));
    const cut = shortest(inside, count, best?.length ?? most);
    if (cut) best = cut;
  }
  return best;
} // prettier-ignore

/** Whole sums of the two steps that may lie on the roll or just beside it. */
function latticePoints(u: Point, v: Point, width: number, height: number, wide: number, tall: number): Point[] {
  const cross = u.x * v.y - u.y * v.x;
  const [reachX, reachY] = [width + 2 * wide, height + 2 * tall];
  const farI = Math.ceil((reachX * Math.abs(v.y) + reachY * Math.abs(v.x)) / Math.abs(cross)) + 2;
  const farK = Math.ceil((reachX * Math.abs(u.y) + reachY * Math.abs(u.x)) / Math.abs(cross)) + 2;
  const points: Point[] = [];
  for (let i = -farI; i <= farI; i++) {
    for (let k = -farK; k <= farK; k++) {
      const [x, y] = [i * u.x + k * v.x, i * u.y + k * v.y];
      if (x > -2 * wide - width * 0.1 - Math.abs(u.x) && x < reachX && y > -2 * tall && y < reachY) points.push({ x, y });
    }
  }
  return points;
} // prettier-ignore

/** Shifts that bring some copy's left side to the rim, and even ones between. */
function shiftsOf(u: Point, v: Point, cloud: readonly { readonly x: number }[]): number[] {
  const period = Math.max(Math.abs(u.x), Math.abs(v.x), 1);
  const touching = cloud.filter(({ x }) => x > -period && x <= period).map(({ x }) => -x);
  const even = Array.from({ length: SHIFTS }, (_, i) => (period * i) / SHIFTS);
  const all = [...touching, ...even].map((shift) => ((shift % period) + period) % period);
  return [...new Set(all.map((shift) => Math.round(shift * 1e4) / 1e4))].slice(0, 2 * SHIFTS);
}

/** The shortest stretch of the roll that holds so many of these copies, from the top of one on. */
function shortest(inside: readonly (Copy & { readonly height: number })[], count: number, most: number) {
  let best: { copies: Copy[]; length: number } | undefined;
  let tries = 0;
  for (let from = 0; from + count <= inside.length && tries < MOST_STARTS; from++) {
    const top = itemAt(inside, from).y;
    if (from > 0 && top - itemAt(inside, from - 1).y < 1e-6) continue;
    tries++;
    const rest = inside.slice(from).sort((a, b) => a.y + a.height - b.y - b.height).slice(0, count);
    const length = Math.max(...rest.slice(-1).map(({ y, height }) => y + height)) - top;
    if (length < Math.min(most, best?.length ?? Infinity) - 1e-6)
      best = { length, copies: rest.map(({ turnDeg, x, y }) => ({ turnDeg, x: Math.max(0, x), y: Math.max(0, y - top) })) };
  }
  return best;
} // prettier-ignore
