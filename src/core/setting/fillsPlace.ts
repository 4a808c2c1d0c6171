import type { Patch } from '../block';
import { areaOf, boxOfPoints, toPolygon } from '../geometry';
import type { BlockEnding } from './blockEndings';

/** A block that leaves more than this beside it in its place does not fill it, mm. */
const SPARE_MM = 1;
/** Patches that cover this share of their box are a rectangle, but for what drawing rounds. */
const WHOLE_SHARE = 0.995;

/** Whether the lowest layer of a block is a rectangle as large as its place: then its sides are joined, else it is sewn onto a square. */
export function fillsPlace(
  patches: readonly Pick<Patch, 'outline' | 'layer'>[],
  { widthMm, heightMm }: Pick<BlockEnding, 'widthMm' | 'heightMm'>,
): boolean {
  const base = Math.min(...patches.map(({ layer }) => layer));
  const own = patches.filter(({ layer }) => layer === base);
  const { minX, minY, maxX, maxY } = boxOfPoints(own.flatMap(({ outline }) => toPolygon(outline, 0.1)));
  const [wide, high] = [maxX - minX, maxY - minY];
  const area = own.reduce((sum, { outline }) => sum + areaOf(outline), 0);
  const isLarge = widthMm - wide <= SPARE_MM && heightMm - high <= SPARE_MM;
  return isLarge && area >= wide * high * WHOLE_SHARE;
}
