'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { measurePaper, type Paper } from '@/core/catalogue';
import { formatArea, type UnitSystem } from '@/core/length';
import { ErrorNote } from '@/ui/ErrorNote';
import { DRAWING_FILES, FileButton } from '@/ui/FileButton';
import { readDrawnPapers, type DrawnPapers } from '@/ui/drawnPapers';

interface PapersOfDrawingProps {
  readonly drawings: DrawnPapers | undefined;
  readonly onRead: (papers: DrawnPapers) => void;
  readonly onMeant: (paper: Paper) => void;
  readonly system: UnitSystem;
}

/** Papers of a drawing, measured and compared with the catalogue. */
export function PapersOfDrawing({ drawings, onRead, onMeant, system }: PapersOfDrawingProps) {
  return (
    <Box component="section">
      <Typography variant="h3" gutterBottom>
        From a drawing
      </Typography>
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
        <FileButton
          accept={DRAWING_FILES}
          onFile={(file) => void file.text().then((text) => onRead(readDrawnPapers(text, system)))}
        >
          Choose a drawing
        </FileButton>
        <Typography color="textSecondary">
          Its papers are measured, and compared with the catalogue. To build with one, take it from the same
          drawing in the workshop.
        </Typography>
      </Stack>
      <Box sx={{ mt: 1.5 }}>
        <ErrorNote error={drawings?.fault} />
        {drawings && 'papers' in drawings && (
          <Stack spacing={1}>
            {drawings.papers.map(({ name, outline, meant }, index) => (
              <Alert key={index} severity={meant ? 'warning' : 'success'} variant="outlined" icon={false}>
                <strong>{name}</strong>, {formatArea(measurePaper(outline).areaMm2, system)}.{' '}
                {meant && (
                  <>
                    This is a {meant.name}; the drawing is {meant.offMm.toFixed(2)} mm off.{' '}
                    <Button size="small" onClick={() => onMeant(meant.paper)}>
                      Use the exact one
                    </Button>
                  </>
                )}
              </Alert>
            ))}
          </Stack>
        )}
      </Box>
    </Box>
  );
}
