import type { Patch } from '@/core/block';

const EDGE = 25.4;
const SIN60 = Math.sin(Math.PI / 3);

function patch(id: number, points: readonly (readonly [number, number])[]): Patch {
  return {
    id: `p${id}`,
    outline: { corners: points.map(([x, y]) => ({ x, y })), bulges: points.map(() => 0) },
    fabric: id % 2 ? 'Tar' : 'Calico',
    layer: 0,
  };
}

/** About `count` 1″ hexagons in a square field. */
export function hexagonMosaic(count: number): Patch[] {
  const side = Math.round(Math.sqrt(count));
  return Array.from({ length: side * side }, (_, i) => {
    const [q, r] = [i % side, Math.floor(i / side)];
    const [x, y] = [EDGE * 1.5 * q, EDGE * SIN60 * (2 * r + (q % 2))];
    const corners = [0, 60, 120, 180, 240, 300].map((degrees) => {
      const angle = (degrees * Math.PI) / 180;
      return [x + EDGE * Math.cos(angle), y + EDGE * Math.sin(angle)] as const;
    });
    return patch(i, corners);
  });
}

/** About `count` squares, half-square triangles and rectangles, with T-junctions between them. */
export function mixedMosaic(count: number): Patch[] {
  const side = Math.max(2, Math.round(Math.sqrt(count / 2)));
  const patches: Patch[] = [];
  for (let i = 0; i < side * side; i++) {
    const [column, row] = [i % side, Math.floor(i / side)];
    const [x, y, e] = [column * EDGE, row * EDGE, EDGE];
    const third = e * (row % 2 ? 1 / 3 : 0.5);
    const pieces =
      (column + row) % 2
        ? [
            [
              [x, y],
              [x + e, y],
              [x, y + e],
            ],
            [
              [x + e, y],
              [x + e, y + e],
              [x, y + e],
            ],
          ]
        : [
            [
              [x, y],
              [x + e, y],
              [x + e, y + third],
              [x, y + third],
            ],
            [
              [x, y + third],
              [x + e, y + third],
              [x + e, y + e],
              [x, y + e],
            ],
          ];
    for (const corners of pieces as [number, number][][]) patches.push(patch(patches.length, corners));
  }
  return patches;
}
