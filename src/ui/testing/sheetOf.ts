import type { BlockDocument } from '@/core/block';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '@/core/generate';
import { blockSheet, type BlockSheet } from '@/core/sheet';

/** What a project asks for where a test asks for nothing else. */
export const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;

/** Sheets by what they were made of: planning takes most of the time of a test, and many tests show the same block. */
const made = new Map<string, BlockSheet>();

/** The sheet of a block, or of one made by a recipe with its usual figures. */
export function sheetOf(block: BlockDocument | RecipeKind): BlockSheet {
  const document = typeof block === 'string' ? documentOfRecipe(defaultRecipe(block)) : block;
  const key = JSON.stringify(document);
  const sheet = made.get(key) ?? blockSheet(document.patches, SETTINGS, undefined, document);
  made.set(key, sheet);
  return sheet;
}
