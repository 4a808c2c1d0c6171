import { FOLD_CONVENTIONS, PLEAT_MM, type FoldConvention } from '../basting';
import { edgesOf, isStraight, type Outline } from '../geometry';
import { formatLength, type UnitSystem } from '../length';

/**
 * How to fold the cloth over a paper, in sentences: what its sides ask for, and the order that was chosen.
 * @param raw how many of the papers have sides that stay raw: there the last fold may have no first one to lie under
 */
export function sayFolds(
  outline: Outline,
  convention: FoldConvention,
  raw: 'none' | 'some' | 'all',
  system: UnitSystem,
): string {
  const edges = edgesOf(outline);
  const curves = edges.filter((edge) => !isStraight(edge));
  if (curves.length === 0) return sayOrder(convention, raw);
  const every = formatLength(PLEAT_MM, system);
  const straight = edges.length - curves.length;
  const bowsOut = curves.some(({ bulge }) => bulge > 0);
  const bowsIn = curves.some(({ bulge }) => bulge < 0);
  return [
    ...(bowsOut ? [`Pleat the cloth every ${every} round the curve, small and even, all one way.`] : []),
    ...(bowsIn
      ? [`Where the curve bows in, clip the allowance every ${every}, not quite to the paper.`]
      : []),
    ...(straight > 0 && convention !== 'curve-only'
      ? [`Then fold the straight ${straight === 1 ? 'side' : 'sides'} over the ends of the pleats.`]
      : []),
    ...(convention === 'curve-only' ? [FOLD_CONVENTIONS[convention].what] : []),
  ].join(' ');
}

/** Which way round the hand goes, that sees the paper side: the mirror of the front. */
const WAYS_ROUND: { readonly [convention in FoldConvention]?: string } = {
  clockwise: 'anticlockwise',
  'counter-clockwise': 'clockwise',
};

function sayOrder(convention: FoldConvention, raw: 'none' | 'some' | 'all'): string {
  const way = WAYS_ROUND[convention];
  if (!way)
    return `Fold so: ${FOLD_CONVENTIONS[convention].name.toLowerCase()}. ${FOLD_CONVENTIONS[convention].what}`;
  const around = `Paper side towards you, fold 1, 2, 3 … as they are numbered (${way})`;
  if (raw === 'all') return `${around}; pass over the dotted sides.`;
  const where = raw === 'some' ? 'pass over the dotted sides; where no side is raw, ' : '';
  return `${around}; ${where}slip the last fold under the first.`;
}
