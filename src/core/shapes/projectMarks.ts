import type { Outline } from '../geometry';
import type { UnitSystem } from '../length';
import { groupKinds } from './groupKinds';
import { nameKinds } from './nameKinds';
import { proposeMarks, type ChosenMark, type MarkedPaper } from './paperMarks';

/**
 * The papers of a project that bear a mark, so that look-alikes are told apart.
 * @param outlines of all patches of the project, block by block
 * @param chosen marks that the host chose instead of the proposed ones
 */
export function projectMarks(
  outlines: readonly Outline[],
  chosen: readonly ChosenMark[],
  system: UnitSystem,
): MarkedPaper[] {
  const { kinds } = groupKinds(outlines);
  const names = nameKinds(kinds, system);
  const papers = kinds.map(({ outline, isHanded }, i) => ({ name: names[i] ?? '', outline, isHanded }));
  return proposeMarks(papers, chosen).flatMap((mark, i) => {
    const outline = kinds[i]?.outline;
    return mark && outline ? [{ outline, mark }] : [];
  });
}
