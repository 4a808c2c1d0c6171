'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState, type DragEvent } from 'react';
import type { BagSettings } from '@/core/bags';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { DEFAULT_REACH_MM } from '@/core/weld';
import { send } from '@/ui/api';
import { useClothLooks } from '@/ui/ClothLooks';
import { DRAWING_FILES, FileButton } from '@/ui/FileButton';
import { attempt, readFigure } from '@/ui/figures';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import { DrawingPreview } from './DrawingPreview';
import { NearPapers } from './NearPapers';
import { usePreview } from './usePreview';
import { WeldNote } from './WeldNote';

interface ImportDrawingProps {
  readonly projectId: string;
  readonly knownFabrics: readonly string[];
  readonly settings: BagSettings;
}

/** Brings in a drawing: pick or drop it, look at what it became and what is wrong, then save it. */
export function ImportDrawing({ projectId, knownFabrics, settings }: ImportDrawingProps) {
  const router = useRouter();
  const [svg, setSvg] = useState('');
  const [name, setName] = useState('');
  const [width, setWidth] = useState('');
  const [fileError, setFileError] = useState<{ what: string; mend: string } | undefined>();
  const [isOver, setIsOver] = useState(false);
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
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setIsOver(false);
    void take(event.dataTransfer.files[0]);
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
  return (
    <Stack spacing={2}>
      <Typography variant="h2">Bring in a drawing</Typography>
      <Box
        onDragOver={(event) => {
          event.preventDefault();
          setIsOver(true);
        }}
        onDragLeave={() => setIsOver(false)}
        onDrop={drop}
        sx={{
          border: '2px dashed',
          borderColor: isOver ? 'primary.main' : 'divider',
          bgcolor: 'background.paper',
          p: 2.5,
          display: 'flex',
          gap: 2,
          alignItems: 'center',
          flexWrap: 'wrap',
        }}
      >
        <FileButton
          accept={DRAWING_FILES}
          variant={svg ? 'outlined' : 'contained'}
          onFile={(file) => void take(file)}
        >
          {svg ? 'Choose another drawing' : 'Choose a drawing'}
        </FileButton>
        <Typography color="textSecondary" sx={{ flex: 1, minWidth: 260 }}>
          or drop an SVG file (or a block file saved from Kevlo) here. Each closed shape becomes a patch at
          true size; its colour tells the cloth. Small misfits are put right, and you see what was moved.
        </Typography>
      </Box>
      <ErrorNote error={fileError} />
      {state.kind === 'busy' && (
        <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
          <LinearProgress
            aria-label="Working out the drawing"
            variant={state.share > 0 ? 'determinate' : 'indeterminate'}
            value={state.share * 100}
            sx={{ flex: 1 }}
          />
          <Typography>{Math.round(state.share * 100)} %</Typography>
          <Button onClick={cancel}>Cancel</Button>
        </Stack>
      )}
      {preview?.kind === 'refused' && (
        <Alert severity="error" variant="outlined" icon={false} role="alert">
          <strong>{preview.what}</strong> {preview.mend}
        </Alert>
      )}
      {preview?.kind === 'refused' && preview.code === 'no-physical-size' && (
        <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
          <TextField
            label="Finished width of the drawing"
            placeholder={settings.system === 'inch' ? '12"' : '300 mm'}
            value={width}
            onChange={(event) => setWidth(event.target.value)}
            error={width !== '' && widthMm === undefined}
            helperText={
              width !== '' && widthMm === undefined
                ? settings.system === 'inch'
                  ? 'Write it like 12" or 12½; a bare number is in inches.'
                  : 'Write it like 30 cm or 300; a bare number is in mm.'
                : 'Or say here how wide it is.'
            }
            sx={{ maxWidth: 280 }}
          />
          <Button disabled={widthMm === undefined} onClick={() => start(svg, options)}>
            Use this width
          </Button>
        </Stack>
      )}
      {(preview?.kind === 'faulty' || preview?.kind === 'good') && (
        <>
          <WeldNote
            report={preview.drawing.weld}
            onReach={(reach) => {
              setWeld(reach);
              void start(svg, { ...options, weldMm: reach });
            }}
          />
          {preview.kind === 'good' && (
            <NearPapers
              preview={preview}
              isSnapped={isSnapped}
              onSnap={(is) => {
                setSnapped(is);
                void start(svg, { ...options, isSnapped: is });
              }}
            />
          )}
          <DrawingPreview preview={preview} knownFabrics={knownFabrics} system={settings.system} />
          {preview.kind === 'good' && (
            <Stack spacing={1.5} sx={{ maxWidth: 480 }}>
              <ErrorNote error={error} />
              <TextField
                label="Name of the block"
                value={name}
                onChange={(event) => setName(event.target.value)}
                error={error?.where === 'name'}
              />
              <Stack direction="row" spacing={1}>
                <Button variant="contained" onClick={save} disabled={isBusy}>
                  Save the block
                </Button>
                <Button
                  onClick={() => {
                    setDone(true);
                    router.push(`/p/${projectId}/blocks`);
                  }}
                >
                  Leave without saving
                </Button>
              </Stack>
            </Stack>
          )}
        </>
      )}
    </Stack>
  );
}

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
