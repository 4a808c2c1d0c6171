import { BLOCK_FORMAT, tidied, type BlockDocument, type Part, type Patch } from '../block';
import { isSamePlace, moveOutline, turnAbout, type Motion } from '../geometry';
import { generate } from './generate';
import type { Recipe } from './recipe';
import { RECIPE_FIELDS } from './recipeFields';

/** Whether data of any origin is a recipe of a generator that there is: its figures may still be refused. */
export function isRecipe(value: unknown): value is Recipe {
  if (typeof value !== 'object' || value === null) return false;
  const record = value as Record<string, unknown>;
  const fields = Object.hasOwn(RECIPE_FIELDS, String(record.kind))
    ? RECIPE_FIELDS[record.kind as Recipe['kind']]
    : undefined;
  const { fabrics } = record;
  if (!fields || !Array.isArray(fabrics) || fabrics.length === 0 || fabrics.length > 50) return false;
  if (!fabrics.every((one) => typeof one === 'string' && one.length > 0 && one.length <= 200)) return false;
  return fields.every((field) => {
    const figure = record[field.name];
    return field.type === 'choice' ? field.choices.some(([own]) => own === figure) : Number.isFinite(figure);
  });
}

/** A block that one generator makes. */
export function documentOfRecipe(recipe: Recipe): BlockDocument {
  const part: Part = { id: 'p1', recipe, prefix: '', x: 0, y: 0, turnDeg: 0 };
  return { format: BLOCK_FORMAT, patches: patchesOfPart(part), parts: [part] };
}

/** The figures of a block that is one part and nothing else. */
export function wholeRecipe({ patches, parts = [] }: BlockDocument): Recipe | undefined {
  const [part] = parts;
  const isWhole = part && parts.length === 1 && patches.every((patch) => patch.part === part.id);
  return isWhole && isRecipe(part.recipe) ? part.recipe : undefined;
}

/** The patches that a part stands for, in their place. @throws InvalidInputError `recipe` */
export function patchesOfPart({ id, recipe, prefix, x, y, turnDeg }: Part): Patch[] {
  const turn = turnAbout({ x: 0, y: 0 }, turnDeg);
  const motion: Motion = { ...turn, x, y };
  return generate(recipe as Recipe).map((patch) => ({
    ...patch,
    id: `${prefix}${patch.id}`,
    outline: moveOutline(motion, patch.outline),
    part: id,
  }));
}

export interface Remade {
  readonly document: BlockDocument;
  /** Patches that were moved by hand and stand where the generator puts them again. */
  readonly putBack: readonly string[];
}

/**
 * Makes a part again with other figures. Cloth painted by hand, locks and choices stay where the patch is still there;
 * patches deleted by hand stay away; patches moved by hand go back.
 */
export function remakePart(document: BlockDocument, partId: string, recipe: Recipe): Remade {
  const { patches, parts = [] } = document;
  const part = parts.find(({ id }) => id === partId);
  if (!part) return { document, putBack: [] };
  const before = new Map(patchesOfPart(part).map((patch) => [patch.id, patch]));
  const now = new Map(patches.filter((patch) => patch.part === partId).map((patch) => [patch.id, patch]));
  const putBack: string[] = [];
  const next = { ...part, recipe };
  const made = patchesOfPart(next).flatMap((fresh): Patch[] => {
    const [old, current] = [before.get(fresh.id), now.get(fresh.id)];
    if (old && !current) return [];
    if (!old || !current) return [fresh];
    if (!isSamePlace(old.outline, current.outline, 0.01)) putBack.push(fresh.id);
    const isPainted = current.fabric !== old.fabric;
    const { outline: _outline, fabric, ...kept } = current;
    return [
      { ...kept, outline: fresh.outline, fabric: isPainted ? fabric : fresh.fabric, layer: fresh.layer },
    ];
  });
  const own = patches.findIndex((patch) => patch.part === partId);
  const others = patches.filter((patch) => patch.part !== partId);
  const at = own < 0 ? others.length : patches.slice(0, own).filter((patch) => patch.part !== partId).length;
  const all = [...others.slice(0, at), ...made, ...others.slice(at)];
  const remade = tidied({
    ...document,
    patches: all,
    parts: parts.map((one) => (one.id === partId ? next : one)),
  });
  return { document: remade, putBack };
}
