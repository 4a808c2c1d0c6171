'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { sewingOf } from '@/core/assembly';
import type { UnitSystem } from '@/core/length';
import type { Project, ProjectSettings } from '@/server/projects';
import { RefusedError, send } from '@/ui/api';
import type { Typed } from '@/ui/figures';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import { changesOf, inOtherUnit, readSettings, typedFromSettings } from './settingsFields';

/** The form of a project's settings: reads it, sends what changed and nothing else, and offers to take it back. */
export function useSettings(project: Project) {
  const router = useRouter();
  const notice = useNotice();
  // The settings that the form showed when it was last in step with what was typed.
  const [shown, setShown] = useState<ProjectSettings>(() => settingsOf(project));
  const form = useForm<Typed>({ defaultValues: typedFromSettings(shown) });
  useUnsaved(form.formState.isDirty);
  const { error, isBusy, run } = useSend();
  const put = (settings: Partial<ProjectSettings>) =>
    send<Project>('PATCH', `/api/projects/${project.id}`, settings);
  const submit = form.handleSubmit((typed) =>
    run(async () => {
      const { settings, fault } = readSettings(typed, shown);
      if (fault) throw new RefusedError(0, 'typed', fault.what, fault.mend, fault.where);
      const { changed, back } = changesOf(shown, settings);
      await put(changed);
      setShown({ ...shown, ...changed, sewing: { ...sewingOf(shown.sewing), ...changed.sewing } });
      form.reset(typed);
      notice({
        text: 'Settings saved; bags and plans are worked out anew.',
        undo: () => put(back).then(() => location.reload()),
      });
      router.refresh();
    }),
  );
  const changeUnit = (to: UnitSystem) => {
    for (const [name, text] of Object.entries(inOtherUnit(form.getValues(), shown, to)))
      form.setValue(name, text, { shouldDirty: true });
  };
  return { form, error, isBusy, submit, changeUnit };
}

function settingsOf({
  name,
  shop,
  unitSystem,
  pageSize,
  allowanceMm,
  sparesPercent,
  gridColumns,
  sewing,
}: Project): ProjectSettings {
  return { name, shop, unitSystem, pageSize, allowanceMm, sparesPercent, gridColumns, sewing };
}
