import { toPolygon } from '../geometry';
import { itemAt } from '../lists';
import type { PieceKind } from '../nesting';
import { groupPapers, NO_PAPER } from '../shapes';
import type { Patch } from '../block';
import { swell } from './lattice';

/** Curves are taken this much too large at most, mm. */
const SAG_MM = 0.1;

/** How much larger a background is cut on every side than it is sewn, mm, allowance not counted. */
interface CutSettings {
  readonly allowanceMm: number;
  readonly backgroundMoreMm: number;
}

/**
 * The pieces of one cloth that a bag takes, as they are cut round the papers: outline and allowance, as seen from the right side.
 * The two hands of a paper are two shapes, because cloth is not turned over. Ids are `kind` or `kind L`, `kind R`.
 * @param names of the kinds of papers, in their order
 */
export function cutPieces(
  patches: readonly Patch[],
  fabric: string,
  names: readonly string[],
  { allowanceMm, backgroundMoreMm }: CutSettings,
): PieceKind[] {
  const { kindOf, handOf } = groupPapers(patches);
  const pieces = new Map<string, PieceKind>();
  patches.forEach((patch, index) => {
    if (patch.fabric !== fabric) return;
    const kind = itemAt(kindOf, index);
    const hand = itemAt(handOf, index);
    const name = kind === NO_PAPER ? 'background' : itemAt(names, kind);
    const id = hand === 'none' ? name : `${name} ${hand}`;
    const known = pieces.get(id);
    if (known) {
      pieces.set(id, { ...known, count: known.count + 1 });
      return;
    }
    const more = allowanceMm + (kind === NO_PAPER ? backgroundMoreMm : 0);
    pieces.set(id, { id, count: 1, polygon: swell(toPolygon(patch.outline, SAG_MM), more) });
  });
  return [...pieces.values()];
}
