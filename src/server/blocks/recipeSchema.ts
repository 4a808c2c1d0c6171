import Joi from 'joi';
import { RECIPE_FIELDS, type Recipe, type RecipeKind } from '@/core/generate';

const KINDS = Object.keys(RECIPE_FIELDS) as RecipeKind[];

/** What a request may send as a recipe: the figures that its generator asks for, and no others. */
export const recipeSchema: Joi.ObjectSchema<Recipe> = KINDS.reduce<Joi.ObjectSchema>(
  (schema, kind) => schema.when(Joi.object({ kind: Joi.valid(kind) }).unknown(), { then: schemaOf(kind) }),
  Joi.object({ kind: Joi.valid(...KINDS).required() }).required(),
);

function schemaOf(kind: RecipeKind): Joi.ObjectSchema {
  const fields = RECIPE_FIELDS[kind].map((field) => {
    if (field.type === 'choice')
      return [field.name, Joi.valid(...field.choices.map(([value]) => value)).required()];
    return [field.name, (field.type === 'count' ? Joi.number().integer() : Joi.number()).required()];
  });
  return Joi.object({
    kind: Joi.valid(kind).required(),
    fabrics: Joi.array().items(Joi.string().trim().min(1).max(80)).min(1).max(12).required(),
    ...Object.fromEntries(fields),
  });
}
