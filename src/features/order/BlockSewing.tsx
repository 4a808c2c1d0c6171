'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useForm, useWatch } from 'react-hook-form';
import { BLOCK_FIGURES, SEWING_FIGURES, type SewingFigure } from '@/core/assembly';
import type { UnitSystem } from '@/core/length';
import { withSewing, type BlockSheet } from '@/core/sheet';
import { FigureField } from '@/ui/FigureField';
import { printFigure, printFigures, readFigures, type Typed } from '@/ui/figures';
import { sewingFigures } from '@/ui/sewingFigures';
import { useDocumentChange } from './useDocumentChange';

interface BlockSewingProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly sheet: BlockSheet;
  readonly system: UnitSystem;
}

/** Stitches, needleful and thread of this block, where they are not those of the project. */
export function BlockSewing({ projectId, blockId, sheet, system }: BlockSewingProps) {
  const change = useDocumentChange(projectId, blockId);
  const fields = sewingFigures(system, BLOCK_FIGURES);
  const { sewing, plan } = sheet;
  const own = plan.order?.sewing;
  const printed = printFigures(fields, { ...sewing }, system);
  const { control, setValue, setError, clearErrors, reset, handleSubmit, formState } = useForm<Record<string, string>>({
    values: printed,
  }); // prettier-ignore
  const typed = useWatch({ control });
  const save = handleSubmit(async (values) => {
    const { figures, fault } = readFigures(fields, values as Typed, system, { ...sewing });
    if (fault) {
      setError(fault.where, { message: `${fault.what} ${fault.mend}` });
      return;
    }
    const far = BLOCK_FIGURES.find((name) => !isWithin(name, figures[name] as number));
    if (far) {
      setError(far, { message: farText(far, system) });
      return;
    }
    const before = sewing as unknown as Readonly<Record<string, number>>;
    const changed = BLOCK_FIGURES.filter((name) => figures[name] !== before[name] || (own && name in own));
    const next = Object.fromEntries(changed.map((name) => [name, figures[name] as number]));
    await change('This block is sewn so now. Its times and threads are reckoned anew.', (document) =>
      withSewing(document, next),
    );
  });
  const asProject = () =>
    change('This block is sewn as the project is.', (document) => withSewing(document, undefined));
  const faults = Object.values(formState.errors).flatMap((error) => error?.message ?? []);
  return (
    <Box
      component="form"
      onSubmit={(event: React.FormEvent<HTMLFormElement>) => void save(event)}
      aria-label="Thread of this block"
    >
      <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
        Thread of this block{own ? ': its own' : ': as the project sews'}
      </Typography>
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1.5 }}>
        {fields.map((field) => (
          <Box key={field.name} sx={{ width: 250 }}>
            <FigureField
              field={field}
              value={typed[field.name] ?? ''}
              isWrong={formState.errors[field.name] !== undefined}
              onChange={(value) => {
                clearErrors(field.name);
                setValue(field.name, value, { shouldDirty: true });
              }}
            />
          </Box>
        ))}
      </Stack>
      {faults.length > 0 && (
        <Typography role="alert" color="error" sx={{ mt: 0.5 }}>
          {faults.join(' ')}
        </Typography>
      )}
      <Stack direction="row" sx={{ gap: 1, mt: 1 }}>
        <Button type="submit" disabled={!formState.isDirty}>
          Use for this block
        </Button>
        {formState.isDirty && <Button onClick={() => reset(printed)}>Leave it</Button>}
        {own && <Button onClick={() => void asProject()}>As the project</Button>}
      </Stack>
    </Box>
  );
}

function isWithin(name: SewingFigure, value: number): boolean {
  const { least, most } = SEWING_FIGURES[name];
  return value >= least && value <= most;
}

function farText(name: SewingFigure, system: UnitSystem): string {
  const { name: label, least, most } = SEWING_FIGURES[name];
  const [field] = sewingFigures(system, [name]);
  const say = (value: number) => printFigure(value, field?.type ?? 'number', system);
  return `${label}: from ${say(least)} to ${say(most)} is sewn. Give a figure between.`;
}
