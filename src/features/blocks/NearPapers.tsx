import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { counted } from '@/core/words';
import type { Preview } from '@/workers/importWorker';

interface NearPapersProps {
  readonly preview: Extract<Preview, { kind: 'good' }>;
  readonly isSnapped: boolean;
  readonly onSnap: (isSnapped: boolean) => void;
}

/** Papers of a drawing that are nearly, but not exactly, papers of the catalogue; with the offer to use those. */
export function NearPapers({ preview, isSnapped, onSnap }: NearPapersProps) {
  const { guesses } = preview.drawing;
  if (guesses.length === 0) return null;
  return (
    <Alert severity="info" variant="outlined" icon={false}>
      <strong>
        {isSnapped
          ? 'Exact papers of the catalogue are used, and the block is laid together from them.'
          : 'Some papers are nearly, but not exactly, papers of the catalogue.'}
      </strong>
      <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
        {guesses.slice(0, 8).map(({ name, offMm, patches }, index) => (
          <li key={index}>
            {patches.length === 1 ? 'One paper is' : `${patches.length} papers are`} a {name}; the drawing is{' '}
            {offMm.toFixed(2)} mm off.
          </li>
        ))}
        {guesses.length > 8 && <li>… and {counted(guesses.length - 8, 'kind')} more.</li>}
      </Box>
      <Button size="small" onClick={() => onSnap(!isSnapped)}>
        {isSnapped ? 'Leave them as drawn' : 'Snap them to the exact papers'}
      </Button>
    </Alert>
  );
}
