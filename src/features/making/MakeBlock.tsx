'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { counted } from '@/core/words';
import { UNIT_DEFAULTS } from '@/core/length';
import type { BagSettings } from '@/core/bags';
import { RECIPE_FIELDS, RECIPE_NAMES, defaultRecipe, type Recipe, type RecipeKind } from '@/core/generate';
import type { Touched } from '@/server/versions';
import { send } from '@/ui/api';
import { BlockDrawing } from '@/ui/drawing';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { mayLeave, useUnsaved } from '@/ui/useUnsaved';
import { formatLength } from '@/core/length';
import { FigureField } from '@/ui/FigureField';
import type { Typed } from '@/ui/figures';
import { previewRecipe, readRecipe, typedFrom } from '@/ui/recipeForm';

interface MakeBlockProps {
  readonly projectId: string;
  readonly knownFabrics: readonly string[];
  readonly settings: BagSettings;
  /** The block to make again, or none for a new one. */
  readonly existing?: {
    readonly id: string;
    readonly name: string;
    readonly revision: number;
    readonly recipe: Recipe;
  };
}

/** Makes a block from figures instead of a drawing, or makes one again with other figures; drawn while one types. */
export function MakeBlock({ projectId, knownFabrics, settings, existing }: MakeBlockProps) {
  const router = useRouter();
  const { system } = settings;
  const own = useMakeBlock({ projectId, knownFabrics, settings, ...(existing ? { existing } : {}) });
  const { kind, typed, name, rename, fault, error, isTold, isBusy, preview, fabrics, choose, type, save } =
    own;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '340px minmax(0, 1fr)' },
        gap: 3,
        alignItems: 'start',
      }}
    >
      <Stack spacing={1.5}>
        <Typography variant="h2">{existing ? `Make ${existing.name} again` : 'Make a block'}</Typography>
        <Choice
          label="What kind"
          value={kind}
          choices={Object.entries(RECIPE_NAMES)}
          onChange={(one) => choose(one as RecipeKind)}
        />
        {RECIPE_FIELDS[kind].map((field) => (
          <FigureField
            key={field.name}
            field={field}
            value={typed[field.name] ?? ''}
            isWrong={fault?.where === field.name}
            onChange={(value) => type({ [field.name]: value })}
          />
        ))}
        <TextField
          label="Fabrics, in turn"
          value={typed.fabrics ?? ''}
          onChange={(event) => type({ fabrics: event.target.value })}
          error={fault?.where === 'fabrics'}
          helperText="Names with commas between; from the middle outwards, or in turn."
        />
        {!existing && (
          <TextField
            label="Name of the block"
            value={name}
            onChange={(event) => rename(event.target.value)}
            error={error?.where === 'name'}
          />
        )}
        <ErrorNote error={fault ?? error} />
        <Stack direction="row" spacing={1}>
          <Button variant="contained" onClick={save} disabled={isBusy || fault !== undefined}>
            {!existing ? 'Save the block' : isTold ? 'Change it for all' : 'Save the change'}
          </Button>
          <Button onClick={() => mayLeave() && router.back()}>Leave</Button>
        </Stack>
        {existing && (
          <Typography variant="body2" color="textSecondary">
            Ticks on steps that stay the same are kept; others are listed on the maker’s page.
          </Typography>
        )}
      </Stack>
      <Box>
        {preview?.sheet && (
          <>
            <BlockDrawing
              label={RECIPE_NAMES[kind]}
              patches={preview.sheet.patches}
              kindNames={preview.sheet.kinds}
              widthMm={preview.sheet.widthMm}
              heightMm={preview.sheet.heightMm}
              fabrics={fabrics}
              system={system}
            />
            <Typography>
              {counted(preview.sheet.patches.length, 'paper')}, {formatLength(preview.sheet.widthMm, system)}{' '}
              × {formatLength(preview.sheet.heightMm, system)}: {preview.sheet.counts.join(', ')}.
            </Typography>
          </>
        )}
      </Box>
    </Box>
  );
}

/** The figures as they are typed, what they would make, and how that is saved. */
function useMakeBlock({ projectId, knownFabrics, settings, existing }: MakeBlockProps) {
  const router = useRouter();
  const { system } = settings;
  const [kind, setKind] = useState<RecipeKind>(existing?.recipe.kind ?? 'rosette');
  // Of each kind: who looks at another kind finds what they typed again.
  const [drafts, setDrafts] = useState<Partial<Record<RecipeKind, Typed>>>({});
  const typed = useMemo(() => {
    const usual = existing?.recipe.kind === kind ? existing.recipe : defaultRecipe(kind, UNIT_DEFAULTS[system].stepMm);
    return drafts[kind] ?? typedFrom(usual, system);
  }, [drafts, kind, existing, system]); // prettier-ignore
  const [name, setName] = useState(existing?.name ?? '');
  const [isTouched, setTouched] = useState(false);
  useUnsaved(isTouched);
  const { error, isBusy, run } = useSend();
  const reading = useMemo(
    () => readRecipe(kind, typed, system, existing?.recipe),
    [kind, typed, system, existing],
  );
  const shown = useDeferredValue(reading);
  const preview = useMemo(
    () => (shown.recipe ? previewRecipe(shown.recipe, system) : undefined),
    [shown, system],
  );
  const fault = reading.fault ?? preview?.fault;
  const fabrics = useMemo(
    () =>
      [...new Set([...knownFabrics, ...(preview?.sheet?.patches.map(({ fabric }) => fabric) ?? [])])].sort(),
    [knownFabrics, preview],
  );
  const type = (change: Typed) => {
    setDrafts({ ...drafts, [kind]: { ...typed, ...change } });
    setTouched(true);
  };
  // Whose work it touches was said: pressed again, it may.
  const mayTouch = error?.code === 'touches-work' ? touchedBy(error.current) : undefined;
  const save = () =>
    run(async () => {
      const { recipe } = reading;
      if (!recipe) return;
      const blocks = `/api/projects/${projectId}/blocks`;
      if (existing)
        await send('PATCH', `${blocks}/${existing.id}`, {
          recipe,
          revision: existing.revision,
          ...(mayTouch ? { mayTouch } : {}),
        });
      const { id } = existing ?? (await send<{ id: string }>('POST', blocks, { name, recipe }));
      setTouched(false);
      router.push(`/p/${projectId}/blocks/${id}`);
      router.refresh();
    });
  const rename = (next: string) => {
    setName(next);
    setTouched(true);
  };
  const isTold = mayTouch !== undefined;
  return {
    kind,
    typed,
    name,
    rename,
    fault,
    error,
    isTold,
    isBusy,
    preview,
    fabrics,
    choose: setKind,
    type,
    save,
  };
}

/** Makers whose work or bag a refused change touches. */
function touchedBy(current: unknown): string[] {
  const { makers = [], bags = [] } = (current ?? {}) as Partial<Touched>;
  return [...new Set([...makers, ...bags].map(({ id }) => id))];
}
