import type { SeamGraph } from '../block';

/**
 * A number of bends that no order of work can go below. Round an inner intersection the last join passes through it
 * with two of its seams, so it costs one bend unless two of the seams there lie in one line.
 */
export function bendsBound(graph: SeamGraph): number {
  return innerIntersections(graph).filter((place) => !graph.hasLine[place]).length;
}

/** Places where three or more patches meet, surrounded by cloth. */
export function innerIntersections({ isInner, seamsAt }: SeamGraph): number[] {
  return isInner.flatMap((inner, place) => (inner && (seamsAt[place]?.length ?? 0) >= 3 ? [place] : []));
}
