import type { Patch } from './patch';
import { findMismatches, findOverlaps, type Problem } from './problems';
import { buildSeamGraph, type SeamGraph } from './seamGraph';

export interface BlockAnalysis {
  /** Patches drawn twice are left out. */
  readonly graph: SeamGraph;
  readonly problems: readonly Problem[];
}

/** Drops patches drawn twice, builds the seam graph of the rest and reports what is wrong with the drawing. */
export function analyseBlock(patches: readonly Patch[]): BlockAnalysis {
  const { problems, duplicates } = findOverlaps(patches);
  const kept = patches.filter((_, index) => !duplicates.has(index));
  const graph = buildSeamGraph(kept);
  return { graph, problems: [...problems, ...findMismatches(graph)] };
}
