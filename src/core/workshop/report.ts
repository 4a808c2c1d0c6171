import { itemAt, knownOf } from '../lists';
import {
  analyseBlock,
  findFlatness,
  sideTreatments,
  type BlockDocument,
  type Flatness,
  type Problem,
  type SideTreatment,
} from '../block';
import { findViolations, neighboursOf, type ClothViolation } from '../cloth';
import { boxOf } from '../geometry';
import type { UnitSystem } from '../length';
import { groupKinds, nameKinds, type Hand } from '../shapes';

/** What is to be known of a block while it is being made. */
export interface LiveReport {
  readonly problems: readonly Problem[];
  readonly violations: readonly ClothViolation[];
  readonly flatness: Flatness;
  readonly kindNames: readonly string[];
  /** For each patch of the document the index of its kind, and its hand. */
  readonly kindOf: readonly number[];
  readonly handOf: readonly Hand[];
  /** For each patch the patches that it shares a seam with. */
  readonly neighbours: readonly (readonly number[])[];
  /** For each patch what becomes of its sides. */
  readonly sides: readonly (readonly SideTreatment[])[];
  readonly seams: number;
  readonly seamLengthMm: number;
  readonly innerIntersections: number;
  readonly openEdges: number;
  readonly openLengthMm: number;
  /** Finished size. */
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Works out everything that the seam report shows. Cost: near-linear; see the bench for figures. */
export function liveReport(document: BlockDocument, system: UnitSystem): LiveReport {
  const { patches, rules = [] } = document;
  const { graph, problems } = analyseBlock(patches);
  const { kinds, kindOf, handOf } = groupKinds(patches.map(({ outline }) => outline));
  const at = new Map(patches.map(({ id }, index) => [id, index]));
  // Patches drawn twice are not in the graph: its numbers are not the document's.
  const places = graph.patches.map(({ id }) => knownOf(at, id));
  const neighbours: number[][] = patches.map(() => []);
  neighboursOf(graph).forEach((list, index) => {
    neighbours[itemAt(places, index)] = list.map((other) => itemAt(places, other));
  });
  const sides: SideTreatment[][] = patches.map(() => []);
  sideTreatments(graph).forEach((list, index) => (sides[itemAt(places, index)] = list));
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { outline } of patches) {
    const box = boxOf(outline);
    [minX, minY] = [Math.min(minX, box.minX), Math.min(minY, box.minY)];
    [maxX, maxY] = [Math.max(maxX, box.maxX), Math.max(maxY, box.maxY)];
  }
  return {
    problems,
    violations: findViolations(graph, rules),
    flatness: findFlatness(graph),
    kindNames: nameKinds(kinds, system),
    kindOf: Array.from(kindOf),
    handOf,
    neighbours,
    sides,
    seams: graph.seams.length,
    seamLengthMm: graph.seams.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    innerIntersections: graph.isInner.filter(
      (inner, place) => inner && (graph.seamsAt[place]?.length ?? 0) >= 3,
    ).length,
    openEdges: graph.openEdges.length,
    openLengthMm: graph.openEdges.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    widthMm: patches.length === 0 ? 0 : maxX - minX,
    heightMm: patches.length === 0 ? 0 : maxY - minY,
  };
}
