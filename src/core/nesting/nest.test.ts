import { areaPathsD, FillRule, intersectD } from 'clipper2-ts';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { makePaper, type Paper } from '../catalogue';
import { swell } from '../cutting';
import { toPolygon, type Point } from '../geometry';
import { chanceFrom } from '../chance';
import { nest, polygonArea, type NestCloth, type PieceKind, type Turns } from '.';

/** Time by counting: so many questions whether it is over, the same on every machine. */
const looks = (most: number) => {
  let asked = 0;
  return () => asked++ / most;
};

const cutOf = (paper: Paper) => swell(toPolygon(makePaper(paper), 0.1), 6.35);
const square = (side: number): Point[] => [
  { x: 0, y: 0 },
  { x: side, y: 0 },
  { x: side, y: side },
  { x: 0, y: side },
];
const roll = (width: number, more: Partial<NestCloth> = {}): NestCloth => ({
  width,
  length: Infinity,
  selvedge: 0,
  turns: 'any',
  used: [],
  ...more,
});

/** The pieces where the result says they lie, by the published formula alone. */
function laid(kinds: readonly PieceKind[], placed: ReturnType<typeof nest>['placed']): Point[][] {
  return placed.map(({ kind, turnDeg, x, y }) => {
    const angle = (turnDeg * Math.PI) / 180;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    return kinds[kind]!.polygon.map((p) => ({ x: p.x * cos - p.y * sin + x, y: p.x * sin + p.y * cos + y }));
  });
}

/** Checks what nesting promises by a clipper, which shares nothing with the placer. */
function check(kinds: readonly PieceKind[], cloth: NestCloth, result: ReturnType<typeof nest>): void {
  const pieces = laid(kinds, result.placed);
  for (const point of pieces.flat()) {
    expect(point.x).toBeGreaterThan(cloth.selvedge - 1e-3);
    expect(point.x).toBeLessThan(cloth.width - cloth.selvedge + 1e-3);
    expect(point.y).toBeGreaterThan(-1e-3);
    expect(point.y).toBeLessThan(Math.min(cloth.length, result.lengthMm) + 1e-3);
  }
  const all = [...pieces, ...cloth.used.map((area) => [...area])];
  pieces.forEach((own, i) =>
    all
      .slice(i + 1)
      .forEach((other) =>
        expect(Math.abs(areaPathsD(intersectD([own], [other], FillRule.NonZero, 4)))).toBeLessThan(0.02),
      ),
  );
  kinds.forEach(({ count }, kind) =>
    expect(result.placed.filter((one) => one.kind === kind).length + result.left[kind]!).toBe(count),
  );
}

const PAPERS: Paper[] = [
  { family: 'regular', sides: 6, edgeMm: 25.4 },
  { family: 'diamond', edgeMm: 38.1, angleDeg: 60 },
  { family: 'half-square-triangle', legMm: 50 },
  { family: 'kite', edgeMm: 40, tipDeg: 60, footDeg: 120 },
  { family: 'clamshell', widthMm: 60 },
  { family: 'rectangle', widthMm: 25, lengthMm: 80 },
];

const mixture = fc
  .uniqueArray(fc.record({ paper: fc.constantFrom(...PAPERS), count: fc.integer({ min: 1, max: 4 }) }), {
    minLength: 1,
    maxLength: 3,
    selector: ({ paper }) => paper.family,
  })
  .map((list) =>
    list.map(({ paper, count }): PieceKind => ({ id: paper.family, polygon: cutOf(paper), count })),
  );

test('nothing lies on anything, all is inside and counted, turns are kept: any mixture, roll or piece, with flaws', () => {
  fc.assert(
    fc.property(
      mixture,
      fc.constantFrom<Turns>('any', 'half', 'none'),
      fc.constantFrom(Infinity, 160),
      fc.boolean(),
      (kinds, turns, length, isFlawed) => {
        const flaw = square(60).map(({ x, y }) => ({ x: x + 90, y: y + 30 }));
        const cloth = roll(260, { selvedge: 10, turns, length, used: isFlawed ? [flaw] : [] });
        const result = nest(kinds, cloth, { spent: looks(16) });
        check(kinds, cloth, result);
        const allowed = { any: undefined, half: [0, 180], none: [0] }[turns];
        if (allowed) for (const { turnDeg } of result.placed) expect(allowed).toContain(turnDeg);
        if (length === Infinity) {
          expect(result.left.every((left) => left === 0)).toBe(true);
          expect(result.boundLengthMm).toBeLessThan(result.lengthMm + 1e-6);
        }
      },
    ),
    { numRuns: 10 },
  );
});

test('when the time is over a piece is filled once and no more, so that slow pieces hold nobody up; with time it is filled better', () => {
  const box = (width: number, height: number) =>
    square(1).map(({ x, y }) => ({ x: x * width, y: y * height }));
  const kinds = [
    { id: 'low', polygon: box(30, 15), count: 1 },
    { id: 'high', polygon: box(35, 45), count: 2 },
  ];
  const piece = roll(70, { length: 70, turns: 'none' });
  let better = 0;
  const hurried = nest(kinds, piece, { spent: () => 1, onBetter: () => void better++ });
  expect([hurried.left, better]).toEqual([[0, 1], 1]);
  expect(nest(kinds, piece, { spent: looks(6) }).left).toEqual([0, 0]);
});

test('squares fill their rows: length, density, bound and strips by hand', () => {
  const kinds = [{ id: 'q', polygon: square(50), count: 12 }];
  const result = nest(kinds, roll(220, { selvedge: 10 }), { spent: looks(50) });
  // 200 mm usable hold four in a row: three rows.
  expect(result.lengthMm).toBeCloseTo(150, 1);
  expect(result.density).toBeCloseTo(1, 3);
  expect(result.boundLengthMm).toBeCloseTo(150, 6);
  expect(result.stripsLengthMm).toBe(150);
});

test('shapes that tile come within 2 % of their lattice on a wide roll', () => {
  for (const paper of [PAPERS[0]!, PAPERS[1]!, { family: 'half-hexagon', edgeMm: 30 } as Paper]) {
    const polygon = [...toPolygon(makePaper(paper))];
    const widths = polygon.map(({ x }) => x);
    // Wide enough that rims cost little, and so many pieces that the last row does.
    const width = 12 * (Math.max(...widths) - Math.min(...widths));
    const result = nest([{ id: 'p', polygon, count: 300 }], roll(width), { spent: looks(5) });
    const area = 300 * polygonArea(polygon);
    const height = Math.sqrt(polygonArea(polygon));
    // Rims: half a piece at either side, one piece above and below.
    expect(result.lengthMm, paper.family).toBeLessThan(1.02 * (area / (width - 0.75 * height) + height));
  }
});

test('more time never makes it worse, and pressing beats the first layout and strips clearly', () => {
  const kinds = PAPERS.slice(0, 4).map((paper, index): PieceKind => ({
    id: `${index}`,
    polygon: cutOf(paper),
    count: 6,
  }));
  const lengths: number[] = [];
  const result = nest(kinds, roll(300), {
    spent: looks(400),
    onBetter: ({ lengthMm }) => lengths.push(lengthMm),
  });
  expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
  expect(lengths.length).toBeGreaterThan(2);
  expect(result.lengthMm).toBe(Math.min(...lengths));
  expect(result.density).toBeGreaterThan(0.74);
  expect(result.lengthMm / result.stripsLengthMm!).toBeLessThan(0.78);
});

test('on a piece the first entries come first, and a start that holds fewer is improved', () => {
  const kinds = [
    { id: 'large', polygon: square(60), count: 9 },
    { id: 'small', polygon: square(20), count: 40 },
  ];
  const cloth = roll(130, { length: 130 });
  const result = nest(kinds, cloth, { spent: looks(500) });
  check(kinds, cloth, result);
  // Two by two large ones, and one strip of 10 mm left: no small one beside.
  expect(result.left).toEqual([5, 40]);
  const wider = nest(kinds, roll(141, { length: 141 }), { spent: looks(500) });
  expect(wider.left).toEqual([5, 27]);
});

test('a request turned by a quarter or with its corners the other way round is laid as well', () => {
  const quarter = (points: readonly Point[]) => points.map(({ x, y }) => ({ x: -y, y: x }));
  const kinds = PAPERS.slice(0, 3).map((paper, index): PieceKind => ({
    id: `${index}`,
    polygon: cutOf(paper),
    count: 5,
  }));
  const lengthOf = (list: readonly PieceKind[]) => nest(list, roll(300), { spent: looks(150) }).lengthMm;
  const turned = kinds.map((kind) => ({ ...kind, polygon: quarter(kind.polygon) }));
  expect(Math.abs(lengthOf(turned) / lengthOf(kinds) - 1)).toBeLessThan(0.12);
});

test('a rectangle cut up at random is put together again', () => {
  const chance = chanceFrom(4);
  let parts: Point[][] = [[{ x: 0, y: 0 }, { x: 200, y: 0 }, { x: 200, y: 150 }, { x: 0, y: 150 }]];
  while (parts.length < 10) {
    const [largest, ...rest] = [...parts].sort((a, b) => polygonArea(b) - polygonArea(a));
    const angle = chance() * Math.PI;
    const middle = { x: largest!.reduce((s, p) => s + p.x, 0) / largest!.length, y: largest!.reduce((s, p) => s + p.y, 0) / largest!.length };
    const side = (sign: number) => largest!.flatMap((p, i, all) => {
      const q = all[(i + 1) % all.length]!;
      const off = ({ x, y }: Point) => sign * ((x - middle.x) * Math.cos(angle) + (y - middle.y) * Math.sin(angle));
      const share = off(p) / (off(p) - off(q));
      return [...(off(p) >= 0 ? [p] : []), ...(off(p) > 0 !== off(q) > 0 ? [{ x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y) }] : [])];
    });
    parts = [side(1), side(-1), ...rest];
  }
  const kinds = parts.map((polygon, index): PieceKind => ({ id: `${index}`, polygon, count: 1 }));
  const result = nest(kinds, roll(200, { turns: 'none' }), { spent: looks(1500) });
  check(kinds, roll(200), result);
  expect(result.density).toBeGreaterThan(0.78);
}); // prettier-ignore
