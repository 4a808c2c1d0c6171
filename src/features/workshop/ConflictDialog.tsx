import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { BlockDocument } from '@/core/block';
import type { Merged } from '@/core/workshop';

/** Asks whose change stays where two people changed the same of one paper. */
export function ConflictDialog({
  merged,
  onKeep,
  onTake,
}: {
  merged: Merged | undefined;
  onKeep: () => void;
  onTake: (document: BlockDocument) => void;
}) {
  return (
    <Dialog open={merged !== undefined} onClose={onKeep}>
      <DialogTitle>You and someone else changed the same papers</DialogTitle>
      <DialogContent>
        <Typography gutterBottom>All other changes of both are in. Of these, whose shall stay?</Typography>
        <ul>
          {merged?.conflicts.slice(0, 20).map(({ patch, what }, index) => (
            <li key={index}>
              {patch}: {what}
            </li>
          ))}
        </ul>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => merged && onTake(merged.withTheirs)}>Take theirs</Button>
        <Button variant="contained" onClick={onKeep}>
          Keep mine
        </Button>
      </DialogActions>
    </Dialog>
  );
}
