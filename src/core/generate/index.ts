export { generate } from './generate';
export type { Recipe } from './recipe';
export {
  RECIPE_FIELDS,
  RECIPE_NAMES,
  defaultRecipe,
  type RecipeField,
  type RecipeKind,
} from './recipeFields';
export { documentOfRecipe, isRecipe, patchesOfPart, remakePart, wholeRecipe, type Remade } from './parts';
