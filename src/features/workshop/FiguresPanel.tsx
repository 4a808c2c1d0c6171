'use client';
import { itemAt } from '@/core/lists';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { counted } from '@/core/words';
import type { Part } from '@/core/block';
import { InvalidInputError } from '@/core/errors';
import {
  RECIPE_FIELDS,
  RECIPE_NAMES,
  defaultRecipe,
  patchesOfPart,
  remakePart,
  type Recipe,
  type RecipeKind,
} from '@/core/generate';
import { boxOfPoints } from '@/core/geometry';
import { UNIT_DEFAULTS, type UnitSystem } from '@/core/length';
import { addPatches } from '@/core/workshop';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { FigureField } from '@/ui/FigureField';
import type { Fault } from '@/ui/figures';
import { readRecipe, typedFrom } from '@/ui/recipeForm';
import type { Workshop } from './useWorkshop';

/** Parts made from figures: their figures can be changed again, and new ones laid beside what is there. */
export function FiguresPanel({ shop, system }: { shop: Workshop; system: UnitSystem }) {
  const parts = shop.document.parts ?? [];
  return (
    <Stack spacing={1.5}>
      {parts.map((part) => (
        <PartForm key={part.id} shop={shop} part={part} system={system} />
      ))}
      <NewPart shop={shop} system={system} />
    </Stack>
  );
}

function PartForm({ shop, part, system }: { shop: Workshop; part: Part; system: UnitSystem }) {
  const recipe = part.recipe as Recipe;
  const [typed, setTyped] = useState(() => typedFrom(recipe, system));
  const [refusal, setRefusal] = useState<Fault | undefined>();
  const reading = useMemo(() => readRecipe(recipe.kind, typed, system, recipe), [recipe, typed, system]);
  const fault = reading.fault ?? refusal;
  const apply = () => {
    if (!reading.recipe) return;
    try {
      const { document, putBack } = remakePart(shop.document, part.id, reading.recipe);
      shop.edit(() => document, 'Change figures');
      setRefusal(undefined);
      const back =
        putBack.length > 0
          ? ` ${counted(putBack.length, 'paper')} moved by hand went back to their place.`
          : '';
      shop.setSaid(
        `${RECIPE_NAMES[recipe.kind]}: made again, ${counted(document.patches.length, 'paper')} now.${back}`,
      );
    } catch (error) {
      setRefusal(asFault(error));
    }
  };
  const name = RECIPE_NAMES[recipe.kind];
  return (
    <Paper sx={{ p: 1.25 }} role="group" aria-label={`Figures of the ${name}`}>
      <Typography variant="h3" gutterBottom>
        {name}
      </Typography>
      <Stack spacing={1}>
        {RECIPE_FIELDS[recipe.kind].map((field) => (
          <FigureField
            key={field.name}
            field={field}
            value={typed[field.name] ?? ''}
            isWrong={fault?.where === field.name}
            onChange={(value) => setTyped({ ...typed, [field.name]: value })}
          />
        ))}
        <ErrorNote error={fault} />
        <Stack direction="row" spacing={1}>
          <Button size="small" variant="contained" disabled={!reading.recipe} onClick={apply}>
            Make it again
          </Button>
          <Button
            size="small"
            onClick={() => shop.pick(shop.patches.flatMap((one, i) => (one.part === part.id ? [i] : [])))}
          >
            Pick its papers
          </Button>
        </Stack>
      </Stack>
    </Paper>
  );
}

function NewPart({ shop, system }: { shop: Workshop; system: UnitSystem }) {
  const { stepMm } = UNIT_DEFAULTS[system];
  const [kind, setKind] = useState<RecipeKind>('rosette');
  const add = () => {
    const { parts = [], patches } = shop.document;
    const number = 1 + Math.max(0, ...parts.map(({ id }) => Number(/\d+$/.exec(id)?.[0] ?? 0)));
    const recipe = {
      ...defaultRecipe(kind, stepMm),
      ...(shop.fabric ? { fabrics: fabricsFor(kind, shop) } : {}),
    } as Recipe;
    const draft: Part = {
      id: `p${number}`,
      recipe,
      prefix: patches.length === 0 ? '' : `p${number}-`,
      x: 0,
      y: 0,
      turnDeg: 0,
    };
    const own = boxOfPoints(patchesOfPart(draft).flatMap(({ outline }) => outline.corners));
    const there =
      patches.length === 0 ? undefined : boxOfPoints(patches.flatMap(({ outline }) => outline.corners));
    // Beside what is there, a step apart: from there it is moved into its place.
    const part = there
      ? {
          ...draft,
          x: there.maxX - own.minX + stepMm,
          y: (there.minY + there.maxY - own.minY - own.maxY) / 2,
        }
      : draft;
    shop.edit(
      (now) => ({ ...addPatches(now, patchesOfPart(part)), parts: [...(now.parts ?? []), part] }),
      'Add from figures',
    );
    shop.setSaid(`${RECIPE_NAMES[kind]} added; change its figures here.`);
  };
  return (
    <Stack direction="row" spacing={1}>
      <Choice
        label="Add from figures"
        value={kind}
        choices={Object.entries(RECIPE_NAMES)}
        onChange={(one) => setKind(one as RecipeKind)}
      />
      <Button onClick={add}>Add</Button>
    </Stack>
  );
}

function fabricsFor(kind: RecipeKind, shop: Workshop): readonly string[] {
  const used = [...new Set(shop.patches.map(({ fabric }) => fabric))];
  const wanted = defaultRecipe(kind).fabrics;
  return used.length >= 2 ? wanted.map((_, i) => itemAt(used, i % used.length)) : wanted;
}

function asFault(error: unknown): Fault {
  if (!(error instanceof InvalidInputError)) throw error;
  return { what: error.message, mend: error.mend, where: error.place.name ?? '' };
}
