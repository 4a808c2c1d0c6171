'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { isDay, plusDays, type BlockWork, type Drop } from '@/core/calendar';
import { counted } from '@/core/words';
import { ErrorNote } from '@/ui/ErrorNote';

interface DropsDialogProps {
  readonly blocks: readonly BlockWork[];
  readonly from: string;
  readonly newId: () => string;
  readonly onKeep: (drops: readonly Drop[]) => void;
  readonly onClose: () => void;
}

/** Lays out drops for all blocks at once, in their places in the top: so many at a time, so many weeks apart. */
export function DropsDialog({ blocks, from, newId, onKeep, onClose }: DropsDialogProps) {
  const [day, setDay] = useState(from);
  const [each, setEach] = useState('1');
  const [weeks, setWeeks] = useState('4');
  const [size, apart] = [Number(each), Number(weeks)];
  const isRight = isDay(day) && inRange(size, 400) && inRange(apart, 52);
  const count = isRight ? Math.ceil(blocks.length / size) : 0;
  const keep = () =>
    onKeep(
      Array.from({ length: count }, (_, index) => ({
        kind: 'drop',
        id: newId(),
        title: `Drop ${index + 1}`,
        day: plusDays(day, 7 * apart * index),
        blocks: blocks.slice(index * size, (index + 1) * size).map(({ id }) => id),
        isFixed: false,
      })),
    );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="drops-title">
      <DialogTitle id="drops-title">Lay out the drops</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          {!isRight && (
            <ErrorNote error={{ what: 'Drops cannot be laid out so.', mend: 'Choose a day, at least one block at a time and 1 to 52 weeks.' }} />
          )}
          <TextField type="date" label="First drop" value={day} onChange={({ target }) => setDay(target.value)} slotProps={{ inputLabel: { shrink: true } }} />
          <TextField type="number" label="Blocks at a time" value={each} onChange={({ target }) => setEach(target.value)} />
          <TextField type="number" label="Weeks apart" value={weeks} onChange={({ target }) => setWeeks(target.value)} />
          <Typography>
            {isRight
              ? `${counted(count, 'drop')}, the last on ${plusDays(day, 7 * apart * (count - 1))}. Each can be moved afterwards, and the load levelled.`
              : ''}
          </Typography>
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={!isRight || count === 0} onClick={keep}>
          Lay out
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

const inRange = (value: number, most: number) => Number.isInteger(value) && value >= 1 && value <= most;
