import { findClashes } from '../basting';
import { buildSeamGraph } from '../block';
import { placeBlocks, type SetBlock, type Setting } from '../setting';
import type { SheetPatch } from './blockSheet';

/** A place where tails of two blocks lie over one seam of an edge-to-edge setting. */
export interface JointClash {
  /** Names of the two blocks, with the number of the patch in each. */
  readonly patches: readonly [
    { readonly block: string; readonly number: number },
    { readonly block: string; readonly number: number },
  ];
}

interface FoldedBlock extends SetBlock {
  readonly patches: readonly SheetPatch[];
}

/** Finds clashes of tails on the seams between blocks. With sashing there are none: strips have no tails. */
export function jointClashes(setting: Setting, blocks: readonly FoldedBlock[]): JointClash[] {
  if (setting.joint !== 'edge-to-edge') return [];
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const all = placeBlocks(setting, blocks).flatMap(({ cell, block, patches }) =>
    patches.map((patch, index) => ({
      patch: { ...patch, layer: 0 },
      cell,
      block: block.name,
      number: index + 1,
      tails: byId.get(block.id)?.patches[index]?.tails ?? [],
    })),
  );
  const graph = buildSeamGraph(all.map(({ patch }) => patch));
  const noFold = { order: [], isTucked: false };
  const basted = all.map(({ tails }) => ({ fold: noFold, tails }));
  return findClashes(graph, basted).flatMap(({ seam }): JointClash[] => {
    const [a, b] = (graph.seams[seam]?.patches ?? []).map((patch) => all[patch]);
    if (!a || !b || a.cell === b.cell) return [];
    return [{ patches: [{ block: a.block, number: a.number }, { block: b.block, number: b.number }] }]; // prettier-ignore
  });
}
