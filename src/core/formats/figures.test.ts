import { expect, test } from 'vitest';
import { DEFAULT_SEWING, SEWING_FIGURES, ownSewing, sewingOf, type SewingFigure } from '../assembly';
import { stripCut } from '../cutting';
import { makePaper } from '../catalogue';
import { InvalidInputError } from '../errors';
import { defaultRecipe, documentOfRecipe } from '../generate';
import { BASTE_POLICIES } from '../papers';
import { importDrawing, readBlockDocument, readSewing } from '.';
import { plannedSheet } from '../testing';

const FIGURES = Object.keys(SEWING_FIGURES) as SewingFigure[];

test.each(FIGURES)('%s is read from its least to its most, and neither below nor above', (name) => {
  const { least, most } = SEWING_FIGURES[name];
  for (const value of [least, most, DEFAULT_SEWING[name]]) expect(readSewing({ [name]: value })).toEqual({ [name]: value });
  for (const value of [least - 1e-6, most + 1e-6, NaN, Infinity, '1', null, undefined, [1]])
    expect(() => readSewing({ [name]: value })).toThrow(expect.objectContaining({ place: { name: `sewing.${name}` } }));
}); // prettier-ignore

test('figures that nobody knows and values that are no figures are refused where they stand', () => {
  expect(readSewing({})).toEqual({});
  for (const value of [null, 3, 'x', [1]]) expect(() => readSewing(value, 'project.sewing')).toThrow(expect.objectContaining({ place: { name: 'project.sewing' } }));
  expect(() => readSewing({ speed: 3 })).toThrow(/No figure of sewing is called “speed”/);
  expect(() => readSewing(JSON.parse('{"__proto__": 1}'))).toThrow();
  expect(() => readSewing({ toString: 1 })).toThrow();
}); // prettier-ignore

test('a project keeps only what is not as the craft has it, and has all the rest', () => {
  expect(ownSewing({ ...DEFAULT_SEWING, slideMinutes: 0.4 })).toEqual({ slideMinutes: 0.4 });
  expect(ownSewing(DEFAULT_SEWING)).toEqual({});
  expect(sewingOf({ slideMinutes: 0.4 })).toEqual({ ...DEFAULT_SEWING, slideMinutes: 0.4 });
  expect(DEFAULT_SEWING).toMatchObject({ slideMinutes: 0.2, bendMinutes: 1, threadStartMinutes: 0.75, alignMinutes: 0.5, usableNeedlefulMm: 380 }); // prettier-ignore
});

/** Widths and lengths worked out by hand: box, a quarter inch on every side, up to the next eighth of an inch or 5 mm. */
test.each([
  ['a 1″ square', makePaper({ family: 'regular', sides: 4, edgeMm: 25.4 }), 'inch', 38.1, 38.1],
  [
    'a 2″ × 5″ rectangle',
    makePaper({ family: 'rectangle', widthMm: 50.8, lengthMm: 127 }),
    'inch',
    63.5,
    139.7,
  ],
  ['a 25 mm square', makePaper({ family: 'regular', sides: 4, edgeMm: 25 }), 'metric', 40, 40],
  ['a 27.3 mm square', makePaper({ family: 'regular', sides: 4, edgeMm: 27.3 }), 'metric', 40, 40],
  ['a 27.4 mm square', makePaper({ family: 'regular', sides: 4, edgeMm: 27.4 }), 'metric', 45, 45],
  ['a 1″ hexagon', makePaper({ family: 'regular', sides: 6, edgeMm: 25.4 }), 'inch', 57.15, 63.5],
] as const)('cloth for %s', (_, outline, system, widthMm, lengthMm) => {
  const cut = stripCut(outline, 6.35, system);
  expect([cut.widthMm, cut.lengthMm]).toEqual([expect.closeTo(widthMm, 6), expect.closeTo(lengthMm, 6)]);
});

test.each(BASTE_POLICIES)('a block file keeps when its patches are basted: %s', (policy) => {
  const document = { ...documentOfRecipe(defaultRecipe('star')), order: { school: 'best', policy } };
  expect(readBlockDocument(JSON.parse(JSON.stringify(document))).order?.policy ?? 'all-first').toBe(policy);
  const odd = { ...document, order: { school: 'best', policy: 'some-day' } };
  expect(() => readBlockDocument(JSON.parse(JSON.stringify(odd)))).toThrow(InvalidInputError);
});

test('rectangles of a drawing with one round radius of nought have sharp corners, with two they are round', () => {
  const read = (radii: string) => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 100 60"><rect id="a" width="50" height="50" ${radii}/></svg>`;
    return importDrawing(svg, { system: 'metric' }).patches[0]!.outline;
  };
  expect(read('').corners).toHaveLength(4);
  for (const radii of ['rx="0" ry="5"', 'rx="5" ry="0"', 'rx="0"']) {
    expect(read(radii).corners).toHaveLength(4);
    expect(read(radii).bulges.every((bulge) => bulge === 0)).toBe(true);
  }
  const round = read('rx="5"');
  expect(round.corners).toHaveLength(8);
  expect(round.bulges.filter((bulge) => bulge !== 0)).toHaveLength(4);
});

test('what a host’s order costs is said as a sentence of its own', () => {
  const document = documentOfRecipe(defaultRecipe('rosette'));
  const ids = document.patches.map(({ id }) => id);
  const settings = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
  const says = (order: object) => plannedSheet(document.patches, settings, undefined, { ...document, order: { school: 'best', ...order } as never }).plan.hand?.says;
  expect(says({})).toBeUndefined();
  expect(says({ pins: [{ patches: [ids[0], ids[18]].sort() }] })).toMatch(/^Your order(:| costs) \S/);
  expect(says({ pins: [{ patches: ids.slice(0, 2).sort() }] })).toMatch(/^Your order(:| costs) \S/);
}); // prettier-ignore
