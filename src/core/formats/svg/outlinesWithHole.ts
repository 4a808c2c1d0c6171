import { itemAt } from '../../lists';
import Flatbush from 'flatbush';
import { overlapOf } from '../../booleans';
import { areaOf, boxOf, type Outline } from '../../geometry';

/** Numbers of the outlines of one path that have another of them inside: those have a hole. */
export function outlinesWithHole(outlines: readonly Outline[]): Set<number> {
  const withHole = new Set<number>();
  if (outlines.length < 2) return withHole;
  const boxes = outlines.map(boxOf);
  const index = new Flatbush(boxes.length);
  for (const { minX, minY, maxX, maxY } of boxes) index.add(minX, minY, maxX, maxY);
  index.finish();
  outlines.forEach((inner, own) => {
    const { minX, minY, maxX, maxY } = itemAt(boxes, own);
    for (const other of index.search(minX, minY, maxX, maxY)) {
      const outer = itemAt(outlines, other);
      if (other === own || areaOf(outer) <= areaOf(inner)) continue;
      if (overlapOf(outer, inner).area > areaOf(inner) / 2) withHole.add(other);
    }
  });
  return withHole;
}
