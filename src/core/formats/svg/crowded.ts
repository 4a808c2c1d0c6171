import Flatbush from 'flatbush';
import { InvalidInputError } from '../../errors';
import { boxOf, type Outline } from '../../geometry';

/** Most shapes of one layer that may lie over one spot: a drawing with more is a tangle, and would take for ever. */
const MOST_ON_A_SPOT = 100;

/**
 * Refuses outlines of which too many lie over each other.
 * @throws InvalidInputError `crowded`, with the spot
 * Cost: near-linear, by a spatial index; ends at the first spot that is too crowded.
 */
export function refuseCrowd(outlines: readonly Outline[]): void {
  if (outlines.length <= MOST_ON_A_SPOT) return;
  const boxes = outlines.map(boxOf);
  const index = new Flatbush(boxes.length);
  for (const { minX, minY, maxX, maxY } of boxes) index.add(minX, minY, maxX, maxY);
  index.finish();
  for (const { minX, minY, maxX, maxY } of boxes) {
    const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
    if (index.search(x, y, x, y).length <= MOST_ON_A_SPOT) continue;
    throw new InvalidInputError(
      'crowded',
      `More than ${MOST_ON_A_SPOT} shapes of one layer lie over each other near ${x.toFixed(1)} mm, ${y.toFixed(1)} mm.`,
      'Delete the copies, or move them to their places.',
    );
  }
}
