import fc from 'fast-check';
import { expect, test } from 'vitest';
import { CUTTING_GRID_MM } from '../length';
import { groupKinds } from '../shapes';
import { cutGrid, rosette } from '../testing';
import { alikeBags, bagContents, ownBag, ownInner, ownMark, packedBlocks, pickList, sayChoice, type BagChoice } from '.'; // prettier-ignore

const SETTINGS = { sparesPercent: 5, allowanceMm: 6.35, system: 'inch' as const };
const PLACE = { widthMm: 300, heightMm: 300, strips: [{ widthMm: 30, lengthMm: 300 }], cornerstones: 1, cornerstoneMm: 30 }; // prettier-ignore
const bagOf = (patches: ReturnType<typeof rosette>, allowanceMm = SETTINGS.allowanceMm) =>
  bagContents(patches, groupKinds(patches.map(({ outline }) => outline)), { ...SETTINGS, allowanceMm, ending: PLACE as never }); // prettier-ignore

test('two sets are two of everything, spares too; a bag as usual is the very same', () => {
  const bag = bagOf(rosette(1));
  const two = ownBag(bag, { sets: 2, allowanceMm: null, cloths: {} }, SETTINGS);
  expect(two.papers).toMatchObject([{ count: 14, spares: 2 }]);
  expect(two.fabrics.flatMap(({ cuts }) => cuts.map(({ count }) => count))).toEqual(
    bag.fabrics.flatMap(({ cuts }) => cuts.map(({ count }) => 2 * count)),
  );
  expect(two.extras.map(({ count }) => count)).toEqual(bag.extras.map(({ count }) => 2 * count));
  expect(ownBag(bag, { sets: 1, allowanceMm: 6.35, cloths: {} }, SETTINGS)).toBe(bag);
  const inner = { units: [{ name: 'pair A', copies: 3, lines: [] }], rest: [{ kindName: 'kite', fabric: 'Tar', hand: 'none' as const, count: 5 }], spares: [{ kindName: 'kite', count: 1 }] }; // prettier-ignore
  expect(ownInner(inner, { sets: 2, allowanceMm: null, cloths: {} })).toMatchObject({ units: [{ copies: 6 }], rest: [{ count: 10 }], spares: [{ count: 2 }] }); // prettier-ignore
});

test('cloth for an own allowance is never smaller than a bag worked out with it, nor more than a step of the grid larger', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 40, noNaN: true }), fc.integer({ min: 0, max: 2 }), (allowanceMm, which) => {
      const patches = [rosette(2), cutGrid(2, 2, [0]), cutGrid(3, 3, [])][which] as ReturnType<typeof rosette>;
      const own = ownBag(bagOf(patches), { sets: 1, allowanceMm, cloths: {} }, SETTINGS);
      const exact = bagOf(patches, allowanceMm);
      const sizes = ({ fabrics, extras }: typeof own) => [...fabrics.flatMap(({ cuts }) => cuts), ...extras].flatMap(({ widthMm, lengthMm }) => [widthMm, lengthMm]);
      sizes(own).forEach((size, index) => {
        const more = size - (sizes(exact)[index] ?? 0);
        expect(more).toBeGreaterThan(-1e-6);
        expect(more).toBeLessThan(CUTTING_GRID_MM.inch + 1e-6);
      });
    }),
    { numRuns: 60 },
  );
}); // prettier-ignore

test('bags are told apart by what their makers chose; every maker has one, and lists count all sets', () => {
  const choices: readonly BagChoice[] = [{ sets: 1, allowanceMm: null, cloths: {} }, { sets: 2, allowanceMm: null, cloths: {} }, { sets: 1, allowanceMm: 9.525, cloths: {} }, { sets: 2, allowanceMm: 9.525, cloths: {} }, { sets: 1, allowanceMm: 6.35, cloths: {} }]; // prettier-ignore
  const makers = choices.map((choice, index) => ({
    ...choice,
    id: `m${index}`,
    skips: index === 3 ? ['a'] : [],
  }));
  const notes = alikeBags(bagOf(rosette(1)), makers, SETTINGS).map(({ note, sets, makers: own }) => [note, sets, own.map(({ id }) => id)]); // prettier-ignore
  expect(notes).toEqual([
    ['', 1, ['m0', 'm4']],
    ['2 sets', 2, ['m1']],
    ['cut with ⅜″ allowance', 1, ['m2']],
    ['2 sets, cut with ⅜″ allowance', 2, ['m3']],
  ]);
  // What reads alike is cut alike, as wide as any of them wants it.
  const near = [9.4, 9.6].map((allowanceMm, index) => ({
    sets: 1,
    allowanceMm,
    cloths: {},
    id: `n${index}`,
    skips: [],
  }));
  const [, together] = alikeBags(bagOf(rosette(1)), near, SETTINGS);
  expect([together?.makers.length, together?.bag]).toEqual([
    2,
    ownBag(bagOf(rosette(1)), near[1]!, SETTINGS),
  ]);
  const list = pickList(packedBlocks([{ id: 'a', name: 'A', bag: bagOf(rosette(1)) }], makers, SETTINGS));
  expect(list.papers[0]?.total).toBe(8 * (1 + 2 + 1 + 1));
  expect(list.papers[0]?.parts).toContainEqual({ block: 'A (2 sets)', perBag: 16, bags: 1 });
  // Nobody takes it as usual: it is no line of its own.
  expect(packedBlocks([{ id: 'a', name: 'A', bag: bagOf(rosette(1)) }], [makers[1]!], SETTINGS)).toHaveLength(1); // prettier-ignore
});

test('a bag that was packed before its maker chose otherwise is known by its mark', () => {
  const marks = [{ sets: 1, allowanceMm: null, cloths: {} }, { sets: 2, allowanceMm: null, cloths: {} }, { sets: 1, allowanceMm: 9, cloths: {} }, { sets: 1, allowanceMm: 12, cloths: {} }].map((choice) => ownMark('m', choice, bagOf(rosette(1)))); // prettier-ignore
  expect([marks[0], new Set(marks).size]).toEqual(['m', 4]);
  expect(sayChoice({ sets: 1, allowanceMm: 10, cloths: {} }, { allowanceMm: 7, system: 'metric' })).toBe('cut with 10 mm allowance'); // prettier-ignore
});

test('another cloth in place of one: the same pieces, counted with those of that cloth; bags without the first are as usual', () => {
  const patches = rosette(1).map((one, index) => ({ ...one, fabric: index < 3 ? 'Tar' : 'Slate' }));
  const choice = { sets: 1, allowanceMm: null, cloths: { Tar: 'Slate', Rope: 'Fog' } };
  const own = ownBag(bagOf(patches), choice, SETTINGS);
  expect(own.fabrics.map(({ fabric, cuts }) => [fabric, cuts.map(({ count }) => count)])).toEqual([['Slate', [7]]]);
  const other = ownBag(bagOf(patches), { ...choice, cloths: { Tar: 'Fog' } }, SETTINGS);
  expect(other.fabrics.map(({ fabric, cuts }) => [fabric, cuts.map(({ count }) => count)])).toEqual([['Fog', [3]], ['Slate', [4]]]);
  expect([sayChoice(choice, SETTINGS, bagOf(patches)), sayChoice(choice, SETTINGS)]).toEqual(['Slate for Tar', 'Slate for Tar, Fog for Rope']);
  expect(ownMark('m', choice, bagOf(patches))).not.toBe('m');
  const without = bagOf(rosette(1).map((one) => ({ ...one, fabric: 'Calico' })));
  expect([ownBag(without, choice, SETTINGS) === without, ownMark('m', choice, without), sayChoice(choice, SETTINGS, without)]).toEqual([true, 'm', '']);
}); // prettier-ignore
