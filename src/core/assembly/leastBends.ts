import { itemAt, knownOf } from '../lists';
import type { SeamGraph } from '../block';
import { STRAIGHT_DEG } from '../geometry';
import { bendsBound, innerIntersections } from './bendsBound';
import { farPlace, turnAt } from './interface';

/** An inner point where one patch passes straight by the seam between two others. */
interface Junction {
  /** The seam that ends there. */
  readonly stem: number;
  /** The two seams in line. */
  readonly arms: readonly [number, number];
}

/** Rounds of looking for circles: short ones first, so that many fit beside each other. */
const MOST_STEPS = [4, 8, 16];

/**
 * A number of bends that no order can go below; it is never lower than {@link bendsBound}. Added are corners within a
 * seam between two patches, which every order sews round, and vicious circles: at a junction without a bend the stem is
 * sewn before the two arms, and these in one join. Where such demands go round in a circle (four rectangles round a
 * square, say) one of its junctions costs a bend. Circles that share no junction are counted, found greedily.
 * Cost: near-linear, since only short circles are looked for.
 */
export function leastBends(graph: SeamGraph): number {
  const within = graph.seams.reduce((sum, { innerBends }) => sum + innerBends.length, 0);
  return bendsBound(graph) + within + viciousCircles(graph);
}

function viciousCircles(graph: SeamGraph): number {
  const junctions = innerIntersections(graph).flatMap((place) => junctionAt(graph, place) ?? []);
  const of = new Map<number, number[]>();
  junctions.forEach(({ stem, arms }, junction) => {
    for (const seam of [stem, ...arms]) of.set(seam, [...(of.get(seam) ?? []), junction]);
  });
  const used = new Set<number>();
  let circles = 0;
  for (const steps of MOST_STEPS) {
    junctions.forEach((_, first) => {
      const circle = used.has(first) ? undefined : circleFrom(junctions, of, used, first, steps);
      if (!circle) return;
      for (const junction of circle) used.add(junction);
      circles += 1;
    });
  }
  return circles;
}

function junctionAt(graph: SeamGraph, place: number): Junction | undefined {
  const seams = itemAt(graph.seamsAt, place);
  // A seam that comes back to its own start meets itself there.
  if (seams.length !== 3 || seams.some((seam) => farPlace(itemAt(graph.seams, seam), place) === place))
    return undefined;
  const [a, b, c] = seams as [number, number, number];
  const pairs = [[a, b, c], [a, c, b], [b, c, a]] as const; // prettier-ignore
  const straight = pairs.filter(([p, q]) => turnAt(graph, place, p, q) <= STRAIGHT_DEG);
  const [only] = straight;
  return straight.length === 1 && only ? { stem: only[2], arms: [only[0], only[1]] } : undefined;
}

/** The junctions of a circle of demands that begins at one: from its arms on to its stem; undefined if none is short. */
function circleFrom(
  junctions: readonly Junction[],
  of: ReadonlyMap<number, readonly number[]>,
  used: ReadonlySet<number>,
  first: number,
  most: number,
): readonly number[] | undefined {
  const { stem, arms } = itemAt(junctions, first);
  const cameBy = new Map<number, { readonly from: number; readonly junction: number }>();
  for (const arm of arms) cameBy.set(arm, { from: -1, junction: first });
  let level: number[] = [...arms];
  for (let step = 0; step < most && level.length > 0; step++) {
    const next: number[] = [];
    for (const seam of level) {
      for (const junction of of.get(seam) ?? []) {
        if (used.has(junction) || junction === first) continue;
        for (const onward of itemAt(junctions, junction).arms) {
          if (cameBy.has(onward)) continue;
          cameBy.set(onward, { from: seam, junction });
          if (onward === stem) return walkBack(cameBy, stem);
          next.push(onward);
        }
      }
    }
    level = next;
  }
  return undefined;
}

function walkBack(
  cameBy: ReadonlyMap<number, { readonly from: number; readonly junction: number }>,
  end: number,
): number[] {
  const circle: number[] = [];
  for (let seam = end; seam >= 0;) {
    const { from, junction } = knownOf(cameBy, seam);
    circle.push(junction);
    seam = from;
  }
  return circle;
}
