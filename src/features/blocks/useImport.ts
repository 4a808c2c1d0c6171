import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { BagSettings } from '@/core/bags';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { DEFAULT_REACH_MM } from '@/core/weld';
import { send } from '@/ui/api';
import { useClothLooks } from '@/ui/ClothLooks';
import { attempt, readFigure } from '@/ui/figures';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import { usePreview } from './usePreview';

/** A drawing that is being brought in: its file, what was chosen for it, its preview, and how it is saved. */
export function useImport(projectId: string, settings: BagSettings) {
  const router = useRouter();
  const [svg, setSvg] = useState('');
  const [name, setName] = useState('');
  const [width, setWidth] = useState('');
  const [fileError, setFileError] = useState<{ what: string; mend: string } | undefined>();
  const [isDone, setDone] = useState(false);
  const [isSnapped, setSnapped] = useState(false);
  const [weldMm, setWeld] = useState<number>(DEFAULT_REACH_MM);
  const looks = useClothLooks();
  const known = useMemo(
    () => Object.fromEntries(Object.entries(looks).map(([cloth, { ground }]) => [cloth, ground])),
    [looks],
  );
  const { state, start, cancel } = usePreview(settings, known);
  const { error, isBusy, run } = useSend();
  useUnsaved(svg !== '' && !isBusy && !isDone);
  const preview = state.kind === 'ready' ? state.preview : undefined;
  const widthMm = readWidth(width, settings.system);

  const options = { weldMm, isSnapped, ...(widthMm === undefined ? {} : { widthMm }) };

  const take = async (file: File | undefined) => {
    if (!file) return;
    setFileError(undefined);
    if (file.size > MAX_DRAWING_BYTES) {
      setFileError({
        what: `${file.name} is ${(file.size / 1e6).toFixed(0)} MB; the most is ${MAX_DRAWING_BYTES / 1e6} MB.`,
        mend: 'Remove embedded pictures, or split the project into blocks.',
      });
      return;
    }
    const text = await file.text();
    setSvg(text);
    setSnapped(false);
    setName((before) => before || titleFrom(file.name));
    await start(text, { weldMm });
  };
  const save = () =>
    run(async () => {
      const { id } = await send<{ id: string }>('POST', `/api/projects/${projectId}/blocks`, {
        name,
        svg,
        ...options,
      });
      setDone(true);
      router.push(`/p/${projectId}/blocks/${id}`);
      router.refresh();
    });
  const again = (change: Partial<typeof options>) => void start(svg, { ...options, ...change });
  return {
    hasFile: svg !== '',
    name,
    setName,
    width,
    setWidth,
    widthMm,
    fileError,
    state,
    preview,
    isSnapped,
    error,
    isBusy,
    take,
    cancel,
    save,
    again,
    snap: (is: boolean) => {
      setSnapped(is);
      again({ isSnapped: is });
    },
    reach: (reach: number) => {
      setWeld(reach);
      again({ weldMm: reach });
    },
    leave: () => {
      setDone(true);
      router.push(`/p/${projectId}/blocks`);
    },
  };
}

export type Import = ReturnType<typeof useImport>;

function readWidth(text: string, system: BagSettings['system']): number | undefined {
  return attempt(() => readFigure(text, 'length', system) as number).value;
}

function titleFrom(fileName: string): string {
  const words = fileName
    .replace(/(\.kevlo-block)?\.(svg|json)$/i, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  return words.replace(/\b\p{L}/gu, (letter) => letter.toUpperCase()).slice(0, 120);
}
