import { expect, test } from 'vitest';
import { areaOf, boxOfPoints, toPolygon } from '../geometry';
import { cutGrid } from '../testing';
import {
  blockJoints,
  checkSetting,
  defaultSetting,
  layOutTop,
  placeBlocks,
  shareStrips,
  topPieces,
  type Setting,
} from '.';

const grid = (columns: number, rows: number, more: Partial<Setting> = {}): Setting => ({
  layout: 'grid', columns, rows, cellWidthMm: 100, cellHeightMm: 80, joint: 'sashing', sashMm: 20, borderMm: 0, hasCornerstones: true,
  school: 'first', places: Array.from({ length: columns * rows }, (_, i) => `b${i}`), making: Array.from({ length: columns * rows }, (_, i) => `b${i}`), ...more,
}); // prettier-ignore
const count = (setting: Setting, kind: string) =>
  layOutTop(setting).strips.filter((strip) => strip.kind === kind).length;

test.each([
  [1, 1],
  [3, 3],
  [4, 2],
])('%i × %i blocks: sashing is counted by the textbook', (columns, rows) => {
  const setting = grid(columns, rows);
  expect(count(setting, 'horizontal')).toBe((rows + 1) * columns);
  expect(count(setting, 'vertical')).toBe(rows * (columns + 1));
  expect(count(setting, 'cornerstone')).toBe((rows + 1) * (columns + 1));
  const plain = grid(columns, rows, { hasCornerstones: false });
  expect([count(plain, 'horizontal'), count(plain, 'vertical'), count(plain, 'cornerstone')]).toEqual([
    rows + 1,
    rows * (columns + 1),
    0,
  ]);
  const { widthMm, heightMm, cells } = layOutTop({ ...setting, borderMm: 50 });
  expect([widthMm, heightMm]).toEqual([
    columns * 100 + (columns + 1) * 20 + 100,
    rows * 80 + (rows + 1) * 20 + 100,
  ]);
  expect([cells[0]!.x, cells[0]!.y]).toEqual([70, 70]);
});

test('cells and strips cover the top without the border, once', () => {
  for (const setting of [grid(3, 2), grid(3, 2, { hasCornerstones: false }), grid(3, 3, { layout: 'offset', hasCornerstones: false })]) {
    const { cells, strips, widthMm, heightMm } = layOutTop(setting);
    const area = [...cells, ...strips].reduce((sum, { width, height }) => sum + width * height, 0);
    expect(area).toBeCloseTo(widthMm * heightMm, 6);
  }
}); // prettier-ignore

test('a strip touches the blocks that lie beside it, and no other', () => {
  const { strips, cells } = layOutTop(grid(3, 2));
  for (const { x, y, width, height, touches, kind } of strips) {
    const beside = cells.flatMap((cell, index) => {
      const dx = Math.max(cell.x - (x + width), x - (cell.x + cell.width));
      const dy = Math.max(cell.y - (y + height), y - (cell.y + cell.height));
      return Math.max(dx, dy) < 1e-6 ? [index] : [];
    });
    if (kind === 'cornerstone') expect([...touches].sort()).toEqual(beside);
    else expect(touches.every((one) => beside.includes(one))).toBe(true);
    expect(touches.length).toBeGreaterThan(0);
    expect(touches.length).toBeLessThanOrEqual(kind === 'cornerstone' ? 4 : 2);
  }
});

test('a lone block gets four strips and four corners; of two in a row the first gets seven pieces more than nothing, the second three strips', () => {
  const [lone] = shareStrips(grid(1, 1)).shares;
  expect(lone).toMatchObject({ horizontal: 2, vertical: 2, cornerstones: 4 });
  const [first, second] = shareStrips(grid(2, 1)).shares;
  expect(first).toMatchObject({ horizontal: 2, vertical: 2, cornerstones: 4 });
  expect(second).toMatchObject({ horizontal: 2, vertical: 1, cornerstones: 2 });
  // To the one made later the shared strip goes with the second block.
  const later = shareStrips(grid(2, 1, { school: 'later' })).shares;
  expect(later[0]).toMatchObject({ horizontal: 2, vertical: 1, cornerstones: 2 });
  expect(later[1]).toMatchObject({ horizontal: 2, vertical: 2, cornerstones: 4 });
  // Made the other way round, so do the strips.
  const turned = shareStrips(grid(2, 1, { making: ['b1', 'b0'] })).shares;
  expect(turned.map(({ cell, vertical }) => [cell, vertical])).toEqual([[1, 2], [0, 1]]);
}); // prettier-ignore

test('an empty place gives its strips to its neighbours; what touches no block is left', () => {
  const { shares, leftOver } = shareStrips(grid(3, 1, { places: ['b0', null, null], making: ['b0'] }));
  expect(shares).toHaveLength(1);
  expect(shares[0]).toMatchObject({ horizontal: 2, vertical: 2 });
  expect(leftOver.length).toBe(layOutTop(grid(3, 1)).strips.length - 8);
});

test('blocks lie in the middle of their places, with what is left beside them', () => {
  const patches = cutGrid(3, 2, [0]);
  const own = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline)));
  const setting = grid(2, 1, { cellWidthMm: own.maxX - own.minX + 30, cellHeightMm: own.maxY - own.minY });
  const placed = placeBlocks(setting, [{ id: 'b1', name: 'B', patches }]);
  expect(placed).toHaveLength(1);
  expect(placed[0]).toMatchObject({ cell: 1, spareWidthMm: expect.closeTo(15, 9), spareHeightMm: expect.closeTo(0, 9) });
  const box = boxOfPoints(placed[0]!.patches.flatMap(({ outline }) => toPolygon(outline)));
  const cell = layOutTop(setting).cells[1]!;
  expect(box.minX - cell.x).toBeCloseTo(15, 9);
  expect(box.minY - cell.y).toBeCloseTo(0, 9);
  expect(placed[0]!.patches.reduce((sum, { outline }) => sum + areaOf(outline), 0)).toBeCloseTo(patches.reduce((sum, { outline }) => sum + areaOf(outline), 0), 6);
  expect(placed[0]!.patches.every(({ id }) => id.startsWith('1:'))).toBe(true);
}); // prettier-ignore

test('four blocks edge to edge are joined in four places, each as long as a side, never across the corner', () => {
  const patches = cutGrid(2, 2, [0]);
  const own = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline)));
  const [w, h] = [own.maxX - own.minX, own.maxY - own.minY];
  const setting = grid(2, 2, { joint: 'edge-to-edge', cellWidthMm: w, cellHeightMm: h });
  const blocks = ['b0', 'b1', 'b2', 'b3'].map((id) => ({ id, name: id, patches }));
  const joints = blockJoints(placeBlocks(setting, blocks));
  expect(joints.map(({ cells }) => cells.join('-')).sort()).toEqual(['0-1', '0-2', '1-3', '2-3']);
  const lengths = joints.map(({ cells: [a, b], lengthMm }) => [b - a === 1 ? h : w, lengthMm] as const);
  for (const [side, length] of lengths) expect(length).toBeCloseTo(side, 6);
  for (const { patches: waiting } of joints) expect(waiting).toHaveLength(4);
});

test('a setting to begin with holds the largest block, in as many rows as it takes', () => {
  const blocks = [100, 160, 120].map((size, i) => ({ id: `b${i}`, widthMm: size, heightMm: size - 10 }));
  const setting = defaultSetting(blocks, 2, 25.4);
  expect([setting.columns, setting.rows]).toEqual([2, 2]);
  expect(setting.cellWidthMm).toBeGreaterThanOrEqual(160);
  expect(setting.cellWidthMm - 160).toBeLessThan(12.7 + 1e-9);
  expect(setting.places.filter((one) => one !== null)).toEqual(['b0', 'b1', 'b2']);
});

test('strips, corners and border are cut with an allowance all round, sizes that are alike together', () => {
  const pieces = topPieces(grid(2, 3, { borderMm: 50 }), 6);
  // Level ones 100 by 20, upright ones 80 by 20: two columns by four lines, three rows by three.
  expect(pieces.strips).toEqual([{ widthMm: 32, lengthMm: 112, count: 8 }, { widthMm: 32, lengthMm: 92, count: 9 }]); // prettier-ignore
  expect(pieces.cornerstones).toEqual([{ widthMm: 32, lengthMm: 32, count: 12 }]);
  // The inner top is 260 by 320: sides as high as that, above and below right across.
  expect(pieces.border).toEqual([{ widthMm: 62, lengthMm: 332, count: 2 }, { widthMm: 62, lengthMm: 372, count: 2 }]); // prettier-ignore
  const plain = topPieces(grid(2, 3, { joint: 'edge-to-edge' }), 6);
  expect(plain).toEqual({ squares: [], strips: [], cornerstones: [], border: [] });
});

test.each([
  ['columns', 1, 30, 1],
  ['rows', 1, 30, 1],
  ['cellWidthMm', 20, 2000, 0.1],
  ['cellHeightMm', 20, 2000, 0.1],
  ['sashMm', 5, 500, 0.1],
  ['borderMm', 0, 1000, 0.1],
] as const)('a top is set with %s from %s to %s, and refused by that name beyond', (name, least, most, step) => {
  const check = (value: number) => () => checkSetting({ ...grid(2, 2), [name]: value });
  for (const value of [least, most]) expect(check(value)).not.toThrow();
  for (const value of [least - step, most + step, NaN])
    expect(check(value)).toThrow(expect.objectContaining({ place: expect.objectContaining({ name }) }));
}); // prettier-ignore
