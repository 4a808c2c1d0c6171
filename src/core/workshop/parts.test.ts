import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultRecipe, documentOfRecipe, remakePart } from '../generate';
import { isSamePlace, shiftBy, turnAbout } from '../geometry';
import { deletePatches, movePatches, paint } from '.';

const recipe = defaultRecipe('rosette');
const whole = documentOfRecipe(recipe);
const every = whole.patches.map((_, index) => index);

test('a part that was moved and turned as a whole is made again where it lies, not where it began', () => {
  fc.assert(
    fc.property(fc.integer({ min: -200, max: 200 }), fc.integer({ min: -360, max: 360 }), (by, degrees) => {
      const there = movePatches(
        movePatches(whole, every, shiftBy(by, -by)),
        every,
        turnAbout({ x: 9, y: 4 }, degrees),
      );
      const { document, putBack } = remakePart(there, 'p1', recipe);
      expect(putBack).toEqual([]);
      document.patches.forEach(({ outline }, i) =>
        expect(isSamePlace(outline, there.patches[i]!.outline, 1e-6)).toBe(true),
      );
    }),
  );
});

test('made again, a part keeps painted cloth and what was taken out; a patch moved by hand is named and goes back', () => {
  const changed = movePatches(paint(deletePatches(whole, [0]), [2], ['Painted']), [4], shiftBy(3, 0));
  const { document, putBack } = remakePart(changed, 'p1', { ...recipe, edgeMm: 30 } as typeof recipe);
  const ids = document.patches.map(({ id }) => id);
  expect(ids).not.toContain(whole.patches[0]!.id);
  expect(document.patches.find(({ id }) => id === changed.patches[2]!.id)?.fabric).toBe('Painted');
  expect(putBack).toEqual([changed.patches[4]!.id]);
  expect(document.parts?.[0]).toMatchObject({ x: 0, y: 0, turnDeg: 0 });
});

test('making a part again drops rules on patches that are gone and keeps the others', () => {
  const ids = whole.patches.map(({ id }) => id);
  const ruled = {
    ...whole,
    rules: [
      { id: 'r1', kind: 'same' as const, patches: [ids[0]!, ids.at(-1)!] },
      { id: 'r2', kind: 'differ' as const },
    ],
  };
  const { document } = remakePart(ruled, 'p1', { ...recipe, rings: 0 } as typeof recipe);
  expect(document.patches).toHaveLength(1);
  expect(document.rules).toEqual([{ id: 'r2', kind: 'differ' }]);
});
