import { boxOfPoints, type Point } from '../geometry';
import { InvalidInputError } from '../errors';

/** A piece of printed cloth, mm; x from selvedge to selvedge. */
export interface FussyCloth {
  readonly width: number;
  readonly length: number;
  readonly selvedge: number;
}

/** How a print repeats: motif points at offset + (i·width, j·height), odd columns half a height lower where it is a half drop. */
export interface Repeat {
  readonly width: number;
  readonly height: number;
  readonly isHalfDrop: boolean;
  readonly offset: Point;
}

/** More places than this are not searched. */
export const MOST_PLACES = 20_000;

/** Slack that keeps what fits exactly from being left out by rounding, mm. */
const SLACK_MM = 1e-6;

/**
 * All motif points at which the whole cut outline lies on the cloth between its selvedges, row by row.
 * @param outline the cut outline about the motif point as origin
 * @throws InvalidInputError `request` where there are more than {@link MOST_PLACES}
 */
export function placesOf(cloth: FussyCloth, repeat: Repeat, outline: readonly Point[]): Point[] {
  const { minX, minY, maxX, maxY } = boxOfPoints(outline);
  const [left, right] = [cloth.selvedge - minX - SLACK_MM, cloth.width - cloth.selvedge - maxX + SLACK_MM];
  const [top, low] = [-minY - SLACK_MM, cloth.length - maxY + SLACK_MM];
  if (right < left || low < top) return [];
  if (((right - left) / repeat.width) * ((low - top) / repeat.height) > MOST_PLACES)
    throw new InvalidInputError('request', `repeat: a repeat of ${repeat.width} × ${repeat.height} mm gives more than ${MOST_PLACES} places on this cloth.`, 'Measure from one motif to the next one like it, in millimetres.'); // prettier-ignore
  const places: Point[] = [];
  for (let i = Math.ceil((left - repeat.offset.x) / repeat.width); ; i++) {
    const x = repeat.offset.x + i * repeat.width;
    if (x > right) break;
    const from = repeat.offset.y + (repeat.isHalfDrop && i % 2 !== 0 ? repeat.height / 2 : 0);
    for (let j = Math.ceil((top - from) / repeat.height); from + j * repeat.height <= low; j++)
      places.push({ x, y: from + j * repeat.height });
  }
  return places.sort((a, b) => a.y - b.y || a.x - b.x);
}
