import FlatQueue from 'flatqueue';
import { itemAt } from '../lists';
import { isFree, SLACK_MM, type Ground, type Laid, type Room } from './layout';
import type { NoFit } from './noFit';

/** A place that touches two things at once: nothing lies tighter. */
interface Spot {
  readonly pose: number;
  readonly x: number;
  readonly y: number;
}

/** Pieces further apart than this many neighbours are not asked for corners between their regions. */
const MOST_PAIRS = 24;

/** What counts as high up: how far down a piece reaches, or where its top lies. */
export type HighUp = 'reach' | 'top';

/**
 * Lays pieces one after the other, each as high up and as far left as it goes: at a corner of the regions in which it would lie
 * on others, or where two such regions or one and the rim cross (bottom-left fill over no-fit polygons).
 * @param order kinds in the order in which they are laid; pieces that fit nowhere are left out
 * @param isOver asked before each piece; true leaves the rest out
 * @param lying what lies there before, areas that are used not counted
 * @returns what was laid, in that order, after what lay there
 * Cost: for each kind every new piece is looked at once, with its neighbours.
 */
export function fillUp(
  ground: Ground,
  room: Room,
  order: readonly number[],
  highUp: HighUp,
  lying: readonly Laid[] = [],
  isOver: () => boolean = () => false,
): Laid[] {
  const all: Laid[] = [...ground.used, ...lying];
  const laid: Laid[] = [...lying];
  const queues = new Map<number, { readonly queue: FlatQueue<Spot>; seen: number }>();
  for (const kind of order) {
    if (isOver()) break;
    let own = queues.get(kind);
    if (!own) {
      own = { queue: new FlatQueue<Spot>(), seen: 0 };
      queues.set(kind, own);
      for (const pose of itemAt(ground.posesOf, kind)) addRim(ground, room, pose, own.queue, highUp);
    }
    for (; own.seen < all.length; own.seen++) addAround(ground, room, all, own.seen, kind, own.queue, highUp);
    const spot = firstFree(ground, all, own.queue);
    if (!spot) continue;
    all.push(spot);
    laid.push(spot);
  }
  return laid;
}

function firstFree(ground: Ground, all: readonly Laid[], queue: FlatQueue<Spot>): Spot | undefined {
  for (let spot = queue.pop(); spot; spot = queue.pop()) {
    // What lies stays: a place that is taken once is taken for good.
    if (isFree(ground, all, spot.pose, spot.x, spot.y)) return spot;
  }
  return undefined;
}

function offer(
  { poses, width }: Ground,
  { length }: Room,
  queue: FlatQueue<Spot>,
  highUp: HighUp,
  spot: Spot,
): void {
  const pose = itemAt(poses, spot.pose);
  const { x, y } = spot;
  if (x < -SLACK_MM || y < -SLACK_MM || x + pose.width > width + SLACK_MM || y + pose.height > length + SLACK_MM) return;
  queue.push(spot, (highUp === 'reach' ? y + pose.height : y) + x / 1000);
} // prettier-ignore

function addRim(ground: Ground, room: Room, pose: number, queue: FlatQueue<Spot>, highUp: HighUp): void {
  const { width } = itemAt(ground.poses, pose);
  offer(ground, room, queue, highUp, { pose, x: 0, y: 0 });
  offer(ground, room, queue, highUp, { pose, x: ground.width - width, y: 0 });
}

/** All places of a kind that touch the piece `index` and one thing more. */
function addAround(
  ground: Ground,
  room: Room,
  all: readonly Laid[],
  index: number,
  kind: number,
  queue: FlatQueue<Spot>,
  highUp: HighUp,
): void {
  const own = itemAt(all, index);
  for (const pose of itemAt(ground.posesOf, kind)) {
    const region = ground.noFit(own.pose, pose);
    const right = ground.width - itemAt(ground.poses, pose).width;
    const put = (x: number, y: number) => offer(ground, room, queue, highUp, { pose, x, y });
    for (const rim of region.rims) {
      eachSide(rim, own, (ax, ay, bx, by) => {
        put(ax, ay);
        if (ax > 0 !== bx > 0) put(0, ay + ((by - ay) * (0 - ax)) / (bx - ax));
        if (ax > right !== bx > right) put(right, ay + ((by - ay) * (right - ax)) / (bx - ax));
        if (ay > 0 !== by > 0) put(ax + ((bx - ax) * (0 - ay)) / (by - ay), 0);
      });
    }
    let pairs = 0;
    for (let k = index - 1; k >= 0 && pairs < MOST_PAIRS; k--) {
      const other = itemAt(all, k);
      const second = ground.noFit(other.pose, pose);
      if (!regionsMeet(region, own, second, other)) continue;
      pairs++;
      crossings(region, own, second, other, put);
    }
  }
}

function regionsMeet(a: NoFit, at: Laid, b: NoFit, there: Laid): boolean {
  return (
    at.x + a.minX <= there.x + b.maxX &&
    there.x + b.minX <= at.x + a.maxX &&
    at.y + a.minY <= there.y + b.maxY &&
    there.y + b.minY <= at.y + a.maxY
  );
}

function eachSide(
  rim: Float64Array,
  at: Laid,
  tell: (ax: number, ay: number, bx: number, by: number) => void,
): void {
  for (let i = 0; i < rim.length; i += 2) {
    const k = (i + 2) % rim.length;
    tell(at.x + itemAt(rim, i), at.y + itemAt(rim, i + 1), at.x + itemAt(rim, k), at.y + itemAt(rim, k + 1));
  }
}

/** Hollow shapes have many regions, whose crossings would take long: their corners alone must do. */
const MOST_CROSSED = 16;

/** Where the rims of two regions cross. */
function crossings(a: NoFit, at: Laid, b: NoFit, there: Laid, put: (x: number, y: number) => void): void {
  if (a.rims.length * b.rims.length > MOST_CROSSED) return;
  for (const own of a.rims) {
    for (const other of b.rims) {
      eachSide(own, at, (ax, ay, bx, by) => {
        eachSide(other, there, (cx, cy, dx, dy) => {
          const [ux, uy, vx, vy] = [bx - ax, by - ay, dx - cx, dy - cy];
          const cross = ux * vy - uy * vx;
          if (Math.abs(cross) < 1e-9) return;
          const along = ((cx - ax) * vy - (cy - ay) * vx) / cross;
          const across = ((cx - ax) * uy - (cy - ay) * ux) / cross;
          if (along > 0 && along < 1 && across > 0 && across < 1) put(ax + along * ux, ay + along * uy);
        });
      });
    }
  }
}
