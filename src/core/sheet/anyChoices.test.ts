import fc from 'fast-check';
import { expect, test } from 'vitest';
import { SCHOOLS, type School } from '../assembly';
import { FOLD_CONVENTIONS, type FoldConvention } from '../basting';
import { BLOCK_FORMAT, type BlockDocument } from '../block';
import { InvalidInputError } from '../errors';
import { readBlockDocument } from '../formats';
import { defaultRecipe, generate } from '../generate';
import { practiceQuestions } from '../practice';
import { numberStickers, stepCards } from '../printing';
import { cutGrid, plate, rosette, starOfDiamonds } from '../testing';
import { liveReport } from '../workshop';
import { blockSheet, momentsOf, rollUnits } from '.';

const BLOCKS = [
  rosette(1),
  starOfDiamonds(6),
  cutGrid(3, 2, [0]),
  plate(8),
  generate(defaultRecipe('star')),
  generate(defaultRecipe('clamshell')),
  generate(defaultRecipe('framed-diamond')),
];
const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;

/** Patches by where they stand in a block, also none, and also where it has none. */
const some = (least: number) => fc.array(fc.nat(19), { minLength: least, maxLength: 4 });
const units = fc.array(fc.tuple(some(1), some(1)), { maxLength: 2 });
const choices = fc.record({
  rules: fc.array(fc.tuple(fc.constantFrom('same', 'differ', 'alternate'), some(0)), { maxLength: 3 }),
  school: fc.constantFrom(...(Object.keys(SCHOOLS) as School[])),
  pins: fc.array(some(1), { maxLength: 2 }),
  apart: units,
  before: units,
  isBatched: fc.boolean(),
  policy: fc.constantFrom('all-first', 'just-in-time'),
  folds: fc.array(fc.tuple(fc.nat(19), fc.constantFrom(...(Object.keys(FOLD_CONVENTIONS) as FoldConvention[]))), { maxLength: 4 }),
  edges: fc.array(fc.tuple(fc.nat(19), fc.nat(5), fc.constantFrom('raw', 'turned')), { maxLength: 3 }),
  layers: fc.array(fc.tuple(fc.nat(19), fc.nat(2)), { maxLength: 3 }),
}); // prettier-ignore

/** What is read of a document with such choices; nothing where that is refused, which says why. */
function documentOf(block: (typeof BLOCKS)[number], own: typeof choices extends fc.Arbitrary<infer T> ? T : never): BlockDocument | undefined {
  const ids = block.map(({ id }) => id);
  const named = (places: readonly number[]) => [...new Set(places.flatMap((at) => ids[at] ?? []))];
  const patches = block.map((one, at) => {
    const sides = own.edges.filter(([patch, side]) => patch === at && side < one.outline.corners.length);
    const [, layer = one.layer] = own.layers.find(([patch]) => patch === at) ?? [];
    return { ...one, layer, ...(sides.length > 0 && { edges: Object.fromEntries(sides.map(([, side, is]) => [side, is])) }) };
  });
  const pairs = (list: typeof own.apart) => list.map(([a, b]) => [named(a), named(b)]);
  const document = {
    format: BLOCK_FORMAT,
    patches,
    rules: own.rules.map(([kind, places], i) => ({ id: `r${i}`, kind, patches: named(places) })),
    order: { school: own.school, pins: own.pins.map((places) => ({ patches: named(places), school: 'rings' })), apart: pairs(own.apart), before: pairs(own.before), isBatched: own.isBatched, policy: own.policy },
    basting: { patches: Object.fromEntries(own.folds.flatMap(([at, fold]) => (ids[at] === undefined ? [] : [[ids[at], fold]]))) },
  };
  try {
    return readBlockDocument(document);
  } catch (error) {
    expect(error).toBeInstanceOf(InvalidInputError);
    return undefined;
  }
} // prettier-ignore

test('whatever a document says that can be read, its sheet, report, cards and questions can be made', () => {
  let read = 0;
  const property = fc.property(fc.constantFrom(...BLOCKS), choices, (block, own) => {
    const document = documentOf(block, own);
    if (!document) return;
    read += 1;
    expect(liveReport(document, 'inch').violations).toBeDefined();
    const sheet = blockSheet(document.patches, SETTINGS, undefined, document);
    expect(sheet.steps.every((step) => step.text !== '')).toBe(true);
    for (const step of sheet.steps) momentsOf(step, sheet);
    for (const make of [stepCards, numberStickers]) expect(make('One', sheet, 'A4').pages.length).toBeGreaterThan(0);
    expect(rollUnits(sheet.steps).flatMap(({ each }) => each.flat())).toEqual(sheet.steps.map(({ id }) => id));
    practiceQuestions(sheet);
  });
  fc.assert(property, { numRuns: 40 });
  expect(read).toBeGreaterThan(10);
}); // prettier-ignore
