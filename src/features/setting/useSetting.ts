import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { Setting } from '@/core/setting';
import { record, redo, startHistory, undo } from '@/core/workshop';
import { send } from '@/ui/api';
import { useKeptHistory } from '@/ui/useKeptHistory';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import { readSettingForm, typedFromSetting, withPlaces } from './settingForm';

/** The setting is saved when the hands rest this long, ms. */
const REST_MS = 800;

/** The setting while it is changed: with undo, with the figures as they are typed, and saved by revision. */
export function useSetting(
  projectId: string,
  initial: { readonly setting: Setting; readonly revision: number },
  system: UnitSystem,
) {
  const router = useRouter();
  const [history, setHistory] = useState(() => startHistory(initial.setting));
  useKeptHistory(`kevlo-undo-setting-${projectId}`, history, setHistory);
  const setting = history.present;
  const [typed, setTyped] = useState(() => typedFromSetting(setting, system));
  const [saved, setSaved] = useState(initial);
  const [fault, setFault] = useState<{ what: string; mend: string; where: string } | undefined>();
  const { error, isBusy, run, settle } = useSend();

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
  const save = () =>
    run(async () => {
      const { revision } = await send<{ revision: number }>('PUT', `/api/projects/${projectId}/setting`, {
        setting,
        revision: saved.revision,
      });
      setSaved({ setting, revision });
      router.refresh();
    });
  const isUnsaved = setting !== saved.setting;
  useUnsaved(isUnsaved || fault !== undefined);
  // It saves itself a moment after each change; a save that was refused waits for the host.
  const saveNow = useRef(save);
  useEffect(() => {
    saveNow.current = save;
  });
  const waits = isUnsaved && !isBusy && fault === undefined && error === undefined;
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => void saveNow.current(), REST_MS);
    return () => clearTimeout(timer);
  }, [waits, setting]);
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
    type: (name: string, text: string) => {
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
    save,
    /** Where someone saved meanwhile: theirs becomes what is shown; undo brings mine back and saves it over theirs. */
    showTheirs:
      theirs &&
      (() => {
        change(withPlaces(theirs.setting, setting));
        setSaved(theirs);
        settle();
      }),
  };
}

function newerSetting(current: unknown): { setting: Setting; revision: number } | undefined {
  const newer = current as { setting?: Setting; revision?: number } | undefined;
  return newer?.setting && newer.revision !== undefined
    ? { setting: newer.setting, revision: newer.revision }
    : undefined;
}

export type OwnSetting = ReturnType<typeof useSetting>;
