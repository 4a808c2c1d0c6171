import { itemAt } from '../lists';
import type { Chance } from '../chance';
import { lengthOf, type Ground, type Laid } from './layout';
import type { Search } from './search';
import { separate } from './separate';

/** First step by which a layout is pressed together, as a part of its length, and the last one worth trying. */
const FIRST_PRESS = 0.025;
const LAST_PRESS = 0.002;

/** How often it is tried at one length, two pieces traded each time. */
const ATTEMPTS = 1;

/** More pieces than this are not moved one by one. */
const MOST_MOVED = 500;

/**
 * Presses a layout on a roll shorter and shorter, each time moving apart what then lies on each other.
 * @returns the shortest layout that was found before the search was over
 */
export function press(ground: Ground, first: readonly Laid[], leastLength: number, search: Search): readonly Laid[] {
  if (first.length > MOST_MOVED) return first;
  let best = first;
  let share = FIRST_PRESS;
  while (!search.isOver()) {
    const length = lengthOf(ground, best);
    const wanted = Math.max(leastLength, length * (1 - share));
    if (wanted > length - 1e-6) return best;
    let start = best;
    for (let attempt = 1; attempt <= ATTEMPTS; attempt++) {
      const room = { width: ground.width, length: wanted };
      const { isClear, laid } = separate(ground, room, start, search.chance, search.isOver);
      if (isClear) {
        best = laid;
        search.onBetter?.(best);
        share = Math.min(FIRST_PRESS, share * 1.5);
        break;
      }
      if (search.isOver()) return best;
      start = swapped(ground, laid, search.chance);
      if (attempt === ATTEMPTS) share = Math.max(LAST_PRESS, share / 3);
    }
  }
  return best;
} // prettier-ignore

/** Two pieces of different kinds trade places, so that the search begins elsewhere. */
function swapped({ poses }: Ground, laid: readonly Laid[], chance: Chance): Laid[] {
  const moved = [...laid];
  const i = Math.floor(chance() * laid.length);
  const one = itemAt(laid, i);
  const others = laid.flatMap(({ pose }, k) =>
    itemAt(poses, pose).kind === itemAt(poses, one.pose).kind ? [] : [k],
  );
  if (others.length === 0) return moved;
  const k = itemAt(others, Math.floor(chance() * others.length));
  const other = itemAt(laid, k);
  moved[i] = { ...one, x: other.x, y: other.y };
  moved[k] = { ...other, x: one.x, y: one.y };
  return moved;
}
