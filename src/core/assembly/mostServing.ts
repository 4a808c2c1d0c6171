import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import type { Figure, TreeKind } from './figures';
import type { PlanTotals } from './join';
import { inSteps } from './joinMinutes';
import type { SewingSettings } from './sewingSettings';
import { sewTrees, totalsOf } from './sewTrees';
import type { Tree } from './tree';
import { treeCost } from './treeCost';

/** An order that was found, and the way in which it puts the group together. */
export interface Candidate {
  readonly tree: Tree;
  readonly kind: TreeKind;
}

/** The order that serves best, and others that are worth telling. */
export interface Chosen {
  readonly tree: Tree;
  /** The one that is taught for such a figure, where that is not the same: it costs more. */
  readonly taught?: Candidate;
  /** One with as few bends that takes less time. */
  readonly quicker?: Quicker;
}

export interface Quicker extends Candidate {
  /** Whether it takes so much less that it is worth telling. */
  readonly isTold: boolean;
}

interface Rated extends Candidate {
  readonly bends: number;
  readonly minutes: number;
  /** Whether it begins few threads, where that is what counts. */
  readonly isSparing: boolean;
  /** How much it has for itself where it costs about as much as others. */
  readonly merit: number;
}

/** Orders whose minutes differ by less than this share are equals: how it is taught decides. */
const TIE_SHARE = 0.03;
/** From this share on it is told that another order is quicker. */
const TOLD_SHARE = 0.02;
/** A field of one shape is to begin at most so many threads for each that the needlefuls demand … */
const MOST_THREADS = 1.25;
/** … where that takes at most this share more minutes: each thread has two ends that may come loose. */
const SPARING_SHARE = 0.05;

/**
 * Of orders with the fewest bends: the quickest, and of those about as quick the one that is taught for such a figure; else the
 * one that makes most units again, or, where all patches are of one shape and nothing is learnt by that, begins fewest threads:
 * there one that takes a little longer is taken where all that are as quick begin too many.
 */
export function mostServing(
  graph: SeamGraph,
  orders: readonly Candidate[],
  figure: Figure | undefined,
  settings: SewingSettings,
): Chosen {
  const isPlain = figure?.name === 'mosaic' || figure?.name === 'rosette';
  const taught = figure?.taught ?? [];
  const counted = orders.map((order) => ({ ...order, bends: treeCost(graph, order.tree).bends }));
  const fewest = Math.min(...counted.map(({ bends }) => bends));
  const asked = counted.filter(({ bends, kind }) => bends === fewest || taught.includes(kind));
  const [only] = asked;
  // Nothing to weigh it against: a large plan is not sewn just to be timed.
  if (only && asked.length === 1) return { tree: only.tree };
  const rated = asked.map((order): Rated => {
    const { joins } = sewTrees(graph, [order.tree], settings);
    const totals = totalsOf(joins, settings);
    const { minutes, threadStarts, repeated } = totals;
    return {
      ...order,
      minutes,
      isSparing: !isPlain || areFew(totals),
      merit: isPlain ? -threadStarts : repeated,
    };
  });
  const chosen = itemAt(inRank(rated, taught), 0);
  const quicker = quickerThan(chosen, rated);
  if (taught.includes(chosen.kind)) return { tree: chosen.tree, ...quicker };
  const ways = taught.flatMap((kind) => inRank(rated.filter((one) => one.kind === kind), []).slice(0, 1)); // prettier-ignore
  const [other] = ways.sort((a, b) => inSteps(a.minutes) - inSteps(b.minutes));
  return { tree: chosen.tree, ...quicker, ...(other ? { taught: { tree: other.tree, kind: other.kind } } : {}) };
} // prettier-ignore

/** Whether an order begins few threads for what its needlefuls demand. */
export function isSparing(graph: SeamGraph, tree: Tree, settings: SewingSettings): boolean {
  return areFew(totalsOf(sewTrees(graph, [tree], settings).joins, settings));
}

function areFew({ threadStarts, threadStartsBound }: PlanTotals): boolean {
  return threadStarts <= threadStartsBound * MOST_THREADS;
}

/** The quickest order with as few bends as the chosen one, where that takes longer. */
function quickerThan(chosen: Rated, rated: readonly Rated[]): Pick<Chosen, 'quicker'> {
  const equals = rated.filter(({ bends }) => bends === chosen.bends);
  const { tree, kind, minutes } = equals.reduce((best, one) => (inSteps(one.minutes) < inSteps(best.minutes) ? one : best)); // prettier-ignore
  if (inSteps(minutes) >= inSteps(chosen.minutes)) return {};
  return { quicker: { tree, kind, isTold: minutes * (1 + TOLD_SHARE) < chosen.minutes } };
}

/** Those of the fewest bends that are about as quick as the quickest, what is taught first, then by merit. */
function inRank(rated: readonly Rated[], taught: Figure['taught']): Rated[] {
  const fewest = Math.min(...rated.map(({ bends }) => bends));
  const equals = rated.filter(({ bends }) => bends === fewest);
  const least = Math.min(...equals.map(({ minutes }) => minutes));
  const within = (share: number) => equals.filter(({ minutes }) => minutes <= least * (1 + share));
  const quick = within(TIE_SHARE);
  const isSparingQuick = quick.some(({ isSparing }) => isSparing);
  const sparing = isSparingQuick ? [] : within(SPARING_SHARE).filter(({ isSparing }) => isSparing);
  const isTaught = ({ kind }: Rated) => (taught.includes(kind) ? 1 : 0);
  const byTime = (a: Rated, b: Rated) => inSteps(a.minutes) - inSteps(b.minutes);
  if (sparing.length > 0) return sparing.sort((a, b) => isTaught(b) - isTaught(a) || byTime(a, b));
  return quick.sort((a, b) => isTaught(b) - isTaught(a) || b.merit - a.merit || byTime(a, b));
}
