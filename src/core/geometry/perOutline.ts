import type { Outline } from './outlineShape';

/**
 * Keeps what has been worked out of an outline for as long as the outline itself is kept. Outlines never change, and an
 * edit of a block leaves all but a few of them as they were.
 */
export function perOutline<T extends object | number>(
  work: (outline: Outline) => T,
): (outline: Outline) => T {
  const known = new WeakMap<Outline, T>();
  return (outline) => {
    let result = known.get(outline);
    if (result === undefined) {
      result = work(outline);
      known.set(outline, result);
    }
    return result;
  };
}
