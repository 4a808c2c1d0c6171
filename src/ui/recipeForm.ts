import { itemAt } from '@/core/lists';
import { RECIPE_FIELDS, generate, type Recipe, type RecipeKind } from '@/core/generate';
import { boxOfPoints, toPolygon } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import { groupKinds, nameKinds } from '@/core/shapes';
import type { SheetPatch } from '@/core/sheet';
import { attempt, printFigures, readFigures, type Fault, type Typed } from './figures';

/** The fields as a recipe would fill them, lengths in the project's unit. */
export function typedFrom(recipe: Recipe, system: UnitSystem): Typed {
  return {
    ...printFigures(RECIPE_FIELDS[recipe.kind], { ...recipe }, system),
    fabrics: recipe.fabrics.join(', '),
  };
}

/**
 * Reads the fields; the first that cannot be read is the fault.
 * @param before the recipe that filled the fields: a figure that stands as it was printed is its exact one
 */
export function readRecipe(
  kind: RecipeKind,
  typed: Typed,
  system: UnitSystem,
  before?: Recipe,
): { recipe?: Recipe; fault?: Fault } {
  const known = before?.kind === kind ? { ...before } : {};
  const { figures, fault } = readFigures(RECIPE_FIELDS[kind], typed, system, known);
  if (fault) return { fault };
  const fabrics = (typed.fabrics ?? '').split(',').map((fabric) => fabric.trim());
  // The fields of a kind are the figures of its recipe.
  const recipe: unknown = { kind, ...figures, fabrics: fabrics.filter(Boolean) };
  return { recipe: recipe as Recipe };
}

/** What a recipe would make, or why it cannot. */
export function previewRecipe(recipe: Recipe, system: UnitSystem) {
  const { value: patches, fault } = attempt(() => generate(recipe));
  if (fault) return { fault };
  const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline, 0.5)));
  const { kinds, kindOf, handOf } = groupKinds(patches.map(({ outline }) => outline));
  const names = nameKinds(kinds, system);
  const moved = patches.map((patch, index): SheetPatch => {
    const corners = patch.outline.corners.map(({ x, y }) => ({ x: x - box.minX, y: y - box.minY }));
    const outline = { corners, bulges: patch.outline.bulges };
    const kind = itemAt(kindOf, index);
    return { ...patch, outline, kind, hand: handOf[index] ?? 'none', foldOrder: [], tails: [] };
  });
  const counts = names.map((name, kind) => `${kindOf.filter((own) => own === kind).length} of ${name}`);
  const [widthMm, heightMm] = [box.maxX - box.minX, box.maxY - box.minY];
  return { sheet: { patches: moved, kinds: names, counts, widthMm, heightMm } };
}
