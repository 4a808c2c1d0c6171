import { itemAt } from '../lists';
import { boxOfPoints, type Point } from '../geometry';
import { convexParts, type ConvexPart } from './convexParts';

/** How a piece may lie on its cloth: any way, as drawn or half round (the thread runs the same way), only as drawn. */
export type Turns = 'any' | 'half' | 'none';

/** Pieces of one shape, never turned over. */
export interface PieceKind {
  readonly id: string;
  /** The cut outline, clockwise on screen, curves flattened, mm. */
  readonly polygon: readonly Point[];
  readonly count: number;
}

/** One way in which the pieces of a kind may lie. Its place is that of the top left corner of its box. */
export interface Pose {
  /** Number of its kind. */
  readonly kind: number;
  /** Clockwise on screen, degrees. */
  readonly turnDeg: number;
  /** Where the outline's own origin lies from the corner of the box, mm. */
  readonly originX: number;
  readonly originY: number;
  readonly width: number;
  readonly height: number;
  readonly polygon: readonly Point[];
  readonly parts: readonly ConvexPart[];
}

/** Poses tried for all kinds together, and for each at most and at least: what more would win is less than the time it costs. */
const ALL_POSES = 240;
const MOST_POSES = 32;
const LEAST_POSES = 8;

/** Two poses whose corners lie this near are one, mm. */
const SAME_POSE_MM = 0.01;

/** The poses of every kind, kind after kind; `first[k]` is where those of kind k begin. */
export interface Poses {
  readonly all: readonly Pose[];
  readonly ofKind: readonly (readonly number[])[];
}

/** Every pose that is tried: with any turn each side of the hull level or upright, and the outline as drawn. */
export function posesOf(kinds: readonly PieceKind[], turns: Turns): Poses {
  const all: Pose[] = [];
  const most = Math.max(LEAST_POSES, Math.min(MOST_POSES, Math.floor(ALL_POSES / kinds.length)));
  const ofKind = kinds.map(({ polygon }, kind) => {
    const own: number[] = [];
    const known = new Set<string>();
    for (const turnDeg of turnsOf(polygon, turns)) {
      if (own.length >= most) break;
      const pose = poseOf(polygon, kind, turnDeg);
      const key = pose.polygon
        .map(({ x, y }) => `${Math.round(x / SAME_POSE_MM)},${Math.round(y / SAME_POSE_MM)}`)
        .sort()
        .join(' ');
      if (known.has(key)) continue;
      known.add(key);
      own.push(all.push(pose) - 1);
    }
    return own;
  });
  return { all, ofKind };
}

function turnsOf(polygon: readonly Point[], turns: Turns): number[] {
  if (turns === 'none') return [0];
  if (turns === 'half') return [0, 180];
  // Long sides first: they are the ones that lie against others.
  const sides = polygon
    .map((p, i) => {
      const q = itemAt(polygon, (i + 1) % polygon.length);
      return { length: Math.hypot(q.x - p.x, q.y - p.y), angle: (Math.atan2(q.y - p.y, q.x - p.x) * 180) / Math.PI };
    })
    .sort((a, b) => b.length - a.length)
    .slice(0, 12); // prettier-ignore
  const quarters = [0, 90, 180, 270];
  return [
    ...quarters,
    ...sides.flatMap(({ angle }) => quarters.map((quarter) => (quarter - angle + 720) % 360)),
  ];
}

/** A kind turned clockwise on screen by some degrees. */
export function poseOf(polygon: readonly Point[], kind: number, turnDeg: number): Pose {
  const [cos, sin] = turnOf(turnDeg);
  const turned = polygon.map(({ x, y }) => ({ x: cos * x - sin * y, y: sin * x + cos * y }));
  const { minX, minY, maxX, maxY } = boxOfPoints(turned);
  const moved = turned.map(({ x, y }) => ({ x: x - minX, y: y - minY }));
  return {
    kind,
    turnDeg,
    originX: -minX,
    originY: -minY,
    width: maxX - minX,
    height: maxY - minY,
    polygon: moved,
    parts: convexParts(moved),
  };
}

/** Cosine and sine; quarter turns come out exact. */
function turnOf(degrees: number): readonly [number, number] {
  const exact = ([[1, 0], [0, 1], [-1, 0], [0, -1]] as const)[degrees / 90]; // prettier-ignore
  return exact ?? [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
}

/** Area of a polygon, mm²: above zero where it runs clockwise on screen. */
export function polygonArea(polygon: readonly Point[]): number {
  let twice = 0;
  polygon.forEach((p, i) => {
    const q = itemAt(polygon, (i + 1) % polygon.length);
    twice += p.x * q.y - q.x * p.y;
  });
  return twice / 2;
}
