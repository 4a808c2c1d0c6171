import { floatAt, itemAt } from '../lists';
import type { Chance } from '../chance';
import { NEAR_MM, type Ground, type Laid, type Room } from './layout';
import { depthAt, wayOut } from './noFit';

/** Places tried for a piece that lies on others: anywhere, near where it is, and touching another piece. */
const ANYWHERE = 14;
const NEARBY = 8;
const TOUCHING = 16;

/** The best of them that are moved on until nothing near is better. */
const REFINED = 3;

/** Rounds without a better sum of overlaps before the search gives up, times it begins again from its best. */
const PATIENCE = 40;
const STRIKES = 3;

/** How fast the weight of two pieces that lie on each other grows, at least and at most, and shrinks when they do not. */
const LEAST_GROWTH = 1.2;
const MOST_GROWTH = 2;
const DECAY = 0.95;

/** Room between two things so that they surely do not touch, mm. */
const APART_MM = 0.002;

/**
 * Moves pieces that lie on each other apart, inside the room: each in turn to the place where it overlaps least, overlaps that
 * last counting more and more (guided local search; Egeblad, Nielsen and Odgaard, 2007, with the places sampled).
 * @param start poses and places; places outside the room are brought in
 * @param isOver asked often; true ends the search
 * @returns the pieces clear of each other, or as nearly so as was found
 */
export function separate(
  ground: Ground,
  room: Room,
  start: readonly Laid[],
  chance: Chance,
  isOver: () => boolean,
): Separated {
  const field = new Field(ground, room, start, chance);
  if (!field.isPossible) return { isClear: false, laid: start };
  let best = field.look();
  let kept = field.copy();
  for (let strikes = 0; best > 0 && strikes < STRIKES; strikes++) {
    field.restore(kept);
    field.look();
    for (let idle = 0; idle < PATIENCE; idle++) {
      if (isOver()) return { isClear: false, laid: field.laidOf(kept) };
      field.moveColliding();
      const sum = field.look();
      if (sum < best) {
        if (sum < 0.98 * best) [idle, strikes] = [0, 0];
        best = sum;
        kept = field.copy();
        if (sum === 0) break;
      }
      field.reweigh();
    }
  }
  return { isClear: best === 0, laid: field.laidOf(kept) };
}

export interface Separated {
  readonly isClear: boolean;
  readonly laid: readonly Laid[];
}

interface Places {
  readonly pose: Float64Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/** Pieces in their places with the weights of their overlaps; a kernel, in arrays, because nearly all time is spent here. */
class Field {
  readonly isPossible: boolean;
  private readonly count: number;
  private readonly total: number;
  private readonly places: Places;
  private readonly weights: Float64Array;
  private readonly widths: Float64Array;
  private readonly heights: Float64Array;
  private overlaps: { readonly i: number; readonly k: number; readonly depth: number }[] = [];

  constructor(
    private readonly ground: Ground,
    private readonly room: Room,
    start: readonly Laid[],
    private readonly chance: Chance,
  ) {
    const all = [...start, ...ground.used];
    this.count = start.length;
    this.total = all.length;
    this.widths = Float64Array.from(ground.poses, ({ width }) => width);
    this.heights = Float64Array.from(ground.poses, ({ height }) => height);
    this.places = {
      pose: Float64Array.from(all, ({ pose }) => pose),
      x: Float64Array.from(all, ({ x }) => x),
      y: Float64Array.from(all, ({ y }) => y),
    };
    this.weights = new Float64Array(this.total * this.total).fill(1);
    this.isPossible = start.every((_, index) => this.bringIn(index));
  }

  copy(): Places {
    const { pose, x, y } = this.places;
    return { pose: pose.slice(), x: x.slice(), y: y.slice() };
  }

  restore({ pose, x, y }: Places): void {
    this.places.pose.set(pose);
    this.places.x.set(x);
    this.places.y.set(y);
  }

  laidOf({ pose, x, y }: Places): Laid[] {
    return Array.from({ length: this.count }, (_, i) => ({
      pose: floatAt(pose, i),
      x: floatAt(x, i),
      y: floatAt(y, i),
    }));
  }

  /** Whether piece i, as it lies or in another pose, goes into the room; it is brought in. */
  private bringIn(index: number): boolean {
    const fits = (one: number) =>
      floatAt(this.widths, one) <= this.room.width && floatAt(this.heights, one) <= this.room.length;
    let pose = floatAt(this.places.pose, index);
    if (!fits(pose)) {
      const other = itemAt(this.ground.posesOf, itemAt(this.ground.poses, pose).kind).find(fits);
      if (other === undefined) return false;
      pose = other;
    }
    this.places.pose[index] = pose;
    this.places.x[index] = this.insideX(pose, floatAt(this.places.x, index));
    this.places.y[index] = this.insideY(pose, floatAt(this.places.y, index));
    return true;
  }

  private insideX(pose: number, x: number): number {
    return Math.max(0, Math.min(x, this.room.width - floatAt(this.widths, pose)));
  }

  private insideY(pose: number, y: number): number {
    return Math.max(0, Math.min(y, this.room.length - floatAt(this.heights, pose)));
  }

  private depth(i: number, k: number): number {
    const { pose, x, y } = this.places;
    const [own, other] = [floatAt(pose, i), floatAt(pose, k)];
    const [dx, dy] = [floatAt(x, i) - floatAt(x, k), floatAt(y, i) - floatAt(y, k)];
    if (dx >= floatAt(this.widths, other) + NEAR_MM || -dx >= floatAt(this.widths, own) + NEAR_MM) return 0;
    if (dy >= floatAt(this.heights, other) + NEAR_MM || -dy >= floatAt(this.heights, own) + NEAR_MM) return 0;
    return depthAt(this.ground.noFit(other, own), dx, dy);
  }

  /** Looks at all pairs: which lie on each other, and how deep in sum. */
  look(): number {
    this.overlaps = [];
    let sum = 0;
    for (let i = 0; i < this.count; i++) {
      for (let k = i + 1; k < this.total; k++) {
        const depth = this.depth(i, k);
        if (depth === 0) continue;
        this.overlaps.push({ i, k, depth });
        sum += depth;
      }
    }
    return sum;
  }

  /** Overlaps that last weigh more, by how deep they are; others come back to one. */
  reweigh(): void {
    const { weights, total } = this;
    for (let at = 0; at < weights.length; at++) {
      const weight = floatAt(weights, at);
      if (weight > 1) weights[at] = Math.max(1, weight * DECAY);
    }
    const deepest = this.overlaps.reduce((most, { depth }) => Math.max(most, depth), 0);
    for (const { i, k, depth } of this.overlaps) {
      const growth = LEAST_GROWTH + ((MOST_GROWTH - LEAST_GROWTH) * depth) / deepest;
      const weight = (floatAt(weights, i * total + k) * growth) / DECAY;
      weights[i * total + k] = weight;
      weights[k * total + i] = weight;
    }
  }

  /** Every piece that lies on another is moved once, in an order by chance. */
  moveColliding(): void {
    const colliding = [...new Set(this.overlaps.flatMap(({ i, k }) => (k < this.count ? [i, k] : [i])))];
    for (let i = colliding.length - 1; i > 0; i--) {
      const k = Math.floor(this.chance() * (i + 1));
      [colliding[i], colliding[k]] = [itemAt(colliding, k), itemAt(colliding, i)];
    }
    for (const index of colliding) this.moveOne(index);
  }

  /** Weighted overlap of a piece in a pose at a place; not added up beyond `limit`. */
  private costAt(index: number, pose: number, x: number, y: number, limit: number): number {
    const { widths, heights, places, weights, total } = this;
    const [width, height] = [floatAt(widths, pose) + NEAR_MM, floatAt(heights, pose) + NEAR_MM];
    let sum = 0;
    for (let k = 0; k < total; k++) {
      const dx = x - floatAt(places.x, k);
      if (-dx >= width) continue;
      const other = floatAt(places.pose, k);
      if (dx >= floatAt(widths, other) + NEAR_MM) continue;
      const dy = y - floatAt(places.y, k);
      if (-dy >= height || dy >= floatAt(heights, other) + NEAR_MM || k === index) continue;
      const depth = depthAt(this.ground.noFit(other, pose), dx, dy);
      if (depth === 0) continue;
      sum += depth * floatAt(weights, index * total + k);
      if (sum >= limit) return sum;
    }
    return sum;
  }

  private moveOne(index: number): void {
    const { pose, x, y } = this.places;
    const own = floatAt(pose, index);
    const here = this.costAt(index, own, floatAt(x, index), floatAt(y, index), Infinity);
    if (here === 0) return;
    const trials: Trial[] = [{ pose: own, x: floatAt(x, index), y: floatAt(y, index), cost: here }];
    this.sample(index, trials);
    let best = itemAt(trials, 0);
    for (const trial of trials) {
      const refined = this.refine(index, trial);
      if (refined.cost < best.cost) best = refined;
      if (best.cost === 0) break;
    }
    [pose[index], x[index], y[index]] = [best.pose, best.x, best.y];
  }

  /** Adds the best sampled places to the trials. */
  private sample(index: number, trials: Trial[]): void {
    const { chance } = this;
    const { pose, x, y } = this.places;
    const poses = itemAt(this.ground.posesOf, itemAt(this.ground.poses, floatAt(pose, index)).kind);
    const anyPose = () => itemAt(poses, Math.floor(chance() * poses.length));
    const trial = (one: number, atX: number, atY: number) => {
      if (floatAt(this.widths, one) > this.room.width || floatAt(this.heights, one) > this.room.length)
        return;
      const [inX, inY] = [this.insideX(one, atX), this.insideY(one, atY)];
      const limit = trials.length > REFINED ? itemAt(trials, REFINED).cost : Infinity;
      const cost = this.costAt(index, one, inX, inY, limit);
      if (cost >= limit) return;
      let at = trials.length;
      while (at > 1 && itemAt(trials, at - 1).cost > cost) at--;
      trials.splice(at, 0, { pose: one, x: inX, y: inY, cost });
      if (trials.length > REFINED + 1) trials.pop();
    };
    for (let i = 0; i < ANYWHERE; i++)
      trial(anyPose(), chance() * this.room.width, chance() * this.room.length);
    const own = floatAt(pose, index);
    for (let i = 0; i < NEARBY; i++) {
      const one = chance() < 0.5 ? own : anyPose();
      const reach = Math.max(floatAt(this.widths, one), floatAt(this.heights, one));
      trial(one, floatAt(x, index) + (chance() - 0.5) * reach, floatAt(y, index) + (chance() - 0.5) * reach);
    }
    for (let i = 0; i < TOUCHING; i++) {
      const other = Math.floor(chance() * this.total);
      if (other === index) continue;
      const one = anyPose();
      const { rims } = this.ground.noFit(floatAt(pose, other), one);
      const rim = itemAt(rims, Math.floor(chance() * rims.length));
      const at = 2 * Math.floor((chance() * rim.length) / 2);
      trial(one, floatAt(x, other) + floatAt(rim, at), floatAt(y, other) + floatAt(rim, at + 1));
    }
  }

  /** Pushes a piece out of what it lies on, deepest first, then feels about in ever smaller steps. */
  private refine(index: number, trial: Trial): Trial {
    let best = trial;
    for (let round = 0; round < 6 && best.cost > 0; round++) {
      const pushed = this.pushed(index, best);
      if (!pushed || pushed.cost >= best.cost) break;
      best = pushed;
    }
    let [stepX, stepY] = [floatAt(this.widths, best.pose) / 8, floatAt(this.heights, best.pose) / 8];
    for (let round = 0; round < 24 && best.cost > 0 && (stepX > 0.01 || stepY > 0.01); round++) {
      const way = Math.floor(this.chance() * 4);
      const [ax, ay] = [way === 1 ? 0 : stepX, way === 0 ? 0 : way === 3 ? -stepY : stepY];
      const found = this.better(index, best, ax, ay) ?? this.better(index, best, -ax, -ay);
      if (found) best = found;
      const factor = found ? 1.1 : 0.5;
      if (way !== 1) stepX *= factor;
      if (way !== 0) stepY *= factor;
    }
    return best;
  }

  private better(index: number, { pose, x, y, cost }: Trial, dx: number, dy: number): Trial | undefined {
    const [toX, toY] = [this.insideX(pose, x + dx), this.insideY(pose, y + dy)];
    const found = this.costAt(index, pose, toX, toY, cost);
    return found < cost ? { pose, x: toX, y: toY, cost: found } : undefined;
  }

  private pushed(index: number, { pose, x, y }: Trial): Trial | undefined {
    const { places, weights, total } = this;
    let worst = 0;
    let other = -1;
    for (let k = 0; k < total; k++) {
      if (k === index) continue;
      const depth = depthAt(
        this.ground.noFit(floatAt(places.pose, k), pose),
        x - floatAt(places.x, k),
        y - floatAt(places.y, k),
      );
      const weighed = depth * floatAt(weights, index * total + k);
      if (weighed > worst) [worst, other] = [weighed, k];
    }
    if (other < 0) return undefined;
    const noFit = this.ground.noFit(floatAt(places.pose, other), pose);
    const [outX, outY] = wayOut(noFit, x - floatAt(places.x, other), y - floatAt(places.y, other));
    const length = Math.hypot(outX, outY);
    const more = (length + APART_MM) / length;
    const [toX, toY] = [this.insideX(pose, x + outX * more), this.insideY(pose, y + outY * more)];
    return { pose, x: toX, y: toY, cost: this.costAt(index, pose, toX, toY, Infinity) };
  }
}

interface Trial {
  readonly pose: number;
  readonly x: number;
  readonly y: number;
  readonly cost: number;
}
