import { useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { Setting } from '@/core/setting';
import { useSavedDocument } from '@/ui/useSavedDocument';
import { readSettingForm, typedFromSetting, withPlaces } from './settingForm';

/** The setting while it is changed: with undo, with the figures as they are typed, and saved by revision. */
export function useSetting(
  projectId: string,
  initial: { readonly setting: Setting; readonly revision: number },
  system: UnitSystem,
) {
  const [typed, setTyped] = useState(() => typedFromSetting(initial.setting, system));
  const [fault, setFault] = useState<{ what: string; mend: string; where: string } | undefined>();
  const show = (next: Setting) => {
    setTyped(typedFromSetting(next, system));
    setFault(undefined);
  };
  const {
    present: setting,
    change: keep,
    ...rest
  } = useSavedDocument({
    projectId,
    name: 'setting',
    initial: initial.setting,
    revision: initial.revision,
    isHeld: fault !== undefined,
    fit: withPlaces,
    onShown: show,
  });
  const change = (next: Setting) => {
    keep(next);
    show(next);
  };
  return {
    ...rest,
    setting,
    change,
    typed,
    fault,
    /** Takes a figure as it is typed; what cannot be read stays as it is typed and is said. */
    type: (name: string, text: string) => {
      const next = { ...typed, [name]: text };
      setTyped(next);
      const reading = readSettingForm(setting, next, system);
      setFault(reading.fault);
      if (reading.setting) keep(reading.setting, `type ${name}`, true);
    },
    /** Exchanges what lies in two places. */
    exchange: (a: number, b: number) => {
      const places = [...setting.places];
      [places[a], places[b]] = [places[b] ?? null, places[a] ?? null];
      change({ ...setting, places });
    },
    putBlock: (cell: number, block: string | null) => {
      const places = [...setting.places];
      places[cell] = block;
      change({ ...setting, places });
    },
  };
}

export type OwnSetting = ReturnType<typeof useSetting>;
