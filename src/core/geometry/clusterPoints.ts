import { SAME_POINT_MM, distance, type Point } from './point';

/**
 * Gives points that are the same place (within {@link SAME_POINT_MM}, chained) one number.
 * @returns one cluster number per point, and a point for each cluster
 * Cost: linear, by a hash grid whose cells are ten times as wide as the tolerance.
 */
export function clusterPoints(points: readonly Point[]): { numbers: Int32Array; places: Point[] } {
  const parent = Int32Array.from(points, (_, index) => index);
  const find = (start: number): number => {
    let root = start;
    while (parent[root] !== root) root = parent[root] as number;
    while (parent[start] !== root) [parent[start], start] = [root, parent[start] as number];
    return root;
  };
  const cells = new Map<number, number[]>();
  points.forEach((point, index) => {
    const { x, y } = point;
    // Most points lie well within their cell: only that is looked into.
    for (let column = cellOf(x - SAME_POINT_MM); column <= cellOf(x + SAME_POINT_MM); column++) {
      for (let row = cellOf(y - SAME_POINT_MM); row <= cellOf(y + SAME_POINT_MM); row++) {
        for (const other of cells.get(keyOf(column, row)) ?? [])
          if (distance(points[other] as Point, point) <= SAME_POINT_MM) parent[find(index)] = find(other);
      }
    }
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
      places.push(points[root] as Point);
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
