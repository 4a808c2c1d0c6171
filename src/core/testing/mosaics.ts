import { itemAt } from '../lists';
import type { Patch } from '../block';

const EDGE = 25.4;
const SIN60 = Math.sin(Math.PI / 3);

/** A patch with straight sides. */
export function patch(id: number, points: readonly (readonly [number, number])[]): Patch {
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
    return patch(i, hexagonAt(x, y));
  });
}

/** Rows of 1″ hexagons that stand on a corner, each row half a hexagon further, or back and forth where it does not lean. */
export function hexagonRows(rows: number, columns: number, leans = false): Patch[] {
  return Array.from({ length: rows * columns }, (_, i) => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    const [x, y] = [EDGE * SIN60 * (2 * column + (leans ? row : row % 2)), EDGE * 1.5 * row];
    return patch(
      i,
      hexagonAt(0, 0).map(([across, down]) => [x - down, y + across]),
    );
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

/** 1″ hexagons in rings round one: 7 for one ring, 19 for two, 37 for three. */
export function rosette(rings: number): Patch[] {
  const patches: Patch[] = [];
  for (let q = -rings; q <= rings; q++) {
    for (let r = -rings; r <= rings; r++) {
      if (Math.abs(q + r) > rings) continue;
      patches.push(patch(patches.length, hexagonAt(EDGE * 1.5 * q, EDGE * SIN60 * (2 * r + q))));
    }
  }
  return patches;
}

/** Diamonds of 360° ÷ n meeting at a point. */
export function starOfDiamonds(points: number): Patch[] {
  const ray = (i: number): readonly [number, number] => {
    const angle = (2 * Math.PI * i) / points;
    return [EDGE * Math.cos(angle), EDGE * Math.sin(angle)];
  };
  return Array.from({ length: points }, (_, i) => {
    const [a, b] = [ray(i), ray(i + 1)];
    return patch(i, [[0, 0], a, [a[0] + b[0], a[1] + b[1]], b]);
  });
}

/** Cubes of three 60° diamonds in rows, every other row half a cube further: each has its three diamonds one after another. */
export function tumblingCubes(columns: number, rows: number): Patch[] {
  return Array.from({ length: columns * rows }, (_, cube) => {
    const [column, row] = [cube % columns, Math.floor(cube / columns)];
    const [x, y] = [(column + (row % 2) / 2) * 2 * SIN60 * EDGE, row * 1.5 * EDGE];
    const at = (k: number): readonly [number, number] => {
      const angle = Math.PI / 6 + (k * Math.PI) / 3;
      return [x + EDGE * Math.cos(angle), y + EDGE * Math.sin(angle)];
    };
    return [0, 2, 4].map((k, i) => ({
      ...patch(3 * cube + i, [[x, y], at(k), at(k + 1), at(k + 2)]),
      fabric: itemAt(['Tar', 'Fog', 'Calico'], i),
    }));
  }).flat();
}

/** A ring of n blades with straight sides. */
export function plate(blades: number, inner = 30, outer = 120): Patch[] {
  const at = (i: number, radius: number): readonly [number, number] => {
    const angle = (2 * Math.PI * i) / blades;
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  };
  return Array.from({ length: blades }, (_, i) =>
    patch(i, [at(i, inner), at(i, outer), at(i + 1, outer), at(i + 1, inner)]),
  );
}

/** A grid of `columns` × `rows` cells of which some are cut in two by a diagonal; `cuts[i]` is 0, 1 or 2. */
export function cutGrid(columns: number, rows: number, cuts: readonly number[]): Patch[] {
  const patches: Patch[] = [];
  const add = (points: readonly (readonly [number, number])[]) => patches.push(patch(patches.length, points));
  for (let cell = 0; cell < columns * rows; cell++) {
    const [x, y, e] = [(cell % columns) * EDGE, Math.floor(cell / columns) * EDGE, EDGE];
    const [nw, ne, se, sw] = [[x, y], [x + e, y], [x + e, y + e], [x, y + e]] as const; // prettier-ignore
    const cut = cuts[cell % cuts.length] ?? 0;
    if (cut === 0) add([nw, ne, se, sw]);
    else {
      add(cut === 1 ? [nw, ne, sw] : [nw, ne, se]);
      add(cut === 1 ? [ne, se, sw] : [nw, se, sw]);
    }
  }
  return patches;
}

/**
 * Rectangles that fill one, by cutting again and again: `cuts` says where. All cuts lie on a
 * grid of 5 mm, so that no contact is shorter than the least seam.
 */
export function partition(
  width: number,
  height: number,
  cuts: readonly { which: number; share: number }[],
): Patch[] {
  const boxes = [{ x: 0, y: 0, w: width, h: height }];
  for (const { which, share } of cuts) {
    const index = which % boxes.length;
    const box = itemAt(boxes, index);
    const isAcross = box.w >= box.h;
    const length = isAcross ? box.w : box.h;
    const at = Math.max(5, Math.min(length - 5, Math.round((length * share) / 5) * 5));
    if (length < 10) continue;
    boxes[index] = isAcross ? { ...box, w: at } : { ...box, h: at };
    boxes.push(
      isAcross ? { ...box, x: box.x + at, w: box.w - at } : { ...box, y: box.y + at, h: box.h - at },
    );
  }
  return boxes.map(({ x, y, w, h }, i) => patch(i, [[x, y], [x + w, y], [x + w, y + h], [x, y + h]])); // prettier-ignore
}

function hexagonAt(x: number, y: number): [number, number][] {
  return [0, 60, 120, 180, 240, 300].map((degrees) => {
    const angle = (degrees * Math.PI) / 180;
    return [x + EDGE * Math.cos(angle), y + EDGE * Math.sin(angle)];
  });
}
