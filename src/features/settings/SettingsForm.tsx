'use client';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ChangeEvent } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { DEFAULT_SEWING } from '@/core/assembly';
import type { Project } from '@/server/projects';
import { ErrorNote } from '@/ui/ErrorNote';
import { printFigures, type Figure, type Typed } from '@/ui/figures';
import { sewingFigures } from '@/ui/sewingFigures';
import { projectFigures } from './settingsFields';
import { useSettings } from './useSettings';

/** The project's settings: what they change is said beside each. */
export function SettingsForm({ project }: { project: Project }) {
  const { form, error, isBusy, submit, changeUnit } = useSettings(project);
  const { register, control, setValue } = form;
  const system = useWatch({ control, name: 'unitSystem' }) === 'inch' ? 'inch' : 'metric';
  const units = register('unitSystem');
  const sewing = sewingFigures(system);
  const resetSewing = () => {
    const printed = printFigures(sewing, { ...DEFAULT_SEWING }, system);
    for (const [name, text] of Object.entries(printed)) setValue(name, text, { shouldDirty: true });
  };
  return (
    <Stack component="form" onSubmit={submit} spacing={2} sx={{ maxWidth: 520 }} noValidate>
      <Typography variant="h2">Settings</Typography>
      <ErrorNote error={error} />
      <TextField label="Project" {...register('name')} error={error?.where === 'name'} />
      <TextField label="Shop or group" {...register('shop')} error={error?.where === 'shop'} />
      <TextField
        label="Lengths in"
        select
        defaultValue={project.unitSystem}
        slotProps={{
          htmlInput: {
            ...units,
            onChange: (event: ChangeEvent<HTMLInputElement>) =>
              changeUnit(event.target.value === 'inch' ? 'inch' : 'metric'),
          },
        }}
      >
        <MenuItem value="inch">inches (cut sizes to ⅛″)</MenuItem>
        <MenuItem value="metric">centimetres and millimetres (cut sizes to 5 mm)</MenuItem>
      </TextField>
      <FigureFields form={form} fields={projectFigures(system)} wrong={error?.where} />
      <TextField
        label="Print on"
        select
        defaultValue={project.pageSize}
        slotProps={{ htmlInput: register('pageSize') }}
      >
        <MenuItem value="A4">A4</MenuItem>
        <MenuItem value="Letter">Letter</MenuItem>
      </TextField>
      <Typography variant="h3">How the group sews</Typography>
      <Typography>
        Times, thread and the order of work are reckoned with these figures. They begin as the craft has them;
        change them once you know your group.
      </Typography>
      <FigureFields form={form} fields={sewing} wrong={error?.where} />
      <Stack direction="row" spacing={2}>
        <Button type="submit" variant="contained" disabled={isBusy}>
          Save the settings
        </Button>
        <Button onClick={resetSewing}>Fill in the usual figures of sewing</Button>
      </Stack>
    </Stack>
  );
}

interface FigureFieldsProps {
  readonly form: UseFormReturn<Typed>;
  readonly fields: readonly Figure[];
  /** Place of what was refused. */
  readonly wrong: string | undefined;
}

function FigureFields({ form, fields, wrong }: FigureFieldsProps) {
  return fields.map(({ name, label, type, hint }) => (
    <TextField
      key={name}
      label={label}
      {...form.register(name)}
      error={wrong === name || wrong === `sewing.${name}`}
      helperText={hint}
      slotProps={{
        htmlInput: { inputMode: type === 'count' ? 'numeric' : type === 'length' ? 'text' : 'decimal' },
        // A value set from outside, as when the unit changes, keeps its label out of the way.
        inputLabel: { shrink: true },
      }}
    />
  ));
}
