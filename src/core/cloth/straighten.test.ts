import fc from 'fast-check';
import { expect, test } from 'vitest';
import { isSeenRectangle, projection, straightened, type Pixels, type Quad } from '.';

const point = fc.record({ x: fc.double({ min: -20, max: 20, noNaN: true }), y: fc.double({ min: -20, max: 20, noNaN: true }) }); // prettier-ignore
/** A rectangle of 100 by 80 with its corners pushed about. */
const quads = fc
  .tuple(point, point, point, point)
  .map(([a, b, c, d]): Quad => [
    a,
    { x: 100 + b.x, y: b.y },
    { x: 100 + c.x, y: 80 + c.y },
    { x: d.x, y: 80 + d.y },
  ]);

test('corners go to corners, lines stay lines, and four points in a line keep their cross ratio', () => {
  fc.assert(
    fc.property(quads, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (quad, v) => {
      const at = projection(quad);
      [[0, 0], [1, 0], [1, 1], [0, 1]].forEach(([x = 0, y = 0], index) => {
        expect(at(x, y).x).toBeCloseTo(quad[index]!.x, 6);
        expect(at(x, y).y).toBeCloseTo(quad[index]!.y, 6);
      });
      const line = [0, 0.2, 0.6, 1].map((u) => at(u, v)) as [Point, Point, Point, Point];
      const off = (p: Point) => (line[3].x - line[0].x) * (p.y - line[0].y) - (line[3].y - line[0].y) * (p.x - line[0].x);
      for (const p of line) expect(off(p)).toBeCloseTo(0, 5);
      const far = (a: number, b: number) => Math.hypot(line[a]!.x - line[b]!.x, line[a]!.y - line[b]!.y);
      expect((far(0, 2) * far(1, 3)) / (far(1, 2) * far(0, 3))).toBeCloseTo((0.6 * 0.8) / (0.4 * 1), 6);
    }),
  );
}); // prettier-ignore

interface Point {
  readonly x: number;
  readonly y: number;
}

/** A chequered cloth of four by four fields seen aslant: each pixel asks which field its place is in. */
function photo(quad: Quad): Pixels {
  const [width, height] = [200, 180];
  const data = new Uint8ClampedArray(4 * width * height).fill(128);
  const at = projection(quad);
  for (let i = 0; i < 1600; i++)
    for (let j = 0; j < 1600; j++) {
      const { x, y } = at((i + 0.5) / 1600, (j + 0.5) / 1600);
      const isDark = (Math.floor((4 * i) / 1600) + Math.floor((4 * j) / 1600)) % 2 === 0;
      const place = 4 * (Math.floor(y) * width + Math.floor(x));
      data.set([isDark ? 0 : 255, isDark ? 0 : 255, isDark ? 0 : 255, 255], place);
    }
  return { width, height, data };
}

test('a cloth that was photographed aslant is chequered evenly when it is straightened; one repeat is cut out of it', () => {
  const quad: Quad = [{ x: 30, y: 20 }, { x: 180, y: 35 }, { x: 165, y: 160 }, { x: 12, y: 150 }]; // prettier-ignore
  const picture = photo(quad);
  const lightAt = ({ data, width }: Pixels, x: number, y: number) => data[4 * (y * width + x)] ?? -1;
  const whole = straightened(picture, quad, { x: 0, y: 0, width: 1, height: 1 }, 40, 40);
  for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) expect(lightAt(whole, 10 * i + 5, 10 * j + 5)).toBe((i + j) % 2 === 0 ? 0 : 255);
  // The second field of the first row, and what is below it.
  const part = straightened(picture, quad, { x: 0.25, y: 0, width: 0.25, height: 0.5 }, 10, 20);
  expect([lightAt(part, 5, 5), lightAt(part, 5, 15), part.data.length]).toEqual([255, 0, 800]);
}); // prettier-ignore

test('beyond the rim of a picture its rim goes on; between two pixels it is half of each', () => {
  const picture = { width: 2, height: 1, data: Uint8ClampedArray.from([0, 0, 0, 255, 200, 200, 200, 255]) };
  const quad: Quad = [{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]; // prettier-ignore
  const red = (part: Parameters<typeof straightened>[2], width: number) => [...straightened(picture, quad, part, width, 1).data].filter((_, index) => index % 4 === 0); // prettier-ignore
  expect(red({ x: 0, y: 0, width: 1, height: 1 }, 2)).toEqual([0, 200]);
  expect(red({ x: 0.25, y: 0, width: 0.5, height: 1 }, 1)).toEqual([100]);
  expect(red({ x: -2, y: 0, width: 5, height: 1 }, 5)).toEqual([0, 0, 100, 200, 200]);
});

test('corners that cross, turn the wrong way or lie in a line are no rectangle that is seen', () => {
  const [a, b, c, d] = [{ x: 0, y: 0 }, { x: 10, y: 1 }, { x: 11, y: 9 }, { x: -1, y: 10 }]; // prettier-ignore
  expect(isSeenRectangle([a, b, c, d])).toBe(true);
  for (const wrong of [[a, c, b, d], [d, c, b, a], [a, b, { x: 5, y: 0.6 }, d], [a, a, c, d]] as Quad[]) expect(isSeenRectangle(wrong)).toBe(false); // prettier-ignore
});
