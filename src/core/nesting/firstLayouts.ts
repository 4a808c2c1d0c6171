import { itemAt } from '../lists';
import { fillUp, type HighUp } from './fillUp';
import { densestLattices, latticeOnRoll, type Copy } from './lattices';
import { lengthOf, type Ground, type Laid } from './layout';
import { polygonArea, type PieceKind, type Turns } from './pieces';
import type { Search } from './search';

/** A kind whose pieces are many is laid by its lattice as well. */
const MANY = 6;

/** Shares of the time after which no more lattices and no more simple layouts are tried: pressing wins more. */
const BANDS_SHARE = 0.06;
const FIRST_SHARE = 0.15;

/** Orders of kinds in which laying one by one does well, most promising first. */
export function goodOrders(kinds: readonly PieceKind[], ground: Ground): number[][] {
  const measure = (of: (kind: number) => number) =>
    kinds.map((_, kind) => kind).sort((a, b) => of(b) - of(a) || a - b);
  const poses = (kind: number) => itemAt(ground.posesOf, kind).map((pose) => itemAt(ground.poses, pose));
  const area = (kind: number) => polygonArea(itemAt(kinds, kind).polygon);
  const reach = (kind: number) =>
    Math.max(...poses(kind).map(({ width, height }) => Math.max(width, height)));
  const least = (kind: number) =>
    Math.min(...poses(kind).map(({ width, height }) => Math.min(width, height)));
  return [measure(area), measure(reach), measure(least)];
}

/** A kind's number as often as it has pieces. */
export const oneByOne = (kinds: readonly PieceKind[], order: readonly number[]) =>
  order.flatMap((kind) => Array.from({ length: itemAt(kinds, kind).count }, () => kind));

/** Below the lowest used area the roll is whole. */
const wholeFrom = ({ poses, used }: Ground) =>
  used.reduce((low, { pose, y }) => Math.max(low, y + itemAt(poses, pose).height), 0);

/**
 * Each kind by its best lattice, one band under the other, the kinds with the largest pieces first: quickly found for any number,
 * and for one kind hardly ever beaten.
 */
export function inBands(kinds: readonly PieceKind[], ground: Ground, turns: Turns, search: Search): Laid[] {
  const [order] = goodOrders(kinds, ground);
  const laid: Laid[] = [];
  let top = wholeFrom(ground);
  for (const kind of order ?? []) {
    const { polygon, count } = itemAt(kinds, kind);
    const band = count < MANY ? undefined : bandOf(polygon, turns, count, ground.width, search);
    if (band) {
      laid.push(...band.copies.map((copy) => laidCopy(ground, kind, copy, top)));
      top += band.length;
      continue;
    }
    const below = { ...ground, used: [] };
    const row = fillUp(below, { width: ground.width, length: Infinity }, oneByOne(kinds, [kind]), 'reach');
    laid.push(...row.map((one) => ({ ...one, y: one.y + top })));
    top += lengthOf(ground, row);
  }
  return laid;
} // prettier-ignore

function bandOf(polygon: PieceKind['polygon'], turns: Turns, count: number, width: number, search: Search) {
  let best: ReturnType<typeof latticeOnRoll>;
  for (const lattice of densestLattices(polygon, turns)) {
    const found = latticeOnRoll(polygon, lattice, turns, count, width);
    if (found && found.length < (best?.length ?? Infinity)) best = found;
    if (best && search.spent() > BANDS_SHARE) break;
  }
  return best;
} // prettier-ignore

/** The pose of a copy in a lattice; one that is not among those tried joins them. */
function laidCopy(ground: Ground, kind: number, { turnDeg, x, y }: Copy, top: number): Laid {
  return { pose: ground.poseAt(kind, turnDeg), x, y: y + top };
}

/** The shortest of several simple layouts of all pieces on a roll: bands, and one by one in several orders. */
export function firstLayout(kinds: readonly PieceKind[], ground: Ground, turns: Turns, search: Search): readonly Laid[] {
  const room = { width: ground.width, length: Infinity };
  let best: readonly Laid[] = inBands(kinds, ground, turns, search);
  search.onBetter?.(best);
  const isEnough = () => search.isOver() || search.spent() > FIRST_SHARE;
  for (const order of goodOrders(kinds, ground)) {
    for (const highUp of ['reach', 'top'] as HighUp[]) {
      if (isEnough()) return best;
      const laid = fillUp(ground, room, oneByOne(kinds, order), highUp, [], isEnough);
      if (laid.length < best.length || lengthOf(ground, laid) >= lengthOf(ground, best)) continue;
      best = laid;
      search.onBetter?.(best);
    }
  }
  return best;
} // prettier-ignore
