import type { IdleWish, School, WishList, Wishes } from '../assembly';
import type { OrderChoices, Patch, UnitPair } from '../block';

/** Wishes by patch index, those that cannot be read so, and how both are numbered in the document. */
export interface ReadWishes {
  readonly wishes: Wishes;
  /** Wishes that name patches which are no longer there, by their number in the document. */
  readonly idle: readonly IdleWish[];
  /** The document's number of a wish that the planner numbers anew. */
  readonly numberOf: (wish: WishList, index: number) => number;
}

const GONE = 'Some of its patches are no longer in the block.';

/** Reads what a host wants of the order for the patches as they are now. */
export function wishesOf(patches: readonly Patch[], order: OrderChoices | undefined): ReadWishes {
  const place = new Map(patches.map(({ id }, index) => [id, index]));
  const unit = (ids: readonly string[]) => {
    const found = ids.map((id) => place.get(id));
    return found.includes(undefined) ? undefined : (found as number[]);
  };
  const idle: IdleWish[] = [];
  const numbers: Record<WishList, number[]> = { pins: [], apart: [], before: [] };
  const read = <T, R>(wish: WishList, list: readonly T[] = [], one: (from: T) => R | undefined): R[] =>
    list.flatMap((from, index) => {
      const own = one(from);
      if (own === undefined) idle.push({ wish, index, why: GONE });
      else numbers[wish].push(index);
      return own === undefined ? [] : [own];
    });
  const pair = ([a, b]: UnitPair) => {
    const [left, right] = [unit(a), unit(b)];
    return left && right ? ([left, right] as const) : undefined;
  };
  const wishes: Wishes = {
    pins: read('pins', order?.pins, ({ patches: ids, school }) => {
      const own = unit(ids);
      return own && { patches: own, ...(school === undefined ? {} : { school: school as School }) };
    }),
    apart: read('apart', order?.apart, pair),
    before: read('before', order?.before, pair),
    ...(order?.isBatched === undefined ? {} : { isBatched: order.isBatched }),
  };
  return { wishes, idle, numberOf: (wish, index) => numbers[wish][index] ?? index };
}

/** What a host wants of the order, by patch ids; undefined when it is what is proposed anyway. */
export function orderOf(
  patches: readonly Patch[],
  order: Pick<OrderChoices, 'school' | 'applique' | 'isBatched' | 'policy' | 'sewing'> | undefined,
  wishes: Wishes,
): OrderChoices | undefined {
  const ids = (unit: readonly number[]) => unit.map((patch) => patches[patch]?.id as string);
  const pair = ([a, b]: readonly [readonly number[], readonly number[]]): UnitPair => [ids(a), ids(b)];
  const { school = 'best', applique, isBatched, policy, sewing } = order ?? {};
  const { pins, apart, before } = wishes;
  const isProposed = school === 'best' && !applique && !policy && !sewing && isBatched === undefined;
  if (isProposed && pins.length + apart.length + before.length === 0) return undefined;
  return {
    school,
    ...(pins.length === 0
      ? {}
      : { pins: pins.map(({ patches: unit, ...one }) => ({ ...one, patches: ids(unit) })) }),
    ...(apart.length === 0 ? {} : { apart: apart.map(pair) }),
    ...(before.length === 0 ? {} : { before: before.map(pair) }),
    ...(applique ? { applique } : {}),
    ...(isBatched === undefined ? {} : { isBatched }),
    ...(policy ? { policy } : {}),
    ...(sewing ? { sewing } : {}),
  };
}
