import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import { distance } from '../geometry';
import { STEP_MINUTES, inSteps } from './joinMinutes';
import { middle, middleOfAll } from './middles';
import { LEAST_SHARE } from './sewInOrder';
import type { SewingSettings } from './sewingSettings';
import { waysFromPlace, type Slide } from './slides';
import { Touches, type Touch } from './touches';
import { joined, leaf, type Tree } from './tree';

/** Orders that are followed at a time. */
const WIDTH = 16;
/** A piece is better the fewer seams lead out of it: each weighs as so many minutes. */
const RIM_MINUTES = 0.5;
/** A thread that is cut off is dearer than the minutes of the next: it breaks the work, and its knots show. */
const LOST_WEIGHT = 2;
/** What is left on the needle at the end is lost half the time: the unit that is made last sews on with it. */
const LOST_SHARE = 0.5;

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
  readonly needle: number;
  readonly leftMm: number;
  /** Minutes beyond those that every order takes: slides, thread that is lost or hidden, and what weighs in the hand. */
  readonly minutes: number;
}

/** The bit of a mask that says that a patch is in itself. */
const IS_IN = 1 << 30;

/** A piece with one patch more, before it is known whether it is followed. */
interface Step extends Pick<Piece, 'patch' | 'key' | 'needle' | 'leftMm' | 'rim' | 'minutes'> {
  readonly from: Piece;
}

interface Task {
  readonly graph: SeamGraph;
  readonly touches: Touches;
  readonly settings: SewingSettings;
  readonly numberOf: ReadonlyMap<number, number>;
}

/** Orders that were found, by what tells units apart: in a field most are like others. */
const knownOrders = keptFor((_: SeamGraph) => keptFor((_settings: SewingSettings) => new Map<string, readonly number[] | undefined>())); // prettier-ignore

/**
 * Makes a unit patch by patch on one growing piece, each patch sewn on in one run with no bend that is to be spared, so that the
 * thread goes on from patch to patch through the folds and the piece stays small in the hand: a beam search over such orders.
 * @returns undefined where no such order is found
 * Cost: patches × orders followed × patches at the rim.
 */
export function grownTree(
  graph: SeamGraph,
  members: readonly number[],
  settings: SewingSettings,
): Tree | undefined {
  if (graph.isOfUnits) return undefined;
  const own = inOrder(graph, members);
  const touches = new Touches(graph, own, settings);
  if (!touches.isUsable) return undefined;
  const known = knownOrders(graph)(settings);
  const signature = touches.signature();
  if (!known.has(signature)) known.set(signature, orderOf(graph, own, touches, settings));
  return known.get(signature)?.map((number) => leaf(itemAt(own, number))).reduce(joined); // prettier-ignore
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

function orderOf(
  graph: SeamGraph,
  members: readonly number[],
  touches: Touches,
  settings: SewingSettings,
): readonly number[] | undefined {
  const task: Task = { graph, touches, settings, numberOf: new Map(members.map((patch, i) => [patch, i])) };
  const centre = middleOfAll(graph, members);
  const reach = members.map((patch) => distance(middle(graph, patch), centre));
  const value = ({ minutes, leftMm }: Piece) => inSteps(minutes + LOST_SHARE * lost(leftMm, settings)); // prettier-ignore
  let best: Piece | undefined;
  // From the middle, and from the patch that lies farthest out.
  for (const far of [Math.min(...reach), Math.max(...reach)]) {
    const first = reach.findIndex((one) => Math.abs(one - far) <= SAME_REACH_MM);
    let pieces = [single(touches, first)];
    for (let size = 1; size < members.length; size++) pieces = grown(task, pieces);
    for (const piece of pieces) if (!best || value(piece) < value(best)) best = piece;
  }
  const order: number[] = [];
  for (let piece = best; piece; piece = piece.before) order.push(piece.patch);
  return best && order.reverse();
}

/** Thread that goes into no seam, as minutes of beginning the thread that takes its place. */
function lost(mm: number, { usableNeedlefulMm, threadStartMinutes }: SewingSettings): number {
  return (LOST_WEIGHT * mm * threadStartMinutes) / usableNeedlefulMm;
}

function single(touches: Touches, patch: number): Piece {
  const empty = { masks: touches.others.map(() => 0), papers: 0 };
  const rim = itemAt(touches.others, patch).filter((other) => other >= 0).length;
  return withPatch(touches, empty, undefined, { patch, key: keyOf(patch), needle: -1, leftMm: 0, minutes: 0, rim }); // prettier-ignore
}

/** A number for a patch or place; those of a piece are put together by exclusive or. */
function keyOf(number: number): number {
  const mixed = Math.imul(number + 1, 0x9e3779b1);
  return Math.imul(mixed ^ (mixed >>> 15), 0x85ebca6b);
}

const rankOf = ({ minutes, rim }: Step) => inSteps(minutes + RIM_MINUTES * rim);

/** The best pieces with one patch more. */
function grown(task: Task, pieces: readonly Piece[]): Piece[] {
  const steps = new Map<number, Step>();
  for (const piece of pieces) addSteps(task, piece, steps);
  return [...steps.values()]
    .sort((a, b) => rankOf(a) - rankOf(b))
    .slice(0, WIDTH)
    .map((step) => withPatch(task.touches, step.from, step.from, step));
}

/** Adds every way of sewing on one patch more: of those that come to the same piece and end of thread the quickest. */
function addSteps(task: Task, piece: Piece, steps: Map<number, Step>): void {
  const { graph, touches, settings } = task;
  const ways = piece.needle < 0 ? undefined : waysFromPlace(graph, piece.needle);
  for (let patch = 0; patch < piece.masks.length; patch++) {
    const mask = piece.masks[patch] as number;
    if (mask === 0 || mask >= IS_IN) continue;
    const touch = touches.of(patch, mask);
    if (!touch) continue;
    const key = piece.key ^ keyOf(patch);
    const rim = piece.rim + touch.rim;
    for (let way = 0; way < 2; way++) {
      const [start, end] = way === 0 ? [touch.start, touch.end] : [touch.end, touch.start];
      const { minutes, leftMm } = sewnOn(
        piece,
        touch,
        slidTo(task, piece, ways?.get(start), start),
        settings,
      );
      const place = key ^ keyOf(~end);
      const known = steps.get(place);
      if (!known || minutes < known.minutes - STEP_MINUTES)
        steps.set(place, { from: piece, patch, key, needle: end, leftMm, rim, minutes });
    }
  }
}

/** A way of the needle through folds: how many, and the thread hidden in them, mm. */
interface Slid {
  readonly count: number;
  readonly hiddenMm: number;
}

const NOT_SLID: Slid = { count: 0, hiddenMm: 0 };

/** The way to where the next seam begins through folds of the piece: as few slides as can be, of those the shortest. */
function slidTo(
  { numberOf }: Task,
  { needle, masks }: Piece,
  ways: readonly (readonly Slide[])[] = [],
  start: number,
): Slid | undefined {
  if (needle === start) return NOT_SLID;
  let best: Slid | undefined;
  for (const way of ways) {
    let hiddenMm = 0;
    // What is not in hand cannot be slid through.
    for (const { patch, lengthMm } of way)
      hiddenMm += (masks[numberOf.get(patch) ?? -1] ?? 0) < IS_IN ? Infinity : lengthMm;
    const isBetter = !best || way.length < best.count || (way.length === best.count && hiddenMm < best.hiddenMm); // prettier-ignore
    if (hiddenMm < Infinity && isBetter) best = { count: way.length, hiddenMm };
  }
  return best;
}

/** Minutes and thread after a patch is sewn on, the thread carried on where it reaches. */
function sewnOn(
  piece: Piece,
  touch: Touch,
  slid: Slid | undefined,
  settings: SewingSettings,
): { readonly minutes: number; readonly leftMm: number } {
  const { usableNeedlefulMm, slideMinutes, threadStartMinutes, lightPapers, heavyShare } = settings;
  const heavy = heavyShare * Math.max(0, piece.papers - lightPapers);
  const carries = slid !== undefined && piece.leftMm - slid.hiddenMm > usableNeedlefulMm * LEAST_SHARE;
  const before = carries ? piece.leftMm - slid.hiddenMm : 0;
  const thread = carries ? slid.count * slideMinutes : threadStartMinutes;
  const spent = carries ? thread + lost(slid.hiddenMm, settings) : lost(piece.leftMm, settings);
  const needlefuls = Math.ceil(Math.max(0, touch.threadMm - before) / usableNeedlefulMm);
  return {
    minutes: piece.minutes + spent + (touch.minutes + thread) * heavy,
    leftMm: before + needlefuls * usableNeedlefulMm - touch.threadMm,
  };
}

function withPatch(
  { others, backs, keeps }: Touches,
  from: Pick<Piece, 'masks' | 'papers'>,
  before: Piece | undefined,
  { patch, key, needle, leftMm, minutes, rim }: Omit<Step, 'from'>,
): Piece {
  const masks = from.masks.slice();
  masks[patch] = itemAt(masks, patch) | IS_IN;
  let papers = from.papers + 1;
  const isSurrounded = (one: number) => !keeps[one] && masks[one] === IS_IN + 2 ** itemAt(others, one).length - 1; // prettier-ignore
  itemAt(others, patch).forEach((other, i) => {
    if (other < 0) return;
    const wasOut = !isSurrounded(other);
    masks[other] = itemAt(masks, other) | (1 << itemAt(itemAt(backs, patch), i));
    if (wasOut && isSurrounded(other)) papers -= 1;
  });
  if (isSurrounded(patch)) papers -= 1;
  return { patch, before, masks, rim, papers, key, needle, leftMm, minutes };
}
