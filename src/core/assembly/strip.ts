import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { threadOn } from '../thread';
import { balanceOf, middle } from './middles';
import { aroundPatch } from './rims';
import { threadSteps } from './touches';

/** Patches that lie one after another along a strip, by where they stand in it; a stretch is those from one on to before another. */
export interface Strip {
  readonly patches: readonly number[];
  /** Where each patch of the block stands; −1 outside. */
  readonly standsAt: Int32Array;
  /** Neighbours stand at most so far apart: in rows of one shape as many as there are rows. */
  readonly band: number;
  /** Papers that are still in a stretch when it is made. */
  readonly papersIn: (from: number, to: number) => number;
  /** The same for stretches that are laid out alike, one of them some patches further on: they are made alike. */
  readonly layoutOf: (from: number, to: number) => number;
  /** The place that lies to patches so many further on as one lies to those of a stretch; −1 where none does. */
  readonly placeFurther: (place: number, from: number, to: number, by: number) => number;
}

/** A seam of a patch: where the neighbour stands, −1 outside, and what else tells it apart. */
interface Side {
  readonly other: number;
  readonly says: string;
}

/** Patches of a group in the order in which they lie along it, followed at an angle to it: the lean, radians. */
export function stripOf(graph: SeamGraph, members: readonly number[], stitchesPerMm: number, lean: number): Strip {
  const patches = lengthwise(graph, members, lean);
  const standsAt = new Int32Array(graph.patches.length).fill(-1);
  patches.forEach((patch, i) => (standsAt[patch] = i));
  const isOpen = new Set(graph.openEdges.map(({ patch }) => patch));
  const staysIn = patches.map((patch) => isOpen.has(patch));
  const sides = patches.map((patch) =>
    aroundPatch(graph, patch).map(({ seam, side }): Side => {
      const { patches: pair, lengthMm } = itemAt(graph.seams, seam);
      const steps = threadSteps(threadOn(lengthMm, stitchesPerMm));
      return { other: itemAt(standsAt, pair[0] === patch ? pair[1] : pair[0]), says: `${side}:${steps}` };
    }),
  );
  // The paper of a patch with an open edge, or a neighbour outside, stays in.
  const first = sides.map((own, i) => (staysIn[i] ? -1 : Math.min(i, ...own.map(({ other }) => other))));
  const last = sides.map((own, i) => Math.max(i, ...own.map(({ other }) => other)));
  const apart = sides.flatMap((own, i) => own.filter(({ other }) => other >= 0).map(({ other }) => Math.abs(other - i)));
  const band = Math.max(0, ...apart);
  const papersIn = (from: number, to: number) => {
    let papers = 0;
    for (let i = from; i < to; i++) if (itemAt(first, i) < from || itemAt(last, i) >= to) papers += 1;
    return papers;
  };
  return {
    patches,
    standsAt,
    band,
    papersIn,
    layoutOf: layouts(sides, staysIn, band),
    placeFurther: furtherPlaces(graph, patches),
  };
} // prettier-ignore

/**
 * Each way in which a patch lies to those of its stretch has a number, and so has each row of such numbers, told by the row without
 * its last and that last one: the patches in the middle, which lie to a stretch as they lie to the whole strip, then those near its
 * ends.
 */
function layouts(sides: readonly (readonly Side[])[], staysIn: readonly boolean[], band: number): Strip['layoutOf'] {
  const lies = new Map<string, number>();
  const rows = new Map<string, number>();
  const numberIn = (known: Map<string, number>, key: string): number => {
    const number = known.get(key) ?? known.size;
    known.set(key, number);
    return number;
  };
  const lieOf = (i: number, from: number, to: number): number => {
    const inside = itemAt(sides, i).map(({ other, says }) => (other >= from && other < to ? `${other - i}/${says}` : ''));
    return numberIn(lies, `${inside.join()} ${inside.includes('') || staysIn[i]}`);
  };
  const inWhole = sides.map((_, i) => lieOf(i, 0, sides.length));
  /** For each patch the rows of those from it on, in the whole strip: the n-th is the row of n. */
  const rowsFrom: number[][] = sides.map(() => [-1]);
  const rowOf = (from: number, count: number): number => {
    const own = itemAt(rowsFrom, from);
    for (let n = own.length; n <= count; n++) own.push(numberIn(rows, `${own[n - 1]},${inWhole[from + n - 1]}`));
    return own[count] as number;
  };
  return (from, to) => {
    const [a, b] = to - from > 2 * band ? [from + band, to - band] : [from, from];
    let row = a < b ? rowOf(a, b - a) : -1;
    for (let i = from; i < a; i++) row = numberIn(rows, `${row},${lieOf(i, from, to)}`);
    for (let i = b; i < to; i++) row = numberIn(rows, `${row},${lieOf(i, from, to)}`);
    return numberIn(rows, `${row} ${to - from}`);
  };
} // prettier-ignore

function furtherPlaces({ places, sides }: SeamGraph, patches: readonly number[]): Strip['placeFurther'] {
  const corners: { at: number; corner: number }[][] = places.map(() => []);
  const firstOf = (at: number) => itemAt(sides.firstOf, itemAt(patches, at));
  patches.forEach((patch, at) => {
    for (let side = firstOf(at); side < itemAt(sides.firstOf, patch + 1); side++)
      itemAt(corners, itemAt(sides.startPlace, side)).push({ at, corner: side - firstOf(at) });
  });
  return (place, from, to, by) => {
    const own = corners[place]?.find(({ at }) => at >= from && at < to);
    return own ? itemAt(sides.startPlace, firstOf(own.at + by) + own.corner) : -1;
  };
}

/** Of the two ways along a strip that is taken which lies between this angle and half a turn further: no drawing runs so steeply but slanting. */
const FIRST_WAY = (-70 * Math.PI) / 180;

/** Along the axis about which the middles spread least: half the angle whose tangent is 2·Sxy ÷ (Sxx − Syy). */
function lengthwise(graph: SeamGraph, members: readonly number[], lean: number): number[] {
  const mean = balanceOf(graph, members);
  const offsets = members.map((patch) => {
    const { x, y } = middle(graph, patch);
    return { patch, x: x - mean.x, y: y - mean.y };
  });
  const sum = (of: (offset: { x: number; y: number }) => number) => offsets.reduce((all, one) => all + of(one), 0);
  const axis = Math.atan2(2 * sum(({ x, y }) => x * y), sum(({ x, y }) => x * x - y * y)) / 2;
  const angle = axis + lean + (axis < FIRST_WAY ? Math.PI : 0);
  const along = offsets.map(({ patch, x, y }) => ({ patch, at: x * Math.cos(angle) + y * Math.sin(angle) }));
  return along.sort((a, b) => a.at - b.at).map(({ patch }) => patch);
} // prettier-ignore
