import fc from 'fast-check';
import { expect, test } from 'vitest';
import { analyseBlock } from '../block';
import { planAssembly, validatePlan } from '../assembly';
import { findSelfCrossing, areaOf } from '../geometry';
import { groupKinds } from '../shapes';
import { plannedOrder } from '../testing';
import { RECIPE_NAMES, defaultRecipe, generate, type Recipe, type RecipeKind } from '.';

const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];

test.each(KINDS)('the %s it begins with fits at every edge and has a valid plan', (kind) => {
  const patches = generate(defaultRecipe(kind));
  const { graph, problems } = analyseBlock(patches);
  expect(problems).toEqual([]);
  const plan = plannedOrder(patches);
  expect(validatePlan(graph, plan)).toEqual([]);
  expect(new Set(graph.patches.map(({ id }) => id)).size).toBe(graph.patches.length);
});

const mm = (min: number, max: number) => fc.integer({ min, max });
const fabrics = fc.constantFrom(['a'], ['a', 'b'], ['a', 'b', 'c', 'd', 'e']);
const recipe: fc.Arbitrary<Recipe> = fc.oneof(
  fc.record({ kind: fc.constant('rosette'), fabrics, edgeMm: mm(8, 80), rings: mm(0, 4) }),
  fc.record({
    kind: fc.constant('star'),
    fabrics,
    points: mm(5, 16),
    edgeMm: mm(10, 80),
    surround: fc.constant('none'),
  }),
  fc.record({
    kind: fc.constant('star'),
    fabrics,
    points: fc.constantFrom(6, 8),
    edgeMm: mm(10, 80),
    surround: fc.constant('set-in'),
  }),
  fc.record({
    kind: fc.constant('plate'),
    fabrics,
    blades: mm(6, 30),
    innerMm: mm(20, 60),
    outerMm: mm(90, 200),
    tip: fc.constantFrom('flat', 'pointed', 'round'),
    centre: fc.constantFrom('yes', 'no'),
  }),
  fc.record({
    kind: fc.constant('clamshell'),
    fabrics,
    widthMm: mm(20, 90),
    columns: mm(2, 6),
    rows: mm(2, 6),
  }),
  fc.record({
    kind: fc.constant('framed-diamond'),
    fabrics,
    widthMm: mm(30, 90),
    heightMm: mm(95, 200),
    stripMm: mm(8, 40),
    rounds: mm(1, 4),
  }),
  fc.record({
    kind: fc.constant('disc'),
    fabrics,
    wedges: mm(2, 12).map((half) => 2 * half),
    radiusMm: mm(50, 200),
    portion: fc.constantFrom('whole', 'half'),
  }),
) as fc.Arbitrary<Recipe>;

test('whatever the figures, what is generated is sound and can be planned', () => {
  fc.assert(
    fc.property(recipe, (made) => {
      const patches = generate(made);
      expect(patches.every(({ outline }) => areaOf(outline) > 1 && !findSelfCrossing(outline))).toBe(true);
      const { graph, problems } = analyseBlock(patches);
      expect(problems.map(({ message }) => message)).toEqual([]);
      expect(validatePlan(graph, planAssembly(graph))).toEqual([]);
    }),
    { numRuns: 25 },
  );
});

test('slanted strips round a diamond come left and right handed', () => {
  const patches = generate(defaultRecipe('framed-diamond'));
  const { kinds, handOf } = groupKinds(patches.map(({ outline }) => outline));
  expect(kinds).toHaveLength(4);
  expect(handOf.filter((hand) => hand === 'L')).toHaveLength(6);
  expect(handOf.filter((hand) => hand === 'R')).toHaveLength(6);
});

test.each([
  ['innerMm', { ...defaultRecipe('plate'), innerMm: 0 }],
  ['outerMm', { ...defaultRecipe('plate'), outerMm: 40 }],
  ['points', { ...defaultRecipe('star'), points: 3 }],
  ['surround', { ...defaultRecipe('star'), points: 7 }],
  ['rings', { ...defaultRecipe('rosette'), rings: 1.5 }],
  ['edgeMm', { ...defaultRecipe('grid'), edgeMm: NaN }],
  ['wedges', { ...defaultRecipe('disc'), wedges: 7, portion: 'half' }],
  ['reachMm', { ...defaultRecipe('beams'), reachMm: 55 }],
  ['fabrics', { ...defaultRecipe('grid'), fabrics: [] }],
] as [string, Recipe][])('an impossible %s is named with how to mend it', (name, made) => {
  expect(() => generate(made)).toThrow(
    expect.objectContaining({ code: 'recipe', place: { name }, mend: expect.stringMatching(/\.$/) }),
  );
});
