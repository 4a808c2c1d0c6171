import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { Setting } from '@/core/setting';
import { record, redo, startHistory, undo } from '@/core/workshop';
import { send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { readSettingForm, typedFromSetting, withPlaces, type TypedSetting } from './settingForm';

/** The setting while it is changed: with undo, with the figures as they are typed, and saved by revision. */
export function useSetting(
  projectId: string,
  initial: { readonly setting: Setting; readonly revision: number },
  system: UnitSystem,
) {
  const router = useRouter();
  const notice = useNotice();
  const [history, setHistory] = useState(() => startHistory(initial.setting));
  const setting = history.present;
  const [typed, setTyped] = useState(() => typedFromSetting(setting, system));
  const [saved, setSaved] = useState(initial);
  const [fault, setFault] = useState<{ what: string; mend: string; where: string } | undefined>();
  const { error, isBusy, run } = useSend();

  const show = (next: Setting) => {
    setTyped(typedFromSetting(next, system));
    setFault(undefined);
  };
  const change = (next: Setting) => {
    setHistory((own) => record(own, next, 'setting'));
    show(next);
  };
  const step = (go: typeof undo<Setting>) => {
    const next = go(history);
    setHistory(next);
    show(next.present);
  };
  const theirs = error?.status === 409 ? newerSetting(error.current) : undefined;
  return {
    setting,
    change,
    undo: history.past.length > 0 ? () => step(undo) : undefined,
    redo: history.future.length > 0 ? () => step(redo) : undefined,
    typed,
    fault,
    error,
    isSaved: setting === saved.setting,
    canSave: !isBusy && fault === undefined && setting !== saved.setting,
    /** Takes a figure as it is typed; what cannot be read stays as it is typed and is said. */
    type: (name: keyof TypedSetting, text: string) => {
      const next = { ...typed, [name]: text };
      setTyped(next);
      const reading = readSettingForm(setting, next, system);
      setFault(reading.fault);
      if (reading.setting) setHistory((own) => record(own, reading.setting as Setting, `type ${name}`, true));
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
    save: () =>
      run(async () => {
        const { revision } = await send<{ revision: number }>('PUT', `/api/projects/${projectId}/setting`, {
          setting,
          revision: saved.revision,
        });
        setSaved({ setting, revision });
        notice({ text: 'The setting is saved.' });
        router.refresh();
      }),
    /** Where someone saved meanwhile: theirs becomes what is shown; undo brings mine back, to be saved over theirs or not. */
    showTheirs:
      theirs &&
      (() => {
        change(withPlaces(theirs.setting, setting));
        setSaved(theirs);
      }),
  };
}

function newerSetting(current: unknown): { setting: Setting; revision: number } | undefined {
  const newer = current as { setting?: Setting; revision?: number } | undefined;
  return newer?.setting && newer.revision !== undefined
    ? { setting: newer.setting, revision: newer.revision }
    : undefined;
}
