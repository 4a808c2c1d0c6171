/** Looking into lists and maps where something is known to be: a wrong index fails there and then, not further on. */

import { InvariantError } from '../errors';

/**
 * What stands at a place of a list that is known to have one there.
 * @throws InvariantError where it has none: an index was reckoned wrongly
 */
export function itemAt<T>(list: ArrayLike<T | undefined>, index: number): T {
  const item = list[index];
  if (item === undefined) throw new InvariantError(`nothing at ${index} of ${list.length}`);
  return item;
}

/** The last of a list that is not empty. @throws InvariantError where it is */
export function lastOf<T>(list: ArrayLike<T | undefined>): T {
  return itemAt(list, list.length - 1);
}

/** What a map holds for a key that is known to be in it. @throws InvariantError where it is not */
export function knownOf<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const value = map.get(key);
  if (value === undefined) throw new InvariantError(`nothing known of ${String(key)}`);
  return value;
}

/**
 * A number of a list that is known to have one there; NaN-free only where that is so. For kernels: always given the same kind of
 * list it runs several times as fast as {@link itemAt}, which sees every kind.
 */
export function floatAt(list: Float64Array, index: number): number {
  return list[index] as number;
}
