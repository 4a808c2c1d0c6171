'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { inOwnOrder } from '@/core/bags';
import type { Maker } from '@/server/makers';

interface BlocksDialogProps {
  readonly maker: Maker | undefined;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly onSkip: (maker: Maker, blockId: string, isSkipped: boolean) => void;
  readonly onOrder: (maker: Maker, making: readonly string[]) => void;
  readonly onClose: () => void;
}

/** Chooses which blocks a maker sews, and in which order; each press counts at once. */
export function BlocksDialog({ maker, blocks, onSkip, onOrder, onClose }: BlocksDialogProps) {
  const making = maker?.making ?? [];
  const inOrder = inOwnOrder(blocks, making);
  const move = (from: number, to: number) => {
    const ids = inOrder.map(({ id }) => id);
    const [moved] = ids.splice(from, 1);
    if (maker && moved !== undefined) onOrder(maker, ids.toSpliced(to, 0, moved));
  };
  return (
    <Dialog open={maker !== undefined} onClose={onClose} aria-labelledby="blocks-title">
      <DialogTitle id="blocks-title">Blocks that {maker?.name} sews</DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" gutterBottom>
          A block that is not ticked needs no bag and is not on their page. What they have sewn of it is kept. Their page shows the
          blocks in this order; bags are handed out as the calendar says.
        </Typography>
        {inOrder.map(({ id, name }, index) => (
          <Stack key={id} direction="row" sx={{ alignItems: 'center' }}>
            <FormControlLabel
              sx={{ flexGrow: 1 }}
              label={name}
              control={<Checkbox checked={!maker?.skips.includes(id)} onChange={(_, isSewn) => maker && onSkip(maker, id, !isSewn)} />}
            />
            <Button size="small" aria-label={`Sew ${name} earlier`} disabled={index === 0} onClick={() => move(index, index - 1)}>
              Earlier
            </Button>
            <Button size="small" aria-label={`Sew ${name} later`} disabled={index === inOrder.length - 1} onClick={() => move(index, index + 1)}>
              Later
            </Button>
          </Stack>
        ))}
      </DialogContent>
      <DialogActions>
        {maker && making.length > 0 && <Button onClick={() => onOrder(maker, [])}>As they are handed out</Button>}
        <Button onClick={onClose}>Done</Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore
