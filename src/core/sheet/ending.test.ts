import { expect, test } from 'vitest';
import type { Patch } from '../block';
import { blockEndings, layOutTop, type BlockEnding, type Setting } from '../setting';
import { cutGrid, patch, plannedSheet, rosette } from '../testing';
import { waitsFor, type Step } from '.';

const SET: Setting = {
  layout: 'grid',
  columns: 2,
  rows: 2,
  cellWidthMm: 101.6,
  cellHeightMm: 101.6,
  joint: 'sashing',
  sashMm: 25.4,
  hasCornerstones: true,
  borderMm: 0,
  places: ['a', 'b', 'c', 'd'],
  making: ['a', 'b', 'c', 'd'],
  school: 'first',
};
const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const FOUR = cutGrid(4, 4, [0]);
const sheetOf = (patches: readonly Patch[], ending?: BlockEnding, order?: object) =>
  plannedSheet(patches, { ...SETTINGS, ...(ending ? { ending } : {}) }, undefined, order ? { order: { school: 'best', ...order } } : {}); // prettier-ignore
const endOf = (steps: readonly Step[]) => steps.slice(1 + steps.findLastIndex(({ kind }) => kind === 'join'));

test('every strip and cornerstone of a top goes to one block, at the side where it lies', () => {
  for (const setting of [SET, { ...SET, school: 'later' as const }, { ...SET, hasCornerstones: false }, { ...SET, making: ['d', 'b', 'a', 'c'] }]) {
    const endings = [...blockEndings(setting)];
    const { strips } = layOutTop(setting);
    const stones = strips.filter(({ kind }) => kind === 'cornerstone').length;
    expect(endings.reduce((sum, [, one]) => sum + one.strips.length, 0)).toBe(strips.length - stones);
    expect(endings.reduce((sum, [, one]) => sum + one.cornerstones, 0)).toBe(stones);
    for (const [, one] of endings) expect(new Set(one.strips.map(({ side }) => side)).size).toBe(one.strips.length);
  }
  const sides = (setting: Setting) => Object.fromEntries([...blockEndings(setting)].map(([id, { strips }]) => [id, strips.map(({ side }) => side).sort().join(' ')]));
  expect(sides(SET)).toEqual({ a: 'bottom left right top', b: 'bottom right top', c: 'bottom left right', d: 'bottom right' });
  expect([...blockEndings({ ...SET, joint: 'edge-to-edge' }).values()].every(({ strips }) => strips.length === 0)).toBe(true);
}); // prettier-ignore

test('a block that fills its place takes its strips along, and lets go the papers at sides that have theirs', () => {
  const ends = blockEndings(SET);
  const first = endOf(sheetOf(FOUR, ends.get('a')).steps);
  expect(first.map(({ kind }) => kind)).toEqual(['finish', 'finish']);
  expect(first[0]?.text).toMatch(/^Sew on the 4 strips in the bag, .* 4 cornerstones go with them, 1″ square, at the corners\.$/);
  expect(first[1]?.text).toContain('Papers that may come out now: 1, 2, 3, 4, 5, 8, 9, 12, 13, 14, 15, 16;');
  expect(first[1]?.text).not.toContain('Leave');
  const last = endOf(sheetOf(FOUR, ends.get('d')).steps);
  expect(last[0]?.text).toContain('below 1″ × 4″, at the right 1″ × 4″');
  expect(last[1]?.text).toContain('Papers that may come out now: 8, 12, 14, 15, 16;');
  expect(last[1]?.text).toContain('Leave 7 papers in (1, 2, 3, 4, 5, 9, 13): those sides are sewn to a strip of a neighbour');
  const edge = endOf(sheetOf(FOUR, blockEndings({ ...SET, joint: 'edge-to-edge' }).get('a')).steps);
  expect(edge.map(({ text }) => text)).toEqual([expect.stringContaining('sewn to the blocks beside it and must be stiff until then.')]);
}); // prettier-ignore

test('a block that does not fill its place is sewn onto a square, its papers out before or after as the host chose', () => {
  const ending = blockEndings(SET).get('b');
  const kinds = (steps: readonly Step[]) => steps.map(({ kind }) => kind);
  const before = endOf(sheetOf(rosette(1), ending).steps);
  expect(kinds(before)).toEqual(['finish', 'applique', 'finish', 'finish']);
  expect(before[0]?.text).toMatch(/^Cut a square of background cloth, 6½″ × 6½″: /);
  expect(before[1]?.text).toMatch(/^Press the block, take the papers out, pin at once and appliqué over its square: 18″ of edge\./);
  expect(before[2]?.text).toMatch(/^Trim it to 4½″ × 4½″/);
  const after = endOf(sheetOf(rosette(1), ending, { applique: { papersOut: 'after' } }).steps);
  expect(kinds(after)).toEqual(['finish', 'applique', 'applique', 'finish', 'finish']);
  expect(after[2]?.text).toContain('Then take the papers out.');
  expect(sheetOf(rosette(1), ending).bag.extras).toMatchObject([
    { kindName: 'background square', count: 1, widthMm: 165.1 },
    { kindName: 'strip of sashing', count: 3 },
    { kindName: 'cornerstone', count: 2 },
  ]);
}); // prettier-ignore

test('a block with a background of its own is trimmed to its place; without a setting nothing is added', () => {
  const cloth = patch(90, [[-60, -60], [60, -60], [60, 60], [-60, 60]]); // prettier-ignore
  const own = [cloth, ...rosette(1).map((one) => ({ ...one, layer: 1 }))];
  const { steps, bag } = sheetOf(own, blockEndings(SET).get('d'));
  expect(endOf(steps).map(({ text }) => text.split(' ')[0])).toEqual(['Cut', 'Press', 'Trim', 'Sew']);
  expect(bag.extras.map(({ kindName }) => kindName)).not.toContain('background square');
  expect(endOf(sheetOf(FOUR).steps)).toEqual([]);
  expect(sheetOf(FOUR).bag.extras).toEqual([]);
});

test('what is left comes last, waits for all that was pieced, takes time, and is said in short sentences', () => {
  for (const patches of [FOUR, rosette(2)])
    for (const [, ending] of blockEndings(SET)) {
      const { steps } = sheetOf(patches, ending);
      const from = steps.length - endOf(steps).length;
      for (let at = from; at < steps.length; at++) {
        const step = steps[at]!;
        expect(step.minutes).toBeGreaterThan(0);
        expect(waitsFor(steps, at, () => false)).toBe(0);
        const done = new Set(steps.slice(0, at).map(({ id }) => id));
        expect(waitsFor(steps, at, (id) => done.has(id))).toBeUndefined();
        for (const sentence of step.text.split(/[.:;] /)) expect(sentence.split(' ').length, sentence).toBeLessThanOrEqual(30); // prettier-ignore
      }
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    }
});
