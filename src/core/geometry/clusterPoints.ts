import { itemAt } from '../lists';
import { SAME_POINT_MM, distance, type Point } from './point';

/**
 * Gives points that are the same place (within a tolerance, chained) one number.
 * @param withinMm points this near are one place, mm; at most {@link SAME_POINT_MM}
 * @returns one cluster number per point, and a point for each cluster
 * Cost: linear, by a hash grid whose cells are ten times as wide as the tolerance.
 */
export function clusterPoints(
  points: readonly Point[],
  withinMm = SAME_POINT_MM,
): { numbers: Int32Array; places: Point[] } {
  const parent = Int32Array.from(points, (_, index) => index);
  const find = (start: number): number => {
    let root = start;
    while (parent[root] !== root) root = itemAt(parent, root);
    while (parent[start] !== root) [parent[start], start] = [root, itemAt(parent, start)];
    return root;
  };
  const cells = new Map<number, number[]>();
  points.forEach((point, index) => {
    const { x, y } = point;
    let isRepeated = false;
    // Most points lie well within their cell: only that is looked into.
    for (let column = cellOf(x - withinMm); column <= cellOf(x + withinMm); column++) {
      for (let row = cellOf(y - withinMm); row <= cellOf(y + withinMm); row++) {
        for (const other of cells.get(keyOf(column, row)) ?? []) {
          const apart = distance(itemAt(points, other), point);
          if (apart <= withinMm) parent[find(index)] = find(other);
          if (apart === 0) isRepeated = true;
        }
      }
    }
    // What lies exactly on another point has the same neighbours: however often it is repeated, it is kept once.
    if (isRepeated) return;
    const key = keyOf(cellOf(x), cellOf(y));
    const cell = cells.get(key);
    if (cell) cell.push(index);
    else cells.set(key, [index]);
  });
  return numberClusters(points, find);
}

function numberClusters(points: readonly Point[], find: (index: number) => number) {
  const numbers = new Int32Array(points.length);
  const byRoot = new Map<number, number>();
  const places: Point[] = [];
  points.forEach((_, index) => {
    const root = find(index);
    let number = byRoot.get(root);
    if (number === undefined) {
      number = places.length;
      byRoot.set(root, number);
      places.push(itemAt(points, root));
    }
    numbers[index] = number;
  });
  return { numbers, places };
}

/** Side of a cell of the grid, mm. */
const CELL_MM = 10 * SAME_POINT_MM;

function cellOf(coordinate: number): number {
  return Math.floor(coordinate / CELL_MM);
}

/** One number for a cell of the grid; exact for rows within some kilometres. */
function keyOf(column: number, row: number): number {
  return column * 2 ** 26 + row;
}
