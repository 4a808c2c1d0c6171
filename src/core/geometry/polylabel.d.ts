declare module 'polylabel' {
  /** The point inside a polygon (rings of [x, y]) that is farthest from its rim, with its `distance`. */
  export default function polylabel(
    polygon: readonly (readonly (readonly [number, number])[])[],
    precision?: number,
  ): [number, number] & { distance: number };
}
