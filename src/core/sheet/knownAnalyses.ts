import { LRUCache } from 'lru-cache';
import { analyseBlock, type BlockAnalysis, type Patch } from '../block';

/** Patches of all drawings together that are remembered. */
const MOST_PATCHES = 2000;

const known = new LRUCache<string, BlockAnalysis>({
  maxSize: MOST_PATCHES,
  sizeCalculation: ({ graph }) => graph.patches.length + 1,
});

/**
 * What is found in a drawing, remembered for those seen last. The order that is best without any wish is kept with its graph: each
 * wish of a host is weighed against it, and would have it planned again.
 */
export function analysisOf(patches: readonly Patch[]): BlockAnalysis {
  if (patches.length >= MOST_PATCHES) return analyseBlock(patches);
  const key = JSON.stringify(patches);
  let analysis = known.get(key);
  if (!analysis) known.set(key, (analysis = analyseBlock(patches)));
  return analysis;
}
