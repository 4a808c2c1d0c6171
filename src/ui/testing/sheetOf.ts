import type { BlockDocument } from '@/core/block';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '@/core/generate';
import type { BlockSheet } from '@/core/sheet';
import { plannedSheet } from '@/core/testing';

/** What a project asks for where a test asks for nothing else. */
export const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;

/** The sheet of a block, or of one made by a recipe with its usual figures. */
export function sheetOf(block: BlockDocument | RecipeKind): BlockSheet {
  const document = typeof block === 'string' ? documentOfRecipe(defaultRecipe(block)) : block;
  return plannedSheet(document.patches, SETTINGS, undefined, document);
}
