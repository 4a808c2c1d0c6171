import fc from 'fast-check';
import { expect, test } from 'vitest';
import { PAPER_FAMILIES, defaultPaper, makePaper, type PaperFamily } from '@/core/catalogue';
import { RECIPE_NAMES, defaultRecipe, type Recipe, type RecipeKind } from '@/core/generate';
import { readPaper, typedFromPaper } from './paperForm';
import { previewRecipe, readRecipe, typedFrom } from './recipeForm';
import { readDrawnPapers } from './drawnPapers';

const FAMILIES = Object.keys(PAPER_FAMILIES) as PaperFamily[];
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const system = fc.constantFrom('inch' as const, 'metric' as const);
/** Sizes that no sixteenth of an inch and no half millimetre hits. */
const odd = fc.integer({ min: 2000, max: 6000 }).map((hundredths) => hundredths / 100 + 0.0037);

test('a paper put into the form and read back is the very same, in inches as in millimetres', () => {
  fc.assert(
    fc.property(fc.constantFrom(...FAMILIES), odd, system, (family, size, unit) => {
      const paper = defaultPaper(family, size);
      const reading = readPaper(family, typedFromPaper(paper, unit), unit, paper);
      expect(reading).toEqual({ paper, outline: makePaper(paper) });
    }),
  );
});

test('a figure that is typed anew is taken as typed, the others stay exact', () => {
  const paper = { family: 'rectangle', widthMm: 37.3, lengthMm: 81.234 } as const;
  const typed = { ...typedFromPaper(paper, 'inch'), widthMm: '1 1/2' };
  expect(readPaper('rectangle', typed, 'inch', paper)).toMatchObject({
    paper: { widthMm: 38.1, lengthMm: 81.234 },
  });
  // Without the paper that filled the fields there is only what they say.
  expect(readPaper('rectangle', typed, 'inch')).toMatchObject({
    paper: { lengthMm: expect.closeTo(3.1875 * 25.4, 9) },
  });
});

test.each([
  ['diamond', { edgeMm: '2', angleDeg: 'sharp' }, 'angleDeg', 'no number'],
  ['diamond', { edgeMm: '', angleDeg: '60' }, 'edgeMm', 'Edge'],
  ['rectangle', { widthMm: '-3', lengthMm: '2' }, 'widthMm', ''],
  ['blade', { blades: '12', innerMm: '5', outerMm: '2', tip: 'flat' }, '', 'the blade'],
  ['custom', { edgesMm: '1, 1, 1', anglesDeg: '10, 10, 10' }, '', ''],
] as const)(
  'bad figures of a %s are refused at their field, with how to mend: %j',
  (family, typed, where, what) => {
    const { fault } = readPaper(family, typed, 'inch');
    expect(fault?.mend).toMatch(/\w/);
    expect(fault?.what.toLowerCase()).toContain(what.toLowerCase());
    if (where) expect(fault?.where).toBe(where);
  },
);

test('a recipe put into the form and read back makes the very same patches', () => {
  for (const kind of KINDS) {
    const recipe = defaultRecipe(kind);
    const shrunk = Object.fromEntries(
      Object.entries(recipe).map(([name, value]) => [name, name.endsWith('Mm') ? (value as number) * 0.9877 : value]), // prettier-ignore
    ) as unknown as Recipe;
    for (const unit of ['inch', 'metric'] as const) {
      const reading = readRecipe(kind, typedFrom(shrunk, unit), unit, shrunk);
      expect(reading).toEqual({ recipe: shrunk });
      const preview = previewRecipe(shrunk, unit);
      const total = preview.sheet?.counts.reduce((sum, text) => sum + Number(text.split(' ')[0]), 0);
      expect(total).toBe(preview.sheet?.patches.length);
    }
  }
});

test('figures of a recipe that cannot be are told at their field, and what cannot be made is told too', () => {
  const typed = typedFrom(defaultRecipe('plate'), 'inch');
  expect(readRecipe('plate', { ...typed, blades: 'many' }, 'inch').fault).toMatchObject({ where: 'blades' });
  expect(readRecipe('plate', { ...typed, innerMm: 'x' }, 'inch').fault).toMatchObject({ where: 'innerMm' });
  const swapped = readRecipe('plate', { ...typed, innerMm: '9', outerMm: '2' }, 'inch');
  expect(previewRecipe(swapped.recipe!, 'inch').fault?.mend).toMatch(/\w/);
});

test('papers of a drawing come once each, with the catalogue paper that each was meant to be and by how much it is off', () => {
  const square = (x: number, side: number) => `<rect x="${x}" y="10" width="${side}" height="${side}"/>`;
  const svg = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="100mm" viewBox="0 0 300 100">${body}</svg>`; // prettier-ignore
  const read = readDrawnPapers(svg(square(0, 50.8) + square(60, 50.8) + square(120, 38.35)), 'inch');
  if (read.fault) throw new Error(read.fault.what);
  const [exact, off, ...others] = read.papers;
  expect(others).toEqual([]);
  expect([exact?.name, exact?.meant]).toEqual(['2″ square', undefined]);
  expect(off?.meant).toMatchObject({ name: '1½″ square', offMm: expect.closeTo(0.18, 1) });
  expect(readDrawnPapers(svg('<rect width="x"/>'), 'inch').fault?.mend).toMatch(/\w/);
  expect(readDrawnPapers('no drawing', 'inch').fault?.what).toMatch(/\w/);
});
