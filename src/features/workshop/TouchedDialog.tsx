import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { counted } from '@/core/words';
import type { Touched } from '@/server/versions';

interface TouchedDialogProps {
  readonly touched: Touched;
  readonly onAll: () => void;
  readonly onVersion: () => void;
  readonly onUndo: () => void;
}

/** Said before it is saved: whose work and which bags a change touches, and what may become of it. */
export function TouchedDialog({ touched: { makers, bags }, onAll, onVersion, onUndo }: TouchedDialogProps) {
  return (
    <Dialog open aria-labelledby="touched-title" maxWidth="sm" fullWidth>
      <DialogTitle id="touched-title">Others have sewn by this block as it was</DialogTitle>
      <DialogContent>
        {makers.length > 0 && (
          <>
            <Typography>With this change these steps have to be done again, with other papers or cloth:</Typography>
            <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
              {makers.map(({ id, name, steps }) => (
                <li key={id}>
                  {name}: {counted(steps, 'step')}
                </li>
              ))}
            </Box>
          </>
        )}
        {bags.length > 0 && (
          <Typography>
            {bags.length === 1 ? 'This bag no longer holds' : 'These bags no longer hold'} what the block takes: {bags.map(({ name }) => name).join(', ')}.
          </Typography>
        )}
        <Typography sx={{ mt: 1 }}>
          As a new version, whoever has begun or has a bag goes on with the old one; the others sew the new one.
        </Typography>
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1 }}>
        <Button onClick={onUndo}>Take the change back</Button>
        <Button onClick={onAll}>Change it for all</Button>
        <Button variant="contained" onClick={onVersion}>
          A new version for the others
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore
