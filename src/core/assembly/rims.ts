import { itemAt } from '../lists';
import { Marks, keptFor, type SeamGraph } from '../block';
import { EQUAL_LENGTH_MM, steadyOrder } from '../geometry';

/**
 * The rims of a unit, each as the places on it; the outer one first. Going round a patch, what lies between the end of
 * one of its seams and the start of the next is rim (or a point inside, where the two are one place).
 */
export function rimsOf(
  graph: SeamGraph,
  members: readonly number[],
  seams: readonly number[],
  isInside: (place: number) => boolean,
): number[][] {
  const { isOwn, seen, rounds } = roomFor(graph);
  isOwn.wipe();
  for (const seam of seams) isOwn.add(seam);
  seen.wipe();
  const next = new Map<number, number[]>();
  const link = (a: number, b: number) => {
    const others = next.get(a);
    if (others) others.push(b);
    else next.set(a, [b]);
  };
  for (const patch of members) {
    const round = (rounds[patch] ??= aroundPatch(graph, patch)).filter(({ seam }) => isOwn.has(seam));
    round.forEach(({ to }, i) => {
      const { from } = itemAt(round, (i + 1) % round.length);
      // Between two seams that meet inside the unit there is no rim.
      if (to === from && isInside(to)) return;
      link(to, from);
      if (to !== from) link(from, to);
    });
  }
  const rims: number[][] = [];
  for (const first of next.keys()) {
    if (seen.has(first) || isInside(first)) continue;
    const rim = [first];
    seen.add(first);
    for (const place of rim) {
      for (const other of next.get(place) ?? []) {
        if (seen.has(other)) continue;
        seen.add(other);
        rim.push(other);
      }
    }
    rims.push(rim);
  }
  const least = (rim: readonly number[]) =>
    rim.reduce((x, place) => Math.min(x, itemAt(graph.places, place).x), Infinity);
  return rims.length < 2 ? rims : steadyOrder(rims, least, EQUAL_LENGTH_MM);
}

/** Room for the search, and for each patch that was looked at the seams round it. */
const roomFor = keptFor(({ seams, places, patches }: SeamGraph) => ({
  isOwn: new Marks(seams.length),
  seen: new Marks(places.length),
  rounds: patches.map((): ReturnType<typeof aroundPatch> | undefined => undefined),
}));

/** Seams of a patch in the order in which its outline comes to them, each with the places where it comes and goes. */
export function aroundPatch(
  graph: SeamGraph,
  patch: number,
): { seam: number; from: number; to: number; side: number }[] {
  const { corners } = itemAt(graph.patches, patch).outline;
  const list = (graph.seamsOf[patch] ?? []).map((seam) => {
    const { patches, start, end } = itemAt(graph.seams, seam);
    const isFirst = patches[0] === patch;
    const [come, go] = isFirst ? [start, end] : [end, start];
    const side = come.sides[isFirst ? 0 : 1];
    const corner = itemAt(corners, side);
    const { x, y } = itemAt(graph.places, come.place);
    return { seam, from: come.place, to: go.place, side, along: Math.hypot(x - corner.x, y - corner.y) };
  });
  return list.sort((a, b) => a.side - b.side || a.along - b.along);
}
