import { analyseBlock, type BlockDocument, type Problem } from '../block';
import { deletePatches } from './edit';
import {
  layOver,
  moveOnto,
  moveToNeighbour,
  pullCorners,
  sendGroupHome,
  sendHome,
  slideApart,
  type Mend,
} from './mendMoves';

type Candidate = () => Mend | undefined;

/**
 * Proposes how to put a problem right. Every proposal is tried first: only what leaves fewer problems is offered, and of
 * those of one rank what leaves fewest, and then what changes the fewest papers. Moving papers comes before changing one,
 * and that before appliqué.
 * Cost: that of an analysis of the block for each of up to ten proposals.
 */
export function proposeMend(document: BlockDocument, problem: Problem): Mend | undefined {
  const before = analyseBlock(document.patches).problems.length;
  const was = new Set(document.patches);
  for (const rank of candidates(document, problem)) {
    let best: { mend: Mend; left: number; changed: number } | undefined;
    for (const make of rank) {
      const mend = make();
      if (!mend) continue;
      const { patches } = mend.document;
      const left = analyseBlock(patches).problems.length;
      const changed = patches.filter((patch) => !was.has(patch)).length;
      const isBetter = best
        ? left < best.left || (left === best.left && changed < best.changed)
        : left < before;
      if (isBetter) best = { mend, left, changed };
    }
    if (best) return best.mend;
  }
  return undefined;
}

/** Proposals by rank. */
function candidates(document: BlockDocument, { code, patches: ids }: Problem): Candidate[][] {
  const [first, second] = ids.map((id) => document.patches.findIndex((patch) => patch.id === id));
  if (first === undefined || first < 0) return [];
  if (code === 'unjoined')
    return [[() => sendHome(document, first)], [() => moveToNeighbour(document, first)]];
  if (second === undefined || second < 0) return [];
  const home = [
    () => sendHome(document, second),
    () => sendHome(document, first),
    () => sendGroupHome(document, second, first),
    () => sendGroupHome(document, first, second),
  ];
  switch (code) {
    case 'duplicate':
      return [[() => ({ label: `Delete paper ${second + 1}`, document: deletePatches(document, [second]) })]];
    case 'overlap':
      return [
        [...home, () => slideApart(document, second, first), () => slideApart(document, first, second)],
        [() => layOver(document, second, first), () => layOver(document, first, second)],
      ];
    case 'near-match':
    case 'sliver':
      return [
        [...home, () => moveOnto(document, second, first), () => moveOnto(document, first, second)],
        [() => pullCorners(document, second, first), () => pullCorners(document, first, second)],
      ];
    default:
      return [];
  }
}
