import { itemAt } from '../lists';
import { fillUp, type HighUp } from './fillUp';
import { firstLayout, goodOrders, inBands, oneByOne } from './firstLayouts';
import { lengthOf, type Ground, type Laid, type Room } from './layout';
import { polygonArea, type PieceKind, type Turns } from './pieces';
import { press } from './press';
import type { Search } from './search';
import { separate } from './separate';

/** How often more pieces of a kind are tried before fewer are. */
const ATTEMPTS = 2;

/** A piece is looked at in whole rounds: after this many without a better layout nothing more is tried. */
const IDLE_ROUNDS = 12;

/**
 * As many pieces as can be found on a piece of cloth, earlier kinds before later ones: the best of filling it in several ways, then
 * one more of the first kind that has any left, all of that kind and the earlier ones moved together, later kinds laid anew around.
 */
export function fillPiece(
  kinds: readonly PieceKind[],
  ground: Ground,
  length: number,
  turns: Turns,
  search: Search,
): readonly Laid[] {
  const room: Room = { width: ground.width, length };
  const inTurn = oneByOne(kinds, kinds.map((_, kind) => kind)); // prettier-ignore
  let best: readonly Laid[] = [];
  const offer = (laid: readonly Laid[]): boolean => {
    if (!isMore(kinds, ground, laid, best)) return false;
    best = laid;
    search.onBetter?.(best);
    return true;
  };
  for (const highUp of ['reach', 'top'] as HighUp[]) {
    // Only the very first is always finished: with curved pieces, any turn and flaws each takes seconds.
    const orders = [inTurn, ...goodOrders(kinds, ground).map((order) => oneByOne(kinds, order))];
    for (const order of orders) {
      const isOver = best.length > 0 ? search.isOver : undefined;
      offer(fillUp(ground, room, order, highUp, [], isOver));
      if (search.isOver()) return best;
    }
  }
  offer(fillByLattice(kinds, ground, room, turns, search));
  if (best.length === inTurn.length) return best;
  offer(pressedAll(kinds, ground, room, turns, search));
  for (let idle = 0; idle < IDLE_ROUNDS && best.length < inTurn.length && !search.isOver(); idle++) {
    for (let kind = 0; kind < kinds.length && !search.isOver(); kind++) {
      for (
        let more = roomFor(kinds, ground, room, best, kind);
        more > 0 && !search.isOver();
        more = Math.floor(more / 2)
      ) {
        const found = withMore(kinds, ground, room, best, kind, more, search);
        if (found && offer(found))
          [idle, more] = [0, 2 * Math.min(more, roomFor(kinds, ground, room, best, kind))];
      }
    }
  }
  return best;
}

/** Whether a layout holds more of the first kind in which the two differ. */
function isMore(kinds: readonly PieceKind[], ground: Ground, laid: readonly Laid[], best: readonly Laid[]): boolean {
  const [own, other] = [countsOf(kinds, ground, laid), countsOf(kinds, ground, best)];
  const first = own.findIndex((count, kind) => count !== itemAt(other, kind));
  return first >= 0 && itemAt(own, first) > itemAt(other, first);
} // prettier-ignore

function countsOf(kinds: readonly PieceKind[], { poses }: Ground, laid: readonly Laid[]): number[] {
  const counts = kinds.map(() => 0);
  for (const { pose } of laid) {
    const { kind } = itemAt(poses, pose);
    counts[kind] = itemAt(counts, kind) + 1;
  }
  return counts;
}

/** Share of the time for which it is tried to lay all pieces. */
const ALL_SHARE = 0.4;

/** Where all pieces go by area, they are laid on a roll and pressed until they end above the end of the piece. */
function pressedAll(kinds: readonly PieceKind[], ground: Ground, room: Room, turns: Turns, search: Search): readonly Laid[] {
  const area = kinds.reduce((sum, { polygon, count }) => sum + count * polygonArea(polygon), 0);
  if (area > room.width * room.length * LIKELY_DENSITY) return [];
  let isEnough = false;
  const quiet: Search = {
    chance: search.chance,
    spent: search.spent,
    isOver: () => isEnough || search.spent() > ALL_SHARE,
    onBetter: (laid) => {
      isEnough = lengthOf(ground, laid) <= room.length;
    },
  };
  const first = firstLayout(kinds, ground, turns, quiet);
  const laid = isEnough ? first : press(ground, first, Math.min(room.length, lengthOf(ground, first)), quiet);
  return lengthOf(ground, laid) <= room.length + 1e-6 ? laid : [];
} // prettier-ignore

/** The first kind by its lattice, as many as go, the others filled in around. */
function fillByLattice(kinds: readonly PieceKind[], ground: Ground, room: Room, turns: Turns, search: Search): Laid[] {
  const [first] = kinds;
  if (!first || ground.used.length > 0) return [];
  let [least, most] = [0, Math.min(first.count, Math.floor((room.width * room.length) / polygonArea(first.polygon)))];
  let rows: Laid[] = [];
  while (least < most && !search.isOver()) {
    const count = Math.ceil((least + most) / 2);
    const laid = inBands([{ ...first, count }], ground, turns, search);
    if (laid.length === count && lengthOf(ground, laid) <= room.length + 1e-6) [least, rows] = [count, laid];
    else most = count - 1;
  }
  const rest = oneByOne(kinds, kinds.map((_, kind) => kind)).slice(rows.length);
  return fillUp(ground, room, rest, 'reach', rows, search.isOver);
} // prettier-ignore

/** So much of the cloth can be used, as a rule: how many more are tried at once. */
const LIKELY_DENSITY = 0.9;

/** How many more pieces of a kind may find room by their area, those of later kinds not counted; at least one where any is left. */
function roomFor(
  kinds: readonly PieceKind[],
  ground: Ground,
  room: Room,
  best: readonly Laid[],
  kind: number,
): number {
  const left = itemAt(kinds, kind).count - itemAt(countsOf(kinds, ground, best), kind);
  const area = [...best, ...ground.used].reduce((sum, { pose }) => {
    const one = itemAt(ground.poses, pose);
    return one.kind <= kind ? sum + polygonArea(one.polygon) : sum;
  }, 0);
  const free = room.width * room.length * LIKELY_DENSITY - area;
  return Math.min(left, Math.max(1, Math.floor(free / polygonArea(itemAt(kinds, kind).polygon))));
}

/** Some more of a kind: they and the kinds before them are moved about until all are clear, the later ones laid anew. */
function withMore(
  kinds: readonly PieceKind[],
  ground: Ground,
  room: Room,
  best: readonly Laid[],
  kind: number,
  more: number,
  search: Search,
): Laid[] | undefined {
  const before = best.filter(({ pose }) => itemAt(ground.poses, pose).kind <= kind);
  const poses = itemAt(ground.posesOf, kind);
  for (let attempt = 0; attempt < ATTEMPTS && !search.isOver(); attempt++) {
    const added = Array.from({ length: more }, () => ({
      pose: itemAt(poses, Math.floor(search.chance() * poses.length)),
      x: search.chance() * room.width,
      y: search.chance() * room.length,
    }));
    const { isClear, laid } = separate(ground, room, [...before, ...added], search.chance, search.isOver);
    if (!isClear) continue;
    const later = oneByOne(kinds, kinds.map((_, index) => index).filter((index) => index > kind)); // prettier-ignore
    return fillUp(ground, room, later, 'reach', laid, search.isOver);
  }
  return undefined;
}
