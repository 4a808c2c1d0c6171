import type { Slide } from '../assembly';
import { formatLength, type UnitSystem } from '../length';

/** Through which folds the needle slides, in words: “through the fold of patch 5 (1″)”; empty where it does not. */
export function sayFoldWay(slides: readonly Pick<Slide, 'patch' | 'lengthMm'>[], system: UnitSystem): string {
  if (slides.length === 0) return '';
  const folds = slides.map(({ patch, lengthMm }) => `patch ${patch + 1} (${formatLength(lengthMm, system)})`);
  return `through the ${folds.length === 1 ? 'fold' : 'folds'} of ${folds.join(', then ')}`;
}
