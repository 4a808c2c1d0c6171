'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type DragEvent } from 'react';
import type { BagSettings } from '@/core/bags';
import { ErrorNote } from '@/ui/ErrorNote';
import { DRAWING_FILES, FileButton } from '@/ui/FileButton';
import { DrawingPreview } from './DrawingPreview';
import { NearPapers } from './NearPapers';
import { useImport, type Import } from './useImport';
import { WeldNote } from './WeldNote';

interface ImportDrawingProps {
  readonly projectId: string;
  readonly knownFabrics: readonly string[];
  readonly settings: BagSettings;
}

/** Brings in a drawing: pick or drop it, look at what it became and what is wrong, then save it. */
export function ImportDrawing({ projectId, knownFabrics, settings }: ImportDrawingProps) {
  const own = useImport(projectId, settings);
  const { state, preview } = own;
  return (
    <Stack spacing={2}>
      <Typography variant="h2">Bring in a drawing</Typography>
      <DropPlace hasFile={own.hasFile} onFile={(file) => void own.take(file)} />
      <ErrorNote error={own.fileError} />
      {state.kind === 'busy' && (
        <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
          <LinearProgress
            aria-label="Working out the drawing"
            variant={state.share > 0 ? 'determinate' : 'indeterminate'}
            value={state.share * 100}
            sx={{ flex: 1 }}
          />
          <Typography>{Math.round(state.share * 100)} %</Typography>
          <Button onClick={own.cancel}>Cancel</Button>
        </Stack>
      )}
      {preview?.kind === 'refused' && (
        <Alert severity="error" variant="outlined" icon={false} role="alert">
          <strong>{preview.what}</strong> {preview.mend}
        </Alert>
      )}
      {preview?.kind === 'refused' && preview.code === 'no-physical-size' && (
        <WidthAsked own={own} system={settings.system} />
      )}
      {(preview?.kind === 'faulty' || preview?.kind === 'good') && (
        <>
          <WeldNote report={preview.drawing.weld} onReach={own.reach} />
          {preview.kind === 'good' && (
            <NearPapers preview={preview} isSnapped={own.isSnapped} onSnap={own.snap} />
          )}
          <DrawingPreview preview={preview} knownFabrics={knownFabrics} system={settings.system} />
          {preview.kind === 'good' && <SaveDrawing own={own} />}
        </>
      )}
    </Stack>
  );
}

/** Where a file is dropped or chosen. */
function DropPlace({ hasFile, onFile }: { hasFile: boolean; onFile: (file: File | undefined) => void }) {
  const [isOver, setIsOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setIsOver(false);
    onFile(event.dataTransfer.files[0]);
  };
  return (
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
      <FileButton accept={DRAWING_FILES} variant={hasFile ? 'outlined' : 'contained'} onFile={onFile}>
        {hasFile ? 'Choose another drawing' : 'Choose a drawing'}
      </FileButton>
      <Typography color="textSecondary" sx={{ flex: 1, minWidth: 260 }}>
        or drop an SVG file (or a block file saved from Kevlo) here. Each closed shape becomes a patch at true
        size; its colour tells the cloth. Small misfits are put right, and you see what was moved.
      </Typography>
    </Box>
  );
}

/** Asks for the finished width of a drawing that does not tell its size. */
function WidthAsked({ own, system }: { own: Import; system: BagSettings['system'] }) {
  const isWrong = own.width !== '' && own.widthMm === undefined;
  const how =
    system === 'inch'
      ? 'Write it like 12" or 12½; a bare number is in inches.'
      : 'Write it like 30 cm or 300; a bare number is in mm.';
  return (
    <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
      <TextField
        label="Finished width of the drawing"
        placeholder={system === 'inch' ? '12"' : '300 mm'}
        value={own.width}
        onChange={(event) => own.setWidth(event.target.value)}
        error={isWrong}
        helperText={isWrong ? how : 'Or say here how wide it is.'}
        sx={{ maxWidth: 280 }}
      />
      <Button disabled={own.widthMm === undefined} onClick={() => own.again({})}>
        Use this width
      </Button>
    </Stack>
  );
}

/** The name under which a sound drawing is saved. */
function SaveDrawing({ own }: { own: Import }) {
  const { error } = own;
  return (
    <Stack spacing={1.5} sx={{ maxWidth: 480 }}>
      <ErrorNote error={error} />
      <TextField
        label="Name of the block"
        value={own.name}
        onChange={(event) => own.setName(event.target.value)}
        error={error?.where === 'name'}
      />
      <Stack direction="row" spacing={1}>
        <Button variant="contained" onClick={own.save} disabled={own.isBusy}>
          Save the block
        </Button>
        <Button onClick={own.leave}>Leave without saving</Button>
      </Stack>
    </Stack>
  );
}
