import type { Outline } from '../geometry';
import { groupKinds, type Hand, type Sorted } from './groupKinds';

/** Stands for the kind of a patch that has no paper. */
export const NO_PAPER = -1;

interface Layered {
  readonly outline: Outline;
  readonly layer: number;
}

/**
 * The background of an appliqué: the one patch that lies alone below all others. It is cloth to cut, not a paper to baste.
 * @returns its index; undefined where there is none
 */
export function backgroundOf(patches: readonly Pick<Layered, 'layer'>[]): number | undefined {
  const base = patches.reduce((least, { layer }) => Math.min(least, layer), Infinity);
  const lowest = patches.flatMap(({ layer }, index) => (layer === base ? [index] : []));
  return lowest.length === 1 && patches.length > 1 ? lowest[0] : undefined;
}

/** Sorts patches into paper kinds and hands, as {@link groupKinds} does; a background has no paper and the kind −1. */
export function groupPapers(patches: readonly Layered[]): Sorted {
  const background = backgroundOf(patches);
  if (background === undefined) return groupKinds(patches.map(({ outline }) => outline));
  const { kinds, kindOf, handOf } = groupKinds(
    patches.filter((_, index) => index !== background).map(({ outline }) => outline),
  );
  const withGap = <T>(list: readonly T[], gap: T) => [
    ...list.slice(0, background),
    gap,
    ...list.slice(background),
  ];
  return {
    kinds,
    kindOf: Int32Array.from(withGap([...kindOf], NO_PAPER)),
    handOf: withGap<Hand>(handOf, 'none'),
  };
}
