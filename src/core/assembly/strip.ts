import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { balanceOf, middle } from './middles';

/** Patches that lie one after another along a strip, by where they stand in it. */
export interface Strip {
  readonly patches: readonly number[];
  /** Where each patch of the block stands; −1 outside. */
  readonly standsAt: Int32Array;
  /** Where the first and the last of the patches that have a corner at each place stand. */
  readonly firstAt: Int32Array;
  readonly lastAt: Int32Array;
  /** Neighbours stand at most so far apart: in rows of one shape as many as there are rows. */
  readonly band: number;
  /** Papers that are still in the stretch from one patch on to before another when it is made. */
  readonly papersIn: (from: number, to: number) => number;
}

/** Patches are followed at a small angle to the strip, so that those that lie side by side have an order: radians. */
const LEAN = 0.03;

/** Patches of a group in the order in which they lie along it. */
export function stripOf(graph: SeamGraph, members: readonly number[]): Strip {
  const patches = lengthwise(graph, members);
  const standsAt = new Int32Array(graph.patches.length).fill(-1);
  patches.forEach((patch, i) => (standsAt[patch] = i));
  const isOpen = new Set(graph.openEdges.map(({ patch }) => patch));
  const near = patches.map((patch) =>
    itemAt(graph.seamsOf, patch).flatMap((seam) => itemAt(graph.seams, seam).patches.map((one) => itemAt(standsAt, one))),
  ); // prettier-ignore
  // A paper whose patch has an open edge, or a neighbour outside, stays in.
  const first = near.map((own, i) => (isOpen.has(itemAt(patches, i)) ? -1 : Math.min(i, ...own)));
  const last = near.map((own, i) => Math.max(i, ...own));
  const papersIn = (from: number, to: number) => {
    let papers = 0;
    for (let i = from; i < to; i++) if (itemAt(first, i) < from || itemAt(last, i) >= to) papers += 1;
    return papers;
  };
  const apart = near.flatMap((own, i) =>
    own.filter((other) => other >= 0).map((other) => Math.abs(other - i)),
  );
  return { patches, standsAt, ...cornersOf(graph, patches), band: Math.max(0, ...apart), papersIn };
}

function cornersOf({ places, sides }: SeamGraph, patches: readonly number[]): Pick<Strip, 'firstAt' | 'lastAt'> {
  const [firstAt, lastAt] = [new Int32Array(places.length).fill(patches.length), new Int32Array(places.length).fill(-1)];
  patches.forEach((patch, i) => {
    for (let side = itemAt(sides.firstOf, patch); side < itemAt(sides.firstOf, patch + 1); side++) {
      const place = itemAt(sides.startPlace, side);
      firstAt[place] = Math.min(itemAt(firstAt, place), i);
      lastAt[place] = Math.max(itemAt(lastAt, place), i);
    }
  });
  return { firstAt, lastAt };
} // prettier-ignore

/** Of the two ways along a strip that is taken which lies between this angle and half a turn further: no drawing runs so steeply but slanting. */
const FIRST_WAY = (-70 * Math.PI) / 180;

/** Along the axis about which the middles spread least: half the angle whose tangent is 2·Sxy ÷ (Sxx − Syy). */
function lengthwise(graph: SeamGraph, members: readonly number[]): number[] {
  const mean = balanceOf(graph, members);
  const offsets = members.map((patch) => {
    const { x, y } = middle(graph, patch);
    return { patch, x: x - mean.x, y: y - mean.y };
  });
  const sum = (of: (offset: { x: number; y: number }) => number) => offsets.reduce((all, one) => all + of(one), 0);
  const axis = Math.atan2(2 * sum(({ x, y }) => x * y), sum(({ x, y }) => x * x - y * y)) / 2;
  const angle = axis + LEAN + (axis < FIRST_WAY ? Math.PI : 0);
  const along = offsets.map(({ patch, x, y }) => ({ patch, at: x * Math.cos(angle) + y * Math.sin(angle) }));
  return along.sort((a, b) => a.at - b.at).map(({ patch }) => patch);
} // prettier-ignore
