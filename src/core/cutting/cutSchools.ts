import { boxOfPoints, type Point } from '../geometry';
import { CUTTING_GRID_MM, roundUpToGrid, type UnitSystem } from '../length';
import type { PieceKind } from '../nesting';
import { swell } from './lattice';

/** How closely cloth is cut to its paper. */
export type CutSchool = 'exact' | 'generous' | 'square' | 'strip';

export const CUT_SCHOOLS: readonly (readonly [CutSchool, string])[] = [
  ['exact', 'exact: the project’s allowance all round'],
  ['generous', 'generous: more to turn, trimmed or left'],
  ['square', 'rough squares, or scraps as large'],
  ['strip', 'pieces across strips'],
];

/** A generous allowance, mm: ⅜″, or a centimetre. */
export const GENEROUS_MM: Readonly<Record<UnitSystem, number>> = { inch: 9.525, metric: 10 };

/**
 * The pieces of a bag as a school cuts them: round the paper, more generously, or as what holds them: a square, or a piece across a
 * strip, their sides rounded up to the cutting grid.
 * @param kinds cut outlines with the project’s allowance, mm
 */
export function cutBySchool(
  kinds: readonly PieceKind[],
  school: CutSchool,
  { allowanceMm, system }: { readonly allowanceMm: number; readonly system: UnitSystem },
): PieceKind[] {
  const more = Math.max(0, GENEROUS_MM[system] - allowanceMm);
  return kinds.map((kind) => {
    if (school === 'exact') return kind;
    if (school === 'generous')
      return { ...kind, polygon: more === 0 ? kind.polygon : swell(kind.polygon, more) };
    const { minX, minY, maxX, maxY } = boxOfPoints(narrowest(kind.polygon));
    const [width, height] = [maxX - minX, maxY - minY].map((side) => roundUpToGrid(side, system)) as [number, number]; // prettier-ignore
    const side = Math.max(width, height, CUTTING_GRID_MM[system]);
    return { ...kind, polygon: school === 'square' ? rectangle(side, side) : rectangle(width, height) };
  });
}

const rectangle = (width: number, height: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
];

/** A polygon turned so that its box is narrowest: along one of its sides, as that of any shape is. */
function narrowest(polygon: readonly Point[]): readonly Point[] {
  const turns = polygon.map((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const [cos, sin] = [(b.x - a.x) / length, (b.y - a.y) / length];
    return polygon.map(({ x, y }) => ({ x: cos * x + sin * y, y: cos * y - sin * x }));
  });
  const widthOf = (points: readonly Point[]) => {
    const { minX, minY, maxX, maxY } = boxOfPoints(points);
    return Math.min(maxX - minX, maxY - minY);
  };
  return turns.reduce((best, one) => (widthOf(one) < widthOf(best) - 1e-9 ? one : best), turns[0] ?? polygon);
}
