import fc from 'fast-check';
import { expect, test } from 'vitest';
import { partition } from '../testing';
import { blockJoints, defaultSetting, layOutTop, placeBlocks, shareStrips, type Setting } from '.';

const INCH = 25.4;
const sizes = (count: number) => Array.from({ length: count }, (_, i) => ({ id: `b${i}`, widthMm: 12 * INCH, heightMm: 12 * INCH })); // prettier-ignore
const nine = defaultSetting(sizes(9), 3, INCH);

test('nine blocks in reading order: four sides, then three, then two, and nothing left over', () => {
  const { shares, layout, leftOver } = shareStrips(nine);
  expect(layout.strips.filter(({ kind }) => kind !== 'cornerstone')).toHaveLength(4 * 3 + 3 * 4);
  expect(layout.strips.filter(({ kind }) => kind === 'cornerstone')).toHaveLength(16);
  expect(shares.map(({ horizontal, vertical }) => horizontal + vertical)).toEqual([
    4, 3, 3, 3, 2, 2, 3, 2, 2,
  ]);
  expect(shares.map(({ cornerstones }) => cornerstones)).toEqual([4, 2, 2, 2, 1, 1, 2, 1, 1]);
  expect(leftOver).toEqual([]);
  expect([layout.widthMm / INCH, layout.heightMm / INCH]).toEqual([
    expect.closeTo(42, 9),
    expect.closeTo(42, 9),
  ]);
});

test('for any order of making and either school every strip is given out once, to a block that it touches', () => {
  const order = fc.shuffledSubarray(nine.making as string[]);
  fc.assert(
    fc.property(
      order,
      fc.constantFrom('first', 'later'),
      fc.constantFrom('grid', 'offset'),
      fc.boolean(),
      (making, school, layout, hasCornerstones) => {
        const cells = layOutTop({ ...nine, layout, hasCornerstones }).cells.length;
        const places = Array.from({ length: cells }, (_, i) => `b${i}`);
        const setting: Setting = { ...nine, layout, places, making, school, hasCornerstones };
        const { shares, layout: top, leftOver } = shareStrips(setting);
        const given = shares.flatMap(({ strips }) => strips);
        expect(new Set(given).size).toBe(given.length);
        expect([...given, ...leftOver].sort()).toEqual(top.strips.map(({ id }) => id).sort());
        const rank = new Map(shares.map(({ cell }, i) => [cell, i]));
        for (const { cell, strips } of shares) {
          for (const id of strips) {
            const ranks = top.strips.find((one) => one.id === id)!.touches.map((one) => rank.get(one)!);
            expect(rank.get(cell)).toBe(school === 'first' ? Math.min(...ranks) : Math.max(...ranks));
          }
        }
      },
    ),
  );
});

test('cells and strips fill the top without gap or overlap, in grids and in offset rows', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 6 }),
      fc.integer({ min: 1, max: 5 }),
      fc.constantFrom('grid', 'offset'),
      fc.boolean(),
      fc.constantFrom('sashing', 'edge-to-edge'),
      (columns, rows, layout, hasCornerstones, joint) => {
        const setting: Setting = {
          ...nine,
          columns,
          rows,
          layout,
          joint,
          hasCornerstones,
          cellWidthMm: 200,
          cellHeightMm: 150,
          sashMm: 30,
        };
        const top = layOutTop(setting);
        const pieces = [...top.cells, ...top.strips];
        const area = pieces.reduce((sum, { width, height }) => sum + width * height, 0);
        expect(area).toBeCloseTo(top.widthMm * top.heightMm, 4);
        pieces.forEach((a, i) => {
          for (const b of pieces.slice(i + 1)) {
            const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
            const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
            expect(Math.min(across, down)).toBeLessThan(1e-6);
          }
        });
      },
    ),
    { numRuns: 60 },
  );
});

/** A block of two halves of one cloth, 100 mm wide and high. */
const block = (id: string, fabric: string) => ({ id, name: id, patches: partition(100, 100, [{ which: 0, share: 0.5 }]).map((one) => ({ ...one, fabric })) }); // prettier-ignore

test('blocks edge to edge are sewn to each other; a cloth that meets itself across the joint is named', () => {
  const setting: Setting = {
    ...nine,
    columns: 2,
    rows: 1,
    joint: 'edge-to-edge',
    cellWidthMm: 100,
    cellHeightMm: 100,
    places: ['a', 'b'],
  };
  const [joint, ...others] = blockJoints(placeBlocks(setting, [block('a', 'Fog'), block('b', 'Fog')]));
  expect(others).toEqual([]);
  expect(joint).toMatchObject({
    cells: [0, 1],
    lengthMm: expect.closeTo(100, 6),
    facing: [{ fabric: 'Fog', patches: ['0:p1', '1:p0'] }],
  });
  const [apart] = placeBlocks({ ...setting, cellWidthMm: 130 }, [block('a', 'Fog')]);
  expect(apart?.spareWidthMm).toBeCloseTo(15, 6);
  expect(
    blockJoints(placeBlocks({ ...setting, cellWidthMm: 130 }, [block('a', 'Fog'), block('b', 'Tar')])),
  ).toEqual([]);
});

test('a half block lies with its cut side at the rim of the top, a whole one in the middle of its place, each half-way down', () => {
  const setting: Setting = { ...nine, layout: 'offset', columns: 3, rows: 2 };
  const { cells } = layOutTop(setting);
  const placed = placeBlocks({ ...setting, places: cells.map(() => 'a') }, [block('a', 'Fog')]);
  const sides = placed.map(({ patches, cell }) => {
    const xs = patches.flatMap(({ outline }) => outline.corners.map(({ x }) => x - cells[cell]!.x));
    const ys = patches.flatMap(({ outline }) => outline.corners.map(({ y }) => y - cells[cell]!.y));
    const { half, width, height } = cells[cell]!;
    const [before, after] = [Math.min(...xs), width - Math.max(...xs)].map(Math.round);
    expect(Math.min(...ys)).toBeCloseTo(height - Math.max(...ys), 6);
    return { half, before, after };
  });
  // Of a block of 100 mm in a place of 12 inches and in half of one, less half the strip between two.
  expect(sides.filter(({ half }) => !half)).toEqual(Array(5).fill({ half: undefined, before: 102, after: 102 }));
  const spare = Math.round((12 * INCH - setting.sashMm) / 2 - 100);
  expect(sides.filter(({ half }) => half)).toEqual([{ half: 'right', before: 0, after: spare }, { half: 'left', before: spare, after: 0 }]);
}); // prettier-ignore

test.each([
  [{ columns: 0 }, 'columns'],
  [{ columns: 1, layout: 'offset' as const }, 'columns'],
  [{ sashMm: 0 }, 'sashMm'],
  [{ cellWidthMm: Number.NaN }, 'cellWidthMm'],
])('an impossible setting %j is refused at its figure', (change, name) => {
  expect(() => layOutTop({ ...nine, ...change })).toThrow(
    expect.objectContaining({ code: 'setting', place: { name } }),
  );
});
