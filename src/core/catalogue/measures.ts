import { itemAt } from '../lists';
import { areaOf, boxOf, distance, narrowestBox, perimeterOf, type Outline } from '../geometry';
import { signatureOf } from '../shapes';

/** What a ruler, a protractor and a scale would find on a paper. Lengths in mm, angles in degrees, areas in mm². */
export interface PaperMeasures {
  readonly edgesMm: readonly number[];
  readonly anglesDeg: readonly number[];
  /** Between corners that are no neighbours, each length once, the longest first. */
  readonly diagonalsMm: readonly number[];
  readonly areaMm2: number;
  readonly perimeterMm: number;
  /** Least width of a strip that the paper lies in. */
  readonly widthMm: number;
  /** Length within that strip. */
  readonly lengthMm: number;
  /** Corners below 90°: each leaves a tail. */
  readonly acuteCorners: number;
}

/** Diagonals closer to each other than this are one, mm. */
const SAME_DIAGONAL_MM = 0.05;

/** Measures an outline. */
export function measurePaper(outline: Outline): PaperMeasures {
  const steps = signatureOf(outline);
  const { corners } = outline;
  const diagonals: number[] = [];
  corners.forEach((a, i) => {
    corners.slice(i + 2).forEach((b, offset) => {
      const isNeighbour = i === 0 && offset + 2 === corners.length - 1;
      if (!isNeighbour) diagonals.push(distance(a, b));
    });
  });
  diagonals.sort((p, q) => q - p);
  const { width, length } = narrowestBox(outline);
  return {
    edgesMm: steps.map(({ edgeMm }) => edgeMm),
    anglesDeg: steps.map(({ angleDeg }) => angleDeg),
    diagonalsMm: diagonals.filter((one, i) => i === 0 || itemAt(diagonals, i - 1) - one > SAME_DIAGONAL_MM),
    areaMm2: areaOf(outline),
    perimeterMm: perimeterOf(outline),
    widthMm: width,
    lengthMm: length,
    acuteCorners: steps.filter(({ angleDeg }) => angleDeg < 89.5).length,
  };
}

/** Width and height of the outline's upright box, mm. */
export function sizeOf(outline: Outline): { widthMm: number; heightMm: number } {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return { widthMm: maxX - minX, heightMm: maxY - minY };
}
