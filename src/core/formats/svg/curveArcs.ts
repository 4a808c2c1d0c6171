import { itemAt } from '../../lists';
import { circleOf, distance, isStraight, locate, type Edge, type Point } from '../../geometry';

/** A cubic Bézier curve: its ends and its two handles, mm. */
export type Cubic = readonly [Point, Point, Point, Point];

/** A curve that lies no further than this off one arc is that arc, mm. */
const ONE_ARC_MM = 0.05;
/** Other curves become arcs that lie no further off them, mm. */
const CHAIN_MM = 0.1;
/** A curve whose handles lie no further off its chord is a straight line, mm. */
const STRAIGHT_MM = 0.02;
/** Curves are halved at most so often; only cusps and tangles ask for more. */
const MOST_HALVINGS = 8;
/** Places at which a curve is compared with its arcs. */
const COMPARED = [0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875] as const;

/**
 * A curve as sides that are straight or circular arcs, one after another: one arc within 0.05 mm where there is one, else pairs
 * of arcs that run on smoothly (biarcs, after Bolton, 1975) within 0.1 mm.
 * @returns undefined for cusps and tangles, which no arcs follow
 */
export function arcsOfCurve(curve: Cubic): Edge[] | undefined {
  const [from, , , to] = curve;
  if (isFlat(curve)) return [{ a: from, b: to, bulge: 0 }];
  const one = arcThrough(from, at(curve, 0.5), to);
  if (one && isAlong(curve, [one], ONE_ARC_MM)) return [one];
  return chain(curve, MOST_HALVINGS);
}

function chain(curve: Cubic, halvings: number): Edge[] | undefined {
  if (distance(curve[0], curve[3]) < 1e-6) return halvings > 0 ? halves(curve, halvings) : undefined;
  if (isFlat(curve)) return [{ a: curve[0], b: curve[3], bulge: 0 }];
  const arcs = biarc(curve);
  if (arcs && isAlong(curve, arcs, CHAIN_MM)) return arcs;
  return halvings > 0 ? halves(curve, halvings) : undefined;
}

function halves(curve: Cubic, halvings: number): Edge[] | undefined {
  const [first, second] = halved(curve);
  const [a, b] = [chain(first, halvings - 1), chain(second, halvings - 1)];
  return a && b && [...a, ...b];
}

/** Two arcs that leave and arrive as the curve does and meet smoothly. */
function biarc(curve: Cubic): Edge[] | undefined {
  const [from, , , to] = curve;
  const [leaving, arriving] = [tangent(curve, 0), tangent(curve, 1)];
  if (!leaving || !arriving) return undefined;
  const way = { x: to.x - from.x, y: to.y - from.y };
  const sum = dot(way, leaving) + dot(way, arriving);
  const turn = 2 * (1 - dot(leaving, arriving));
  const square = dot(way, way);
  const reach =
    Math.abs(turn) < 1e-9 ? square / (2 * sum) : (-sum + Math.sqrt(sum * sum + turn * square)) / turn;
  if (!Number.isFinite(reach) || reach <= 0) return undefined;
  const joint = {
    x: (from.x + to.x + reach * (leaving.x - arriving.x)) / 2,
    y: (from.y + to.y + reach * (leaving.y - arriving.y)) / 2,
  };
  const before = { x: joint.x - from.x, y: joint.y - from.y };
  const after = { x: to.x - joint.x, y: to.y - joint.y };
  const bulges = [angleBetween(leaving, before), angleBetween(after, arriving)].map((angle) =>
    Math.tan(angle / 2),
  );
  const arcs = [
    { a: from, b: joint, bulge: itemAt(bulges, 0) },
    { a: joint, b: to, bulge: itemAt(bulges, 1) },
  ];
  return arcs.every(({ a, b, bulge }) => distance(a, b) > 1e-6 && Math.abs(bulge) < 1.5) ? arcs : undefined;
}

/** The arc from one point through another to a third; undefined where they lie in one line. */
function arcThrough(from: Point, through: Point, to: Point): Edge | undefined {
  const chord = distance(from, to);
  if (chord < 1e-6) return undefined;
  const angle = angleBetween(
    { x: through.x - from.x, y: through.y - from.y },
    { x: to.x - through.x, y: to.y - through.y },
  );
  // The turn at a point of an arc is half its sweep, wherever on it the point lies.
  const bulge = Math.tan(angle / 2);
  return Math.abs(bulge) < 1e-6 || Math.abs(bulge) > 1.5 ? undefined : { a: from, b: to, bulge };
}

function isAlong(curve: Cubic, arcs: readonly Edge[], within: number): boolean {
  return COMPARED.every((share) => {
    const point = at(curve, share);
    return Math.min(...arcs.map((arc) => locate(arc, point).off)) <= within;
  });
}

function isFlat([a, b, c, d]: Cubic): boolean {
  const chord = { a, b: d, bulge: 0 };
  return distance(a, d) > 1e-6 && [b, c].every((handle) => locate(chord, handle).off <= STRAIGHT_MM);
}

function at([a, b, c, d]: Cubic, share: number): Point {
  const rest = 1 - share;
  const [p, q, r, s] = [rest ** 3, 3 * rest ** 2 * share, 3 * rest * share ** 2, share ** 3];
  return { x: a.x * p + b.x * q + c.x * r + d.x * s, y: a.y * p + b.y * q + c.y * r + d.y * s };
}

/** Direction in which a curve leaves its start (0) or arrives at its end (1); undefined where it has none. */
function tangent(curve: Cubic, end: 0 | 1): Point | undefined {
  const points = end === 0 ? curve : [...curve].reverse();
  const origin = itemAt(points, 0);
  const far = points.find((point) => distance(point, origin) > 1e-6);
  if (!far) return undefined;
  const length = distance(origin, far) * (end === 0 ? 1 : -1);
  return { x: (far.x - origin.x) / length, y: (far.y - origin.y) / length };
}

/** The two halves of a curve (de Casteljau, 1959). */
function halved([a, b, c, d]: Cubic): [Cubic, Cubic] {
  const middle = (p: Point, q: Point) => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 });
  const [ab, bc, cd] = [middle(a, b), middle(b, c), middle(c, d)];
  const [abc, bcd] = [middle(ab, bc), middle(bc, cd)];
  const centre = middle(abc, bcd);
  return [[a, ab, abc, centre], [centre, bcd, cd, d]]; // prettier-ignore
}

function dot(a: Point, b: Point): number {
  return a.x * b.x + a.y * b.y;
}

function angleBetween(a: Point, b: Point): number {
  return Math.atan2(a.x * b.y - a.y * b.x, dot(a, b));
}

/** Arcs whose circles differ by less are parts of one, mm. */
const SAME_CIRCLE_MM = 0.1;
/** Parts of a circle are put together up to a little over half of it, radians. */
const MOST_SWEEP = (200 * Math.PI) / 180;

/** The one arc that two sides make which follow each other on the same circle; undefined where they are none. */
export function joinedArc(before: Edge, after: Edge): Edge | undefined {
  if (isStraight(before) || isStraight(after) || before.bulge > 0 !== after.bulge > 0) return undefined;
  const [p, q] = [circleOf(before), circleOf(after)];
  const isSame =
    distance(p.centre, q.centre) <= SAME_CIRCLE_MM && Math.abs(p.radius - q.radius) <= SAME_CIRCLE_MM;
  const sweep = 4 * Math.atan(before.bulge) + 4 * Math.atan(after.bulge);
  if (!isSame || Math.abs(sweep) > MOST_SWEEP) return undefined;
  return { a: before.a, b: after.b, bulge: Math.tan(sweep / 4) };
}
