export { generate } from './generate';
export type { Recipe } from './recipe';
export {
  RECIPE_FIELDS,
  RECIPE_NAMES,
  defaultRecipe,
  type RecipeField,
  type RecipeKind,
} from './recipeFields';
