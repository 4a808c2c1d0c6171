import { groupsOf, type SeamGraph } from '../block';
import type { Apart } from './exactTree';
import type { School } from './schools';

/** A unit that is always made, and the school by which; the school of the whole where none is said. */
export interface Pin {
  readonly patches: readonly number[];
  readonly school?: School;
}

/** What the host wants of the order; the rest is planned round it. All by patch indices. */
export interface Wishes {
  readonly pins: readonly Pin[];
  /** Units that are not to be joined to each other. */
  readonly apart: readonly Apart[];
  /** The first unit is finished before the second. */
  readonly before: readonly Apart[];
  /** Whether like units are made one after another; where nothing is said, when that costs next to nothing. */
  readonly isBatched?: boolean;
}

/** The lists among the wishes. */
export type WishList = 'pins' | 'apart' | 'before';

export const NO_WISHES: Wishes = { pins: [], apart: [], before: [] };

/** A wish that the plan does not follow, and why. */
export interface IdleWish {
  readonly wish: WishList;
  readonly index: number;
  readonly why: string;
}

/** Patches of a unit as one key, whatever their order. */
export function unitKey(patches: readonly number[]): string {
  return [...patches].sort((a, b) => a - b).join();
}

/** Pins that can be followed together: connected units, each within or apart from every other. Earlier ones count first. */
export function soundPins(graph: SeamGraph, pins: readonly Pin[]): { sound: Pin[]; idle: IdleWish[] } {
  const [sound, idle]: [Pin[], IdleWish[]] = [[], []];
  pins.forEach((pin, index) => {
    const refuse = (why: string) => idle.push({ wish: 'pins', index, why });
    if (pin.patches.length < 2) refuse('One patch is no unit.');
    else if (groupsOf(graph, pin.patches).length > 1) refuse('Its patches no longer hang together.');
    else if (sound.some((other) => unitKey(other.patches) === unitKey(pin.patches)))
      refuse('It is said twice.');
    else if (sound.some((other) => isCrossing(other.patches, pin.patches)))
      refuse('It shares some patches, but not all, with another unit that is always made.');
    else sound.push(pin);
  });
  return { sound, idle };
}

/** Whether two units share some patches though neither lies within the other. */
export function isCrossing(a: readonly number[], b: readonly number[]): boolean {
  const own = new Set(a);
  const shared = b.filter((patch) => own.has(patch)).length;
  return shared > 0 && shared < a.length && shared < b.length;
}
