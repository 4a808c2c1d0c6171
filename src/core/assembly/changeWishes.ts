import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { assertNever } from '../errors';
import type { Apart } from './exactTree';
import type { School } from './schools';
import { joinCost } from './tree';
import { isCrossing, unitKey, type Pin, type Wishes } from './wishes';

/** What a host does to one join of the order shown. */
export type OrderChange =
  | { readonly kind: 'earlier' | 'later' | 'apart' | 'pin' | 'unpin'; readonly join: number }
  | { readonly kind: 'school'; readonly join: number; readonly school: School | undefined }
  /** Puts a join to the place of another. */
  | { readonly kind: 'place'; readonly join: number; readonly at: number };

/** Wishes after the change, or why it cannot be made. */
export type ChangedWishes = { readonly wishes: Wishes; readonly says: string } | { readonly refused: string };

interface Pair {
  readonly left: readonly number[];
  readonly right: readonly number[];
}

/**
 * Turns what a host does to a join into wishes that the planner follows. Moving a join past one that it does not need
 * only changes their order. Moving it past the one that makes one of its own units means that the other unit is sewn to a
 * part of that unit first: that part and the other unit become a unit that is always made.
 * @param joins the order as it is shown
 */
export function changeWishes(
  graph: SeamGraph,
  joins: readonly Pair[],
  wishes: Wishes,
  change: OrderChange,
): ChangedWishes {
  const join = joins[change.join];
  if (!join) return { refused: 'This join is no longer part of the order.' };
  const made = madeBy(join);
  const isOwn = ({ patches }: Pin) => unitKey(patches) === unitKey(made);
  switch (change.kind) {
    case 'earlier':
      return swap(graph, joins, wishes, change.join - 1, change.join);
    case 'later':
      return swap(graph, joins, wishes, change.join, change.join + 1);
    case 'apart':
      return {
        wishes: { ...wishes, apart: [...wishes.apart, [join.left, join.right]] },
        says: 'This join is not made any more; the rest is planned round it.',
      };
    case 'pin':
      return { wishes: withPin(wishes, { patches: made }), says: 'This unit is always made.' };
    case 'unpin':
      return {
        wishes: { ...wishes, pins: wishes.pins.filter((pin) => !isOwn(pin)) },
        says: 'This unit is made only where it serves.',
      };
    case 'school':
      return {
        wishes: withPin(wishes, {
          patches: made,
          ...(change.school === undefined ? {} : { school: change.school }),
        }),
        says: 'This unit is always made, in the way chosen.',
      };
    case 'place':
      return place(joins, wishes, change.join, change.at);
    default:
      return assertNever(change);
  }
}

function madeBy({ left, right }: Pair): readonly number[] {
  return [...left, ...right];
}

/** Makes the second of two neighbouring joins come first. */
function swap(
  graph: SeamGraph,
  joins: readonly Pair[],
  wishes: Wishes,
  index: number,
  next: number,
): ChangedWishes {
  const [first, second] = [joins[index], joins[next]];
  if (!first) return { refused: 'It is the first join already.' };
  if (!second) return { refused: 'It is the last join already.' };
  const unit = madeBy(first);
  const [own, other] =
    unitKey(second.left) === unitKey(unit) ? [second.left, second.right] : [second.right, second.left];
  const isNeeded = unitKey(own) === unitKey(unit);
  if (!isNeeded)
    return { wishes: withBefore(wishes, [madeBy(second), unit]), says: 'The two joins changed places.' };
  const parts = [first.left, first.right]
    .map((part) => ({ part, cost: joinCost(graph, part, other) }))
    .sort((a, b) => a.cost - b.cost);
  const nearest = itemAt(parts, 0);
  if (nearest.cost === Infinity)
    return { refused: 'This join needs the one before it: neither part of that unit touches the other.' };
  const patches = [...nearest.part, ...other];
  return {
    wishes: withPin(wishes, { patches }),
    says: `${patches.length} patches are joined to a unit first; the rest is planned round it.`,
  };
}

/** Moves a join over several others: as far as the joins that it needs, or that need it, allow. */
function place(joins: readonly Pair[], wishes: Wishes, join: number, at: number): ChangedWishes {
  const other = joins[at];
  if (!other || at === join) return { refused: 'It stands there already.' };
  const [first, second] = at < join ? [join, at] : [at, join];
  const [early, late] = [itemAt(joins, first), itemAt(joins, second)];
  if (needs(joins, first).has(second))
    return {
      refused:
        at < join
          ? 'This join needs the unit that is made there. Move it earlier step by step to take that unit apart.'
          : 'The join there needs the unit that this one makes. Move this one later step by step.',
    };
  return {
    wishes: withBefore(wishes, [madeBy(early), madeBy(late)]),
    says: 'The join stands there now, with what it needs.',
  };
}

/** The joins that one needs, directly or not. */
function needs(joins: readonly Pair[], join: number): ReadonlySet<number> {
  const maker = new Map(joins.map((one, index) => [unitKey(madeBy(one)), index]));
  const found = new Set([join]);
  for (const at of found) {
    for (const unit of [joins[at]?.left ?? [], joins[at]?.right ?? []]) {
      const made = maker.get(unitKey(unit));
      if (made !== undefined) found.add(made);
    }
  }
  found.delete(join);
  return found;
}

/** A pin more; those that cannot be followed with it go. */
function withPin(wishes: Wishes, pin: Pin): Wishes {
  const key = unitKey(pin.patches);
  const kept = wishes.pins.filter(
    ({ patches }) => unitKey(patches) !== key && !isCrossing(patches, pin.patches),
  );
  return { ...wishes, pins: [...kept, pin] };
}

/** An order of two units more, in place of the contrary one. */
function withBefore(wishes: Wishes, pair: Apart): Wishes {
  const [a, b] = pair.map(unitKey);
  const isSame = (other: Apart, p: string | undefined, q: string | undefined) =>
    unitKey(other[0]) === p && unitKey(other[1]) === q;
  const kept = wishes.before.filter((other) => !isSame(other, b, a) && !isSame(other, a, b));
  // Taking the contrary wish back may be all that is needed, but only the planner knows: the new one is kept as well.
  return { ...wishes, before: [...kept, pair] };
}
