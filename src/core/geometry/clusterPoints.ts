import { SAME_POINT_MM, type Point } from './point';

/**
 * Gives points that are the same place (within {@link SAME_POINT_MM}, chained) one number.
 * @returns one cluster number per point, and a point for each cluster
 * Cost: linear, by a hash grid whose cells are as wide as the tolerance.
 */
export function clusterPoints(points: readonly Point[]): { numbers: Int32Array; places: Point[] } {
  const parent = Int32Array.from(points, (_, index) => index);
  const find = (start: number): number => {
    let root = start;
    while (parent[root] !== root) root = parent[root] as number;
    while (parent[start] !== root) [parent[start], start] = [root, parent[start] as number];
    return root;
  };
  const cells = new Map<string, number[]>();
  points.forEach((point, index) => {
    const [column, row] = [Math.floor(point.x / SAME_POINT_MM), Math.floor(point.y / SAME_POINT_MM)];
    for (let dx = -1; dx <= 1; dx++) {
      for (let dy = -1; dy <= 1; dy++) {
        for (const other of cells.get(`${column + dx},${row + dy}`) ?? []) {
          const near = points[other] as Point;
          if (Math.hypot(near.x - point.x, near.y - point.y) <= SAME_POINT_MM)
            parent[find(index)] = find(other);
        }
      }
    }
    const key = `${column},${row}`;
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
