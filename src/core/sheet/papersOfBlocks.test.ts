import { expect, test } from 'vitest';
import { BASTE_METHODS } from '../basting';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '../generate';
import { plannedSheet } from '../testing';
import { papersOfBlocks, saySaved, usesByName } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' as const };
const sheetOf = (kind: RecipeKind, basting = {}) =>
  plannedSheet(documentOfRecipe(defaultRecipe(kind)).patches, { ...SETTINGS, basting });

test('a paper can be used as often as the way it is held lets it, and as seldom as the block that wears it most', () => {
  const [starch, thread] = [sheetOf('star', { methods: { all: 'starch' } }), sheetOf('star')];
  const names = thread.bag.papers.map(({ name }) => name);
  const uses = usesByName([thread]);
  expect([...uses.keys()]).toEqual(names);
  thread.basting.kinds.forEach(({ method }, kind) => expect(uses.get(names[kind] ?? '')).toBe(BASTE_METHODS[method].uses)); // prettier-ignore
  const least = usesByName([starch, thread, starch]);
  for (const name of names)
    expect(least.get(name)).toBe(Math.min(usesByName([starch]).get(name) ?? 0, uses.get(name) ?? 0));
  expect(usesByName([]).size).toBe(0);
});

test('papers that a later block takes are saved after an earlier one, those at its rim stay in; after the last none are saved', () => {
  const sheet = sheetOf('star');
  const blocks = ['a', 'b'].map((id) => ({ id, name: id.toUpperCase(), sheet }));
  const papers = papersOfBlocks({ blocks, setting: null, sparesPercent: 0, system: 'inch', marks: [] });
  const [diamond, rim] = sheet.bag.papers;
  expect([diamond?.name, rim?.name]).toEqual(['1½″ 60° diamond', '1½″ half hexagon']);
  expect(saySaved(papers, 'a')).toBe(`${diamond?.count} × ${diamond?.name}`);
  expect([saySaved(papers, 'b'), saySaved(papers, 'none')]).toEqual(['', '']);
});
