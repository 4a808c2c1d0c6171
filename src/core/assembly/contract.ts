import { itemAt } from '../lists';
import type { Patch, Seam, SeamGraph } from '../block';
import { STRAIGHT_DEG, type Point } from '../geometry';
import { turnAt } from './interface';
import type { Tree } from './tree';

/** A seam graph in which units already made count as one patch each. */
export interface Contracted {
  readonly graph: SeamGraph;
  /** Turns an order of the contracted graph into one of the whole. */
  readonly expand: (tree: Tree) => Tree;
  /** Patches of the whole as members of the contracted graph; undefined when they are no union of whole units. */
  readonly membersOf: (patches: readonly number[]) => readonly number[] | undefined;
}

/**
 * Takes units as single patches, so that the rest is planned round them by the same machinery. The outline of such a
 * patch is only the list of its corners: it says where the unit lies, not what it looks like.
 * @param units trees that together hold each patch of one group once
 */
export function contract(graph: SeamGraph, units: readonly Tree[]): Contracted {
  const unitOf = new Map(units.flatMap(({ members }, i) => members.map((patch) => [patch, i] as const)));
  const seams: Seam[] = [];
  const seamsOf: number[][] = units.map(() => []);
  const seamsAt: number[][] = graph.places.map(() => []);
  for (const seam of graph.seams) {
    const [p, q] = seam.patches.map((patch) => unitOf.get(patch));
    if (p === undefined || q === undefined || p === q) continue;
    const index = seams.push({ ...seam, patches: p < q ? [p, q] : [q, p] }) - 1;
    seamsOf[p]?.push(index);
    seamsOf[q]?.push(index);
    seamsAt[seam.start.place]?.push(index);
    if (seam.end.place !== seam.start.place) seamsAt[seam.end.place]?.push(index);
  }
  const own: SeamGraph = {
    ...graph,
    patches: units.map((unit) => standIn(graph, unit)),
    seams,
    seamsOf,
    seamsAt,
    openEdges: [],
    contacts: [],
    isOfUnits: true,
  };
  const hasLine = seamsAt.map((list, place) =>
    list.some((a, i) => list.slice(i + 1).some((b) => turnAt(own, place, a, b) <= STRAIGHT_DEG)),
  );
  return {
    graph: { ...own, hasLine },
    expand: (tree) => expand(tree, units),
    membersOf: (patches) => {
      const found = new Set(patches.map((patch) => unitOf.get(patch) ?? -1));
      const size = [...found].reduce((sum, unit) => sum + (units[unit]?.members.length ?? 0), 0);
      return size === patches.length && !found.has(-1) ? [...found] : undefined;
    },
  };
}

/** A patch where a unit lies. A turn onto itself must take like units onto each other, so the cloths are named. */
function standIn(graph: SeamGraph, { members }: Tree): Patch {
  const patches = members.map((patch) => itemAt(graph.patches, patch));
  const [first] = patches as [Patch];
  if (patches.length === 1) return first;
  const corners: Point[] = patches.flatMap(({ outline }) => outline.corners);
  const fabric = patches.map((patch) => patch.fabric).sort().join(' '); // prettier-ignore
  return { ...first, fabric, outline: { corners, bulges: corners.map(() => 0) } };
}

function expand({ members, parts, lastPart }: Tree, units: readonly Tree[]): Tree {
  if (!parts) return itemAt(units, itemAt(members, 0));
  const [a, b] = parts.map((part) => expand(part, units)) as [Tree, Tree];
  // In patches the other part may be the larger one.
  const isTurned = b.members.length > a.members.length;
  const last = lastPart === undefined ? undefined : isTurned ? (1 - lastPart as 0 | 1) : lastPart; // prettier-ignore
  return {
    members: isTurned ? [...b.members, ...a.members] : [...a.members, ...b.members],
    parts: isTurned ? [b, a] : [a, b],
    ...(last === undefined ? {} : { lastPart: last }),
  };
}
