import { itemAt } from '../lists';
import { fillUp, type HighUp } from './fillUp';
import { firstLayout, goodOrders, inBands, oneByOne } from './firstLayouts';
import { lengthOf, type Ground, type Laid, type Room } from './layout';
import { polygonArea, type PieceKind, type Turns } from './pieces';
import { press } from './press';
import type { Search } from './search';
import { separate } from './separate';

/** How often one more piece of a kind is tried before the next kind has its turn. */
const ATTEMPTS = 3;

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
    offer(fillUp(ground, room, inTurn, highUp));
    for (const order of goodOrders(kinds, ground))
      offer(fillUp(ground, room, oneByOne(kinds, order), highUp));
    if (search.isOver()) return best;
  }
  offer(fillByLattice(kinds, ground, room, turns, search));
  if (best.length === inTurn.length) return best;
  offer(pressedAll(kinds, ground, room, turns, search));
  for (let idle = 0; idle < IDLE_ROUNDS && best.length < inTurn.length && !search.isOver(); idle++) {
    for (let kind = 0; kind < kinds.length && !search.isOver(); kind++) {
      while (!search.isOver()) {
        const more = oneMore(kinds, ground, room, best, kind, search);
        if (!more || !offer(more)) break;
        idle = 0;
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

/** Where all pieces go by area, they are laid on a roll and pressed until they end above the end of the piece. */
function pressedAll(kinds: readonly PieceKind[], ground: Ground, room: Room, turns: Turns, search: Search): readonly Laid[] {
  const area = kinds.reduce((sum, { polygon, count }) => sum + count * polygonArea(polygon), 0);
  if (area > room.width * room.length) return [];
  let isEnough = false;
  const quiet: Search = {
    chance: search.chance,
    spent: search.spent,
    isOver: () => isEnough || search.isOver(),
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
  return fillUp(ground, room, rest, 'reach', rows);
} // prettier-ignore

/** One more of a kind: it and the kinds before it are moved about until all are clear, the later ones laid anew. */
function oneMore(
  kinds: readonly PieceKind[],
  ground: Ground,
  room: Room,
  best: readonly Laid[],
  kind: number,
  search: Search,
): Laid[] | undefined {
  const counts = countsOf(kinds, ground, best);
  if (itemAt(counts, kind) >= itemAt(kinds, kind).count) return undefined;
  const before = best.filter(({ pose }) => itemAt(ground.poses, pose).kind <= kind);
  const area = before.reduce((sum, { pose }) => sum + polygonArea(itemAt(ground.poses, pose).polygon), 0);
  if (area + polygonArea(itemAt(kinds, kind).polygon) > room.width * room.length) return undefined;
  const poses = itemAt(ground.posesOf, kind);
  for (let attempt = 0; attempt < ATTEMPTS && !search.isOver(); attempt++) {
    const pose = itemAt(poses, Math.floor(search.chance() * poses.length));
    const one = { pose, x: search.chance() * room.width, y: search.chance() * room.length };
    const { isClear, laid } = separate(ground, room, [...before, one], search.chance, search.isOver);
    if (!isClear) continue;
    const later = oneByOne(kinds, kinds.map((_, index) => index).filter((index) => index > kind)); // prettier-ignore
    return fillUp(ground, room, later, 'reach', laid);
  }
  return undefined;
}
