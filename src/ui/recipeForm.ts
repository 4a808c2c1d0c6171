import { InvalidInputError } from '@/core/errors';
import { RECIPE_FIELDS, generate, type Recipe, type RecipeKind } from '@/core/generate';
import { boxOfPoints, toPolygon } from '@/core/geometry';
import { formatLength, parseLength, type UnitSystem } from '@/core/length';
import { groupKinds, nameKinds } from '@/core/shapes';
import type { SheetPatch } from '@/core/sheet';

/** What stands in the form's fields, as typed. */
export type Typed = Readonly<Record<string, string>>;

export interface Fault {
  readonly what: string;
  readonly mend: string;
  readonly where: string;
}

/** The fields as a recipe would fill them, lengths in the project's unit. */
export function typedFrom(recipe: Recipe, system: UnitSystem): Typed {
  const values = recipe as unknown as Readonly<Record<string, string | number>>;
  const fields = RECIPE_FIELDS[recipe.kind].map(({ name, type }) => {
    const value = values[name] ?? '';
    return [name, type === 'length' ? formatLength(Number(value), system) : String(value)];
  });
  return { ...Object.fromEntries(fields), fabrics: recipe.fabrics.join(', ') } as Typed;
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
  const recipe: Record<string, unknown> = { kind };
  const known = before?.kind === kind ? before : undefined;
  const printed = known ? typedFrom(known, system) : {};
  for (const { name, type, label } of RECIPE_FIELDS[kind]) {
    const text = typed[name] ?? '';
    if (known && text === printed[name]) recipe[name] = (known as unknown as Record<string, unknown>)[name];
    else if (type === 'length') {
      try {
        recipe[name] = parseLength(text, system === 'inch' ? 'in' : 'mm');
      } catch (error) {
        if (!(error instanceof InvalidInputError)) throw error;
        return { fault: { what: `${label}: ${error.message}`, mend: error.mend, where: name } };
      }
    } else if (type === 'count') {
      if (!/^\s*\d{1,4}\s*$/.test(text)) {
        return {
          fault: {
            what: `${label}: “${text}” is no whole number.`,
            mend: 'Write it in figures.',
            where: name,
          },
        };
      }
      recipe[name] = Number(text);
    } else recipe[name] = text;
  }
  const fabrics = (typed.fabrics ?? '').split(',').map((fabric) => fabric.trim());
  recipe.fabrics = fabrics.filter(Boolean);
  return { recipe: recipe as unknown as Recipe };
}

/** What a recipe would make, or why it cannot. */
export function previewRecipe(recipe: Recipe, system: UnitSystem) {
  try {
    const patches = generate(recipe);
    const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline, 0.5)));
    const { kinds, kindOf, handOf } = groupKinds(patches.map(({ outline }) => outline));
    const names = nameKinds(kinds, system);
    const moved = patches.map((patch, index): SheetPatch => {
      const corners = patch.outline.corners.map(({ x, y }) => ({ x: x - box.minX, y: y - box.minY }));
      const outline = { corners, bulges: patch.outline.bulges };
      const kind = kindOf[index] as number;
      return { ...patch, outline, kind, hand: handOf[index] ?? 'none', foldOrder: [], tails: [] };
    });
    const counts = names.map((name, kind) => `${kindOf.filter((own) => own === kind).length} of ${name}`);
    const [widthMm, heightMm] = [box.maxX - box.minX, box.maxY - box.minY];
    return { sheet: { patches: moved, kinds: names, counts, widthMm, heightMm } };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { fault: { what: error.message, mend: error.mend, where: error.place.name ?? '' } };
  }
}
