'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import Typography from '@mui/material/Typography';
import type { Maker } from '@/server/makers';

interface BlocksDialogProps {
  readonly maker: Maker | undefined;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly onSkip: (maker: Maker, blockId: string, isSkipped: boolean) => void;
  readonly onClose: () => void;
}

/** Chooses which blocks a maker sews; each box counts at once. */
export function BlocksDialog({ maker, blocks, onSkip, onClose }: BlocksDialogProps) {
  return (
    <Dialog open={maker !== undefined} onClose={onClose} aria-labelledby="blocks-title">
      <DialogTitle id="blocks-title">Blocks that {maker?.name} sews</DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" gutterBottom>
          A block that is not ticked needs no bag and is not on their page. What they have sewn of it is kept.
        </Typography>
        <FormGroup>
          {blocks.map(({ id, name }) => (
            <FormControlLabel
              key={id}
              label={name}
              control={
                <Checkbox
                  checked={!maker?.skips.includes(id)}
                  onChange={(_, isSewn) => maker && onSkip(maker, id, !isSewn)}
                />
              }
            />
          ))}
        </FormGroup>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Done</Button>
      </DialogActions>
    </Dialog>
  );
}
