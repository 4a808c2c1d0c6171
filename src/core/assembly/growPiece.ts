import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import { distance, type Point } from '../geometry';
import { STEP_MINUTES, inSteps } from './joinMinutes';
import { middle, middleOfAll } from './middles';
import { slidTo, waysOfNeedle, weighedRun, type Needle } from './needle';
import type { SewingSettings } from './sewingSettings';
import { IS_IN, Touches, type Touch } from './touches';
import { joined, leaf, type Tree } from './tree';

/** A piece is better the fewer seams lead out of it: each weighs as so many minutes. */
const RIM_MINUTES = 0.5;

/** A unit made in one order: minutes beyond those that every order takes, lost thread weighed, and where its thread ends. */
export interface MadeUnit {
  readonly tree: Tree;
  readonly minutes: number;
  readonly needle: Needle;
}

/** A piece as it grows patch by patch; patches by their numbers within the unit. */
interface Piece {
  readonly patch: number;
  readonly before: Piece | undefined;
  /** For each patch which of its neighbours are in, bit i the i-th of them; and whether it is in itself. */
  readonly masks: readonly number[];
  /** Seams that lead out of it to patches of the unit. */
  readonly rim: number;
  readonly papers: number;
  /** Tells pieces of other patches apart. */
  readonly key: number;
  readonly needle: Needle;
  /** Minutes beyond those that every order takes: slides, thread that is lost or hidden, and what weighs in the hand. */
  readonly minutes: number;
}

interface Task {
  readonly graph: SeamGraph;
  readonly touches: Touches;
  readonly settings: SewingSettings;
  /** Number within the unit of each patch of the block; −1 outside. */
  readonly numberOf: Int32Array;
  /** Orders that are followed at a time. */
  readonly width: number;
}

/** An order by numbers within the unit; its last run goes round the patch, or the other way. */
interface FoundOrder extends Pick<MadeUnit, 'minutes'> {
  readonly order: readonly number[];
  readonly isTurned: boolean;
  readonly leftMm: number;
}

/** Orders that were found, by what tells units apart: in a field most are like others. */
const knownOrders = keptFor((_: SeamGraph) => keptFor((_settings: SewingSettings) => new Map<string, readonly FoundOrder[]>())); // prettier-ignore

/**
 * Makes a unit patch by patch on one growing piece, each patch sewn on in one run with no bend that is to be spared, so that the
 * thread goes on from patch to patch through the folds and the piece stays small in the hand: a beam search over such orders, from
 * the patch that lies farthest out, and from those farthest from where the thread is to go on afterwards, or else from the middle.
 * @param width orders that are followed at a time
 * @param ends places where the next join may begin
 * @returns of the orders to each end of the thread the quickest; none where there is no such order
 * Cost: patches × orders followed × patches at the rim.
 */
export function growPiece(
  graph: SeamGraph,
  members: readonly number[],
  settings: SewingSettings,
  width: number,
  ends: readonly number[] = [],
): MadeUnit[] {
  if (graph.isOfUnits) return [];
  const own = inOrder(graph, members);
  const touches = new Touches(graph, own, settings);
  if (!touches.isUsable) return [];
  const firsts = beginnings(graph, own, ends);
  const task = (): Task => ({ graph, touches, settings, width, numberOf: numbersOf(graph, own) });
  const known = knownOrders(graph)(settings);
  const signature = `${width} ${touches.signature()}`;
  const found = firsts.flatMap((first) => {
    const key = `${first} ${signature}`;
    const orders = known.get(key) ?? ordersFrom(task(), first);
    known.set(key, orders);
    return orders;
  });
  return found.map(({ order, isTurned, minutes, leftMm }) => {
    const tree = order.map((number) => leaf(itemAt(own, number))).reduce(joined);
    return { tree, minutes, needle: { place: endOf(touches, order, isTurned), leftMm } };
  });
}

function numbersOf({ patches }: SeamGraph, own: readonly number[]): Int32Array {
  const numberOf = new Int32Array(patches.length).fill(-1);
  own.forEach((patch, i) => (numberOf[patch] = i));
  return numberOf;
}

/** Patches by where they lie across a slant that no drawing follows: units laid alike are numbered alike. */
function inOrder(graph: SeamGraph, members: readonly number[]): number[] {
  const along = members.map((patch) => {
    const { x, y } = middle(graph, patch);
    return [x + SLANT * y, patch] as const;
  });
  return along.sort(([p], [q]) => p - q).map(([, patch]) => patch);
}

const SLANT = 0.2718;

/** Patches whose middles lie as far out but for this are equals, mm. */
const SAME_REACH_MM = 0.5;

/** Patches from which a piece may grow, by their numbers. */
function beginnings(graph: SeamGraph, own: readonly number[], ends: readonly number[]): number[] {
  const reachFrom = (point: Point) => own.map((patch) => distance(middle(graph, patch), point));
  const firstAt = (reach: readonly number[], far: number) => reach.findIndex((one) => Math.abs(one - far) <= SAME_REACH_MM); // prettier-ignore
  const farthest = (reach: readonly number[]) => firstAt(reach, Math.max(...reach));
  const fromCentre = reachFrom(middleOfAll(graph, own));
  const opposite = ends.map((place) => farthest(reachFrom(itemAt(graph.places, place))));
  const others = ends.length > 0 ? opposite : [firstAt(fromCentre, Math.min(...fromCentre))];
  return [...new Set([farthest(fromCentre), ...others])];
}

function ordersFrom(task: Task, first: number): FoundOrder[] {
  const { touches } = task;
  const steps = new Steps();
  let pieces = [single(touches, first)];
  for (let size = 1; size < touches.others.length; size++) pieces = grown(task, pieces, steps);
  return pieces.map((last) => {
    const order: number[] = [];
    for (let piece: Piece | undefined = last; piece; piece = piece.before) order.push(piece.patch);
    order.reverse();
    const isTurned = endOf(touches, order, false) !== last.needle.place;
    return { order, isTurned, minutes: last.minutes, leftMm: last.needle.leftMm };
  });
}

/** Where the thread ends: the last patch is sewn to all its neighbours. */
function endOf(touches: Touches, order: readonly number[], isTurned: boolean): number {
  const last = itemAt(order, order.length - 1);
  const mask = itemAt(touches.others, last).reduce((all, other, i) => (other < 0 ? all : all | (1 << i)), 0);
  const touch = touches.of(last, mask);
  return (isTurned ? touch?.start : touch?.end) ?? -1;
}

function single(touches: Touches, patch: number): Piece {
  const empty = { masks: touches.others.map(() => 0), papers: 0 };
  const rim = itemAt(touches.others, patch).filter((other) => other >= 0).length;
  const needle: Needle = { place: -1, leftMm: 0 };
  return withPatch(touches, empty, undefined, { patch, key: keyOf(patch), needle, minutes: 0, rim });
}

/** A number for a patch or place; those of a piece are put together by exclusive or. */
function keyOf(number: number): number {
  const mixed = Math.imul(number + 1, 0x9e3779b1);
  return Math.imul(mixed ^ (mixed >>> 15), 0x85ebca6b);
}

/** The best pieces with one patch more. */
function grown(task: Task, pieces: readonly Piece[], steps: Steps): Piece[] {
  steps.clear();
  for (const piece of pieces) addSteps(task, piece, steps);
  return steps.best(task.width).map((step) => steps.taken(task.touches, step));
}

/** Pieces with one patch more, before it is known which are followed: side by side in lists, since by far the most are not. */
class Steps {
  readonly #at = new Map<number, number>();
  readonly #from: Piece[] = [];
  readonly #patch: number[] = [];
  readonly #end: number[] = [];
  readonly #leftMm: number[] = [];
  readonly #rim: number[] = [];
  readonly #minutes: number[] = [];
  readonly #rank: number[] = [];
  #count = 0;

  clear(): void {
    this.#at.clear();
    this.#count = 0;
  }

  /** Adds a step; of those that come to the same piece and end of thread the quickest stays. */
  add(from: Piece, patch: number, end: number, leftMm: number, rim: number, minutes: number): void {
    const key = from.key ^ keyOf(patch) ^ keyOf(~end);
    const known = this.#at.get(key);
    if (known !== undefined && minutes >= (this.#minutes[known] as number) - STEP_MINUTES) return;
    const at = known ?? this.#count++;
    if (known === undefined) this.#at.set(key, at);
    this.#from[at] = from;
    this.#patch[at] = patch;
    this.#end[at] = end;
    this.#leftMm[at] = leftMm;
    this.#rim[at] = rim;
    this.#minutes[at] = minutes;
    this.#rank[at] = inSteps(minutes + RIM_MINUTES * rim);
  }

  /** So many of the best, the best first and of equals the first that came. */
  best(count: number): number[] {
    const ranks = new Float64Array(this.#rank.slice(0, this.#count)).sort();
    const worst = ranks[Math.min(count, ranks.length) - 1] ?? -Infinity;
    const chosen: number[] = [];
    for (let at = 0; at < this.#count; at++) if ((this.#rank[at] as number) <= worst) chosen.push(at);
    return chosen.sort((a, b) => (this.#rank[a] as number) - (this.#rank[b] as number)).slice(0, count);
  }

  /** The piece that a step leads to. */
  taken(touches: Touches, at: number): Piece {
    const [from, patch] = [itemAt(this.#from, at), itemAt(this.#patch, at)];
    return withPatch(touches, from, from, {
      patch,
      key: from.key ^ keyOf(patch),
      needle: { place: itemAt(this.#end, at), leftMm: itemAt(this.#leftMm, at) },
      minutes: itemAt(this.#minutes, at),
      rim: itemAt(this.#rim, at),
    });
  }
}

/** Adds every way of sewing on one patch more. */
function addSteps(task: Task, piece: Piece, steps: Steps): void {
  const { graph, touches, settings, numberOf } = task;
  const ways = waysOfNeedle(graph, piece.needle.place);
  const isInHand = (patch: number) => (piece.masks[numberOf[patch] as number] ?? 0) >= IS_IN;
  const heavy = settings.heavyShare * Math.max(0, piece.papers - settings.lightPapers);
  const add = (patch: number, touch: Touch, start: number, end: number) => {
    const slid = slidTo(piece.needle.place, start, ways, isInHand);
    const run = weighedRun(piece.needle.leftMm, slid, touch.threadMm, settings);
    const minutes = piece.minutes + run.minutes + (touch.minutes + run.handMinutes) * heavy;
    steps.add(piece, patch, end, run.leftMm, piece.rim + touch.rim, minutes);
  };
  for (let patch = 0; patch < piece.masks.length; patch++) {
    const mask = piece.masks[patch] as number;
    const touch = mask === 0 || mask >= IS_IN ? undefined : touches.of(patch, mask);
    if (!touch) continue;
    add(patch, touch, touch.start, touch.end);
    add(patch, touch, touch.end, touch.start);
  }
}

function withPatch(
  { others, backs, fullMasks }: Touches,
  from: Pick<Piece, 'masks' | 'papers'>,
  before: Piece | undefined,
  { patch, key, needle, minutes, rim }: Pick<Piece, 'patch' | 'key' | 'needle' | 'minutes' | 'rim'>,
): Piece {
  const masks = from.masks.slice();
  masks[patch] = itemAt(masks, patch) | IS_IN;
  let papers = from.papers + 1;
  const isSurrounded = (one: number) => masks[one] === fullMasks[one];
  itemAt(others, patch).forEach((other, i) => {
    if (other < 0) return;
    const wasOut = !isSurrounded(other);
    masks[other] = itemAt(masks, other) | (1 << itemAt(itemAt(backs, patch), i));
    if (wasOut && isSurrounded(other)) papers -= 1;
  });
  if (isSurrounded(patch)) papers -= 1;
  return { patch, before, masks, rim, papers, key, needle, minutes };
}
