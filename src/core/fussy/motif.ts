import { toRadians, turnDegrees, type Point } from '../geometry';
import { itemAt } from '../lists';

/** How a paper lies on a print: the point of the paper that is on the motif, and how the paper is turned, clockwise on screen. */
export interface Motif {
  readonly about: Point;
  readonly turnDeg: number;
}

/** A point of a paper with a name that a hand finds again. */
export interface ReferencePoint {
  readonly name: string;
  readonly at: Point;
}

/** Copies of a paper round one of its corners. */
export interface Wheel {
  readonly corner: Point;
  readonly copies: number;
  /** Whether they close without a gap or an overlap. */
  readonly isClosed: boolean;
}

/** Below this turn a corner is one of a curve, degrees. */
const CORNER_DEG = 20;
/** A wheel closes when its corners make up the full turn to within this, degrees. */
const CLOSED_DEG = 1;
const MOST_COPIES = 48;

function turned({ x, y }: Point, degrees: number): Point {
  const [cos, sin] = [Math.cos(toRadians(degrees)), Math.sin(toRadians(degrees))];
  return { x: cos * x - sin * y, y: sin * x + cos * y };
}

/** An outline of the paper's coordinates as it lies on the cloth, the motif point as origin. */
export function outlineAbout(polygon: readonly Point[], { about, turnDeg }: Motif): Point[] {
  return polygon.map(({ x, y }) => turned({ x: x - about.x, y: y - about.y }, turnDeg));
}

/** The paper pushed over the cloth by so much, mm: another of its points is on the motif then. */
export function pushed({ about, turnDeg }: Motif, dx: number, dy: number): Motif {
  const { x, y } = turned({ x: dx, y: dy }, -turnDeg);
  return { about: { x: about.x - x, y: about.y - y }, turnDeg };
}

/** Corners of a polygon, those of its curves left out, each with the angle inside. */
function cornersOf(polygon: readonly Point[]): { readonly at: Point; readonly angleDeg: number }[] {
  const count = polygon.length;
  return polygon.flatMap((at, index) => {
    const [before, after] = [itemAt(polygon, (index + count - 1) % count), itemAt(polygon, (index + 1) % count)];
    const turn = turnDegrees({ x: at.x - before.x, y: at.y - before.y }, { x: after.x - at.x, y: after.y - at.y });
    return Math.abs(turn) < CORNER_DEG ? [] : [{ at, angleDeg: 180 - Math.abs(turn) }];
  });
} // prettier-ignore

/** Copies round the sharpest corner, as in a star or a wheel; one alone where the paper has no corner. */
export function wheelOf(polygon: readonly Point[]): Wheel {
  const corners = cornersOf(polygon);
  const sharpest = corners.reduce((best, one) => (best === undefined || one.angleDeg < best.angleDeg - 1e-6 ? one : best), corners[0]); // prettier-ignore
  if (!sharpest) return { corner: middleOf(polygon), copies: 1, isClosed: false };
  const copies = Math.min(MOST_COPIES, Math.max(1, Math.round(360 / sharpest.angleDeg)));
  return { corner: sharpest.at, copies, isClosed: Math.abs(copies * sharpest.angleDeg - 360) < CLOSED_DEG };
}

/** The middle of a paper, its corners and the middles of its sides. */
export function referencePoints(polygon: readonly Point[]): ReferencePoint[] {
  const corners = cornersOf(polygon);
  const name = (index: number) => String((index % corners.length) + 1);
  return [
    { name: 'the middle', at: middleOf(polygon) },
    ...corners.map(({ at }, index) => ({ name: `corner ${name(index)}`, at })),
    ...corners.map(({ at }, index) => {
      const next = itemAt(corners, (index + 1) % corners.length).at;
      return { name: `between ${name(index)} and ${name(index + 1)}`, at: { x: (at.x + next.x) / 2, y: (at.y + next.y) / 2 } };
    }),
  ];
} // prettier-ignore

/** The middle of a polygon by area. */
export function middleOf(polygon: readonly Point[]): Point {
  let [area, x, y] = [0, 0, 0];
  polygon.forEach((p, index) => {
    const q = itemAt(polygon, (index + 1) % polygon.length);
    const cross = p.x * q.y - q.x * p.y;
    [area, x, y] = [area + cross, x + (p.x + q.x) * cross, y + (p.y + q.y) * cross];
  });
  return { x: x / (3 * area), y: y / (3 * area) };
}
