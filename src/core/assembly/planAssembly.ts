import { groupsOf, keptFor, type SeamGraph } from '../block';
import { InvariantError } from '../errors';
import { bendsBound } from './bendsBound';
import { leastBends } from './leastBends';
import { asQuickest, groupTree, type GroupOrder, type GroupTask } from './groupTree';
import { mostServing } from './mostServing';
import { SCHOOLS, type School } from './schools';
import { DEFAULT_SEWING, type SewingSettings } from './sewingSettings';
import type { Join, PlanTotals } from './join';
import { joinMinutes } from './joinMinutes';
import { listJoins, sewTrees, totalsOf } from './sewTrees';
import { joinInOrder, leaf, type Tree } from './tree';
import { validatePlan } from './validatePlan';
import { NO_WISHES, soundPins, unitKey, type IdleWish, type Wishes } from './wishes';

export interface AssemblyPlan {
  readonly school: School;
  /** Wishes of the host that it does not follow, with the reason. */
  readonly idle: readonly IdleWish[];
  /** Inner intersections through which nothing passes straight: each costs a bend. */
  readonly bendsBound: number;
  /** The higher bound, with corners within seams and demands that go round in circles. */
  readonly bendsLeast: number;
  /** Whether every order was weighed, so that none has fewer bends. */
  readonly isProven: boolean;
  /** Whether the school has an order of its own for some group of the block. */
  readonly isTaught: boolean;
  /** What the order that is taught for such a block costs more, where that is too much for it to be taken unasked. */
  readonly taughtOtherwise?: OtherOrder;
  /** What the quickest order with as few bends takes less, where another serves better and that is noticeable. */
  readonly quickerOtherwise?: OtherOrder;
  readonly joins: readonly Join[];
  readonly totals: PlanTotals;
}

/** A school’s order that could be shown as well, and what it costs more than the one that was chosen; below 0 what it spares. */
export interface OtherOrder {
  readonly school: School;
  readonly bends: number;
  readonly threadStarts: number;
  readonly minutes: number;
}

/** Called now and then with the share done, 0 to 1; return false to stop. */
export type ReportProgress = (share: number) => boolean | void;

/** Thrown when a progress callback asks to stop. */
export class CancelledError extends Error {}

/** Orders without any wish, by school and figures of sewing: asked for again with every wish, and when schools are compared. */
const freeOrders = keptFor((_: SeamGraph) => new Map<string, readonly GroupOrder[]>());

/**
 * Plans the order of sewing for every layer and every connected group of a block.
 * Guarantees: each seam is sewn exactly once, each join puts together two connected units along all seams between
 * them, and no paper is released before all its edges are sewn; the validator is asked every time. Bends equal the bound wherever straight cuts allow it.
 * An order without wishes is kept with its graph: asked for again it is there at once, and nothing is reported.
 * @param wishes what the host wants of the order; what cannot be followed is listed in `idle`
 * Cost: about n log n in the number of patches for drawings that halve well.
 */
export function planAssembly(
  graph: SeamGraph,
  settings: SewingSettings = DEFAULT_SEWING,
  onProgress: ReportProgress = () => true,
  school: School = 'best',
  wishes: Wishes = NO_WISHES,
): AssemblyPlan {
  const layers = [...new Set(graph.patches.map(({ layer }) => layer))].sort((a, b) => a - b);
  const groups = layers.flatMap((layer) => {
    const own = graph.patches.flatMap((patch, index) => (patch.layer === layer ? [index] : []));
    return groupsOf(graph, own);
  });
  const goOn = counting(graph.patches.length, onProgress);
  const { sound, idle } = soundPins(graph, wishes.pins);
  const choose: GroupTask['choose'] = (own, orders, figure) => mostServing(own, orders, figure, settings);
  const plan = (pins: Wishes['pins'], apart: Wishes['apart']) =>
    groups.map((members) => groupTree({ graph, members, settings, school, pins, apart, goOn, choose }));
  const free = freeOrder(graph, school, settings, () => plan([], []));
  // An order that does what is wished anyway is left as it is.
  const isFree = isFollowed(free.flatMap(({ tree }) => listJoins(tree)), sound, wishes.apart); // prettier-ignore
  const orders = isFree ? free : plan(sound, wishes.apart);
  const sewn = soundly(graph, orders.map(({ tree }) => tree), groups, settings, wishes); // prettier-ignore
  const isTaught = orders.some((order) => order.isTaught);
  const joins =
    school === 'base-strip' && isTaught ? sewn.joins.map((join) => laid(join, settings)) : sewn.joins;
  const totals = totalsOf(joins, settings);
  return {
    school,
    idle: [...idle, ...stillJoined(joins, wishes.apart), ...sewn.idle],
    bendsBound: bendsBound(graph),
    bendsLeast: leastBends(graph),
    isProven:
      (school === 'best' || school === 'quickest') && isFree && orders.every(({ isExact }) => isExact),
    isTaught,
    ...(isFree ? otherOrders(graph, orders, totals, settings, wishes) : {}),
    joins,
    totals,
  };
}

/**
 * Sews trees; where the validator finds a fault, which no known drawing brings about, plain orders take their place: patch
 * after patch, each sewn along all its seams to what is there. A block is never left without an order.
 */
function soundly(
  graph: SeamGraph,
  trees: readonly Tree[],
  groups: readonly (readonly number[])[],
  settings: SewingSettings,
  wishes: Wishes,
): ReturnType<typeof sewTrees> {
  const sewn = sewTrees(graph, trees, settings, wishes);
  if (validatePlan(graph, sewn).length === 0) return sewn;
  const plain = sewTrees(graph, groups.map((own) => joinInOrder(graph, own.map(leaf))), settings); // prettier-ignore
  const [fault] = validatePlan(graph, plain);
  if (fault) throw new InvariantError(`The order of work is not valid: ${fault}`);
  return { ...plain, idle: sewn.idle };
}

/** Whether joins make every pinned unit, by no school of its own, and join nothing that is to be kept apart. */
function isFollowed(
  joins: readonly { left: readonly number[]; right: readonly number[] }[],
  pins: Wishes['pins'],
  apart: Wishes['apart'],
): boolean {
  if (pins.length === 0 && apart.length === 0) return true;
  if (pins.some((pin) => pin.school !== undefined)) return false;
  const made = new Set(joins.map(({ left, right }) => unitKey([...left, ...right])));
  return pins.every(({ patches }) => made.has(unitKey(patches))) && stillJoined(joins, apart).length === 0;
}

/** The same join laid and sewn down by appliqué: no bend, smaller stitches. */
function laid(join: Join, settings: SewingSettings): Join {
  const own: Join = { ...join, bends: 0, isLaid: true };
  return { ...own, minutes: joinMinutes(own, settings) };
}

/** The order without any wish. The quickest is found with the one that serves best. */
function freeOrder(
  graph: SeamGraph,
  school: School,
  settings: SewingSettings,
  plan: () => readonly GroupOrder[],
): readonly GroupOrder[] {
  const known = freeOrders(graph);
  const keyOf = (one: School) => JSON.stringify([one, settings]);
  const best = school === 'quickest' ? known.get(keyOf('best')) : undefined;
  const free = known.get(keyOf(school)) ?? best?.map(asQuickest) ?? plan();
  known.set(keyOf(school), free);
  return free;
}

/** What the first order that is taught otherwise costs more than the one that was chosen, and what the quickest spares. */
function otherOrders(
  graph: SeamGraph,
  orders: readonly GroupOrder[],
  own: PlanTotals,
  settings: SewingSettings,
  wishes: Wishes,
): Pick<AssemblyPlan, 'taughtOtherwise' | 'quickerOtherwise'> {
  const costOf = (school: School, trees: readonly Tree[]): OtherOrder => {
    const { bends, minutes, threadStarts } = totalsOf(sewTrees(graph, trees, settings, wishes).joins, settings); // prettier-ignore
    return {
      school,
      bends: bends - own.bends,
      threadStarts: threadStarts - own.threadStarts,
      minutes: minutes - own.minutes,
    };
  };
  const at = orders.findIndex(({ taught }) => taught && taught.kind in SCHOOLS);
  const other = orders[at]?.taught;
  const taught = other && costOf(other.kind as School, orders.map(({ tree }, i) => (i === at ? other.tree : tree))); // prettier-ignore
  const isSlower = orders.some(({ quicker }) => quicker?.isTold);
  const quicker = isSlower ? costOf('quickest', orders.map((order) => asQuickest(order).tree)) : undefined; // prettier-ignore
  return {
    ...(taught ? { taughtOtherwise: taught } : {}),
    ...(quicker && quicker.minutes < 0 ? { quickerOtherwise: quicker } : {}),
  };
}

/** Joins that the host does not want and that no other order avoids. */
function stillJoined(joins: readonly Pick<Join, 'left' | 'right'>[], apart: Wishes['apart']): IdleWish[] {
  if (apart.length === 0) return [];
  const made = new Set(joins.flatMap(({ left, right }) => [
    `${unitKey(left)}|${unitKey(right)}`,
    `${unitKey(right)}|${unitKey(left)}`,
  ])); // prettier-ignore
  return apart.flatMap(([left, right], index): IdleWish[] =>
    made.has(`${unitKey(left)}|${unitKey(right)}`)
      ? [{ wish: 'apart', index, why: 'No other order joins these patches.' }]
      : [],
  );
}

/** Reports now and then how far a plan is; nobody knows how often parts are looked at again, so it slows towards the end. */
function counting(total: number, onProgress: ReportProgress): () => void {
  let done = 0;
  return () => {
    done += 1;
    const goesOn = done % 16 !== 0 || onProgress(done / (done + total)) !== false;
    if (!goesOn) throw new CancelledError('The planning was cancelled.');
  };
}
