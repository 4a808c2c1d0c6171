import type { Slide } from '../assembly';
import { formatLength, type UnitSystem } from '../length';
import type { Names } from './names';

/** Through which folds the needle slides, in words: “through the fold of Calico hexagon 5 (1″)”; empty where it does not. */
export function sayFoldWay(
  slides: readonly Pick<Slide, 'patch' | 'lengthMm'>[],
  names: Names,
  system: UnitSystem,
): string {
  const [first, second] = slides;
  if (!first) return '';
  const size = (millimetres: number) => formatLength(millimetres, system);
  if (second?.patch === first.patch)
    return `through two folds of ${names.patch(first.patch)} (${size(first.lengthMm)}, then ${size(second.lengthMm)})`;
  const folds = slides.map(({ patch, lengthMm }) => `${names.patch(patch)} (${size(lengthMm)})`);
  return `through the ${folds.length === 1 ? 'fold' : 'folds'} of ${folds.join(', then ')}`;
}
