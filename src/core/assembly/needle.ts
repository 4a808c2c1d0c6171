import type { SeamGraph } from '../block';
import type { SewingSettings } from './sewingSettings';
import { waysFromPlace, type Slide } from './slides';

/** Less than this share of a needleful is cut off rather than carried on. */
const LEAST_SHARE = 1 / 20;
/**
 * Thread that goes into no seam weighs so many times its share of a beginning while orders are sought: found by trying, so that of
 * orders that take about as long the one with fewest threads is among those that are followed. No minutes that are shown have it.
 */
const LOST_WEIGHT = 24;

/** Where the needle is, −1 where there is none, and how much thread is left on it, mm. */
export interface Needle {
  readonly place: number;
  readonly leftMm: number;
}

/** A way of the needle through folds: how many, and the thread hidden in them, mm. */
export interface Slid {
  readonly count: number;
  readonly hiddenMm: number;
}

const NOT_SLID: Slid = { count: 0, hiddenMm: 0 };

/** A run with what was left on the needle before. */
interface SewnRun {
  readonly carriesOn: boolean;
  readonly starts: number;
  readonly leftMm: number;
}

/**
 * Sews a run that takes so much thread, mm: a needleful that is used up is a thread begun, and so is one too short to go on with.
 * @param slid the way to where the run begins; undefined where none leads there or it is not to be taken
 */
export function sewnRun(
  beforeMm: number,
  slid: Slid | undefined,
  needMm: number,
  { usableNeedlefulMm }: SewingSettings,
): SewnRun {
  const carriesOn = slid !== undefined && beforeMm - slid.hiddenMm > usableNeedlefulMm * LEAST_SHARE;
  const own = carriesOn ? beforeMm - slid.hiddenMm : 0;
  const starts = Math.max(0, Math.ceil((needMm - own) / usableNeedlefulMm - 1e-9));
  return { carriesOn, starts, leftMm: Math.max(0, own + starts * usableNeedlefulMm - needMm) };
}

/** Thread that goes into no seam, as weighed minutes of beginning the thread that takes its place. */
export function lostMinutes(mm: number, { usableNeedlefulMm, threadStartMinutes }: SewingSettings): number {
  return (LOST_WEIGHT * mm * threadStartMinutes) / usableNeedlefulMm;
}

/**
 * Sews a run on and weighs what its thread takes beyond what every order takes: slides, and thread that is hidden or cut off.
 * @returns `minutes` weighed so, and of them those that the hand needs
 */
export function weighedRun(
  beforeMm: number,
  slid: Slid | undefined,
  needMm: number,
  settings: SewingSettings,
): { readonly minutes: number; readonly handMinutes: number; readonly leftMm: number } {
  const { carriesOn, leftMm } = sewnRun(beforeMm, slid, needMm, settings);
  if (!carriesOn || !slid) return { minutes: lostMinutes(beforeMm, settings), handMinutes: settings.threadStartMinutes, leftMm }; // prettier-ignore
  const handMinutes = slid.count * settings.slideMinutes;
  return { minutes: handMinutes + lostMinutes(slid.hiddenMm, settings), handMinutes, leftMm };
}

/** Where a needle can go from a place, whoever has the patches in hand; what stands for a unit has no folds to pass through. */
export function waysOfNeedle(graph: SeamGraph, place: number): ReturnType<typeof waysFromPlace> | undefined {
  return place < 0 || graph.isOfUnits ? undefined : waysFromPlace(graph, place);
}

/** The way from a place to where the next run begins through folds in hand: as few slides as can be, of those the shortest. */
export function slidTo(
  place: number,
  start: number,
  ways: ReturnType<typeof waysOfNeedle>,
  isInHand: (patch: number) => boolean,
): Slid | undefined {
  if (place === start) return NOT_SLID;
  let best: Slid | undefined;
  for (const way of ways?.get(start) ?? []) {
    const hiddenMm = lengthOf(way, isInHand);
    const isBetter = !best || way.length < best.count || (way.length === best.count && hiddenMm < best.hiddenMm); // prettier-ignore
    if (hiddenMm < Infinity && isBetter) best = { count: way.length, hiddenMm };
  }
  return best;
}

/** What is not in hand cannot be slid through. */
function lengthOf(way: readonly Slide[], isInHand: (patch: number) => boolean): number {
  let mm = 0;
  for (const { patch, lengthMm } of way) mm += isInHand(patch) ? lengthMm : Infinity;
  return mm;
}
