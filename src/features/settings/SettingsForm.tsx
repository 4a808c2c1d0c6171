'use client';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState, type ChangeEvent } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { InvalidInputError } from '@/core/errors';
import { UNIT_DEFAULTS, formatLength, parseLength } from '@/core/length';
import type { Project, ProjectSettings } from '@/server/projects';
import { RefusedError, send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';

/** The project's settings: what they change is said beside each. */
export function SettingsForm({ project }: { project: Project }) {
  const router = useRouter();
  const notice = useNotice();
  // What the form showed when it was last in step with what was typed.
  const [shown, setShown] = useState<ProjectSettings>(project);
  const { register, handleSubmit, control, getValues, setValue, reset, formState } = useForm({
    defaultValues: {
      name: project.name,
      shop: project.shop,
      unitSystem: project.unitSystem,
      pageSize: project.pageSize,
      allowance: formatLength(project.allowanceMm, project.unitSystem),
      spares: String(project.sparesPercent),
      columns: String(project.gridColumns),
    },
  });
  useUnsaved(formState.isDirty);
  const system = useWatch({ control, name: 'unitSystem' });
  const units = register('unitSystem');
  const { error, isBusy, run } = useSend();
  const put = (settings: Partial<ProjectSettings>) =>
    send<Project>('PATCH', `/api/projects/${project.id}`, settings);
  const submit = handleSubmit((values) =>
    run(async () => {
      const before = shown;
      const typed: ProjectSettings = {
        name: values.name,
        shop: values.shop,
        unitSystem: values.unitSystem,
        pageSize: values.pageSize,
        // A figure that stands as it was printed is the exact one, not what its fraction says.
        allowanceMm:
          values.allowance === formatLength(before.allowanceMm, project.unitSystem)
            ? before.allowanceMm
            : readAllowance(values.allowance, values.unitSystem),
        sparesPercent: Number(values.spares),
        gridColumns: Number(values.columns),
      };
      // What was left alone is not sent: someone else may have changed it meanwhile.
      const changed = (Object.keys(typed) as (keyof ProjectSettings)[]).filter(
        (one) => typed[one] !== before[one],
      );
      const only = (settings: ProjectSettings) =>
        Object.fromEntries(changed.map((one) => [one, settings[one]]));
      await put(only(typed));
      setShown({ ...before, ...only(typed) });
      reset(values);
      notice({
        text: 'Settings saved; bags and plans are worked out anew.',
        undo: () => put(only(before)).then(() => location.reload()),
      });
      router.refresh();
    }),
  );
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
            onChange: (event: ChangeEvent<HTMLInputElement>) => {
              const next = event.target.value as Project['unitSystem'];
              const allowance = sameLength(getValues('allowance'), system, next);
              void units.onChange(event);
              if (allowance !== undefined) setValue('allowance', allowance, { shouldDirty: true });
            },
          },
        }}
      >
        <MenuItem value="inch">inches (cut sizes to ⅛″)</MenuItem>
        <MenuItem value="metric">centimetres and millimetres (cut sizes to 5 mm)</MenuItem>
      </TextField>
      <TextField
        label="Seam allowance"
        {...register('allowance')}
        error={error?.where === 'allowanceMm'}
        helperText={UNIT_DEFAULTS[system].allowanceHint}
      />
      <TextField
        label="Spare papers, %"
        inputMode="decimal"
        {...register('spares')}
        error={error?.where === 'sparesPercent'}
        helperText="Added to each paper kind of each bag, rounded up."
      />
      <TextField
        label="Print on"
        select
        defaultValue={project.pageSize}
        slotProps={{ htmlInput: register('pageSize') }}
      >
        <MenuItem value="A4">A4</MenuItem>
        <MenuItem value="Letter">Letter</MenuItem>
      </TextField>
      <TextField
        label="Blocks across the top"
        inputMode="numeric"
        {...register('columns')}
        error={error?.where === 'gridColumns'}
      />
      <Button type="submit" variant="contained" disabled={isBusy} sx={{ alignSelf: 'flex-start' }}>
        Save the settings
      </Button>
    </Stack>
  );
}

/** What is typed in one unit, in another; undefined where it cannot be read. */
function sameLength(
  text: string,
  from: Project['unitSystem'],
  to: Project['unitSystem'],
): string | undefined {
  try {
    return formatLength(readAllowance(text, from), to);
  } catch {
    return undefined;
  }
}

function readAllowance(text: string, system: Project['unitSystem']): number {
  try {
    return parseLength(text, system === 'inch' ? 'in' : 'mm');
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    throw new RefusedError(0, error.code, error.message, error.mend, 'allowanceMm');
  }
}
