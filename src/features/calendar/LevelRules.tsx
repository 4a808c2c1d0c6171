import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { BlockWork, Calendar } from '@/core/calendar';
import { BlockChoice } from './WhatIf';

interface LevelRulesProps {
  readonly calendar: Calendar;
  readonly blocks: readonly BlockWork[];
  readonly onKeep: (rules: Pick<Calendar, 'together' | 'isAnyWeekday'>) => void;
  readonly onClose: () => void;
}

/** What levelling holds to: days of the week, and blocks that belong together. Fixed days are a mark of their drops. */
export function LevelRules({ calendar, blocks, onKeep, onClose }: LevelRulesProps) {
  const [keepsWeekdays, setKeepsWeekdays] = useState(!calendar.isAnyWeekday);
  const [sets, setSets] = useState<readonly (readonly string[])[]>([...(calendar.together ?? []), []]);
  const put = (index: number, set: readonly string[]) => {
    // A block belongs to one set; there is always an empty one to fill.
    const next = sets.map((own, at) => (at === index ? set : own.filter((block) => !set.includes(block))));
    const full = next.filter((own) => own.length > 0);
    setSets([...full, []]);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="rules-title">
      <DialogTitle id="rules-title">What levelling holds to</DialogTitle>
      <DialogContent>
        <Stack spacing={2}>
          <FormControlLabel
            control={<Checkbox checked={keepsWeekdays} onChange={(_, next) => setKeepsWeekdays(next)} />}
            label="Drops keep their day of the week"
          />
          <Typography>Blocks of one line below are handed out in one drop. A drop that must not move at all is marked so where it is opened.</Typography>
          {sets.map((set, index) => (
            <BlockChoice key={set.join() || 'empty'} label={index < sets.length - 1 ? `Belong together, ${index + 1}` : sets.length > 1 ? 'These belong together, too' : 'These belong together'} blocks={blocks} value={set} onChange={(next) => put(index, next)} />
          ))}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={() => onKeep({ isAnyWeekday: !keepsWeekdays, together: sets.filter((set) => set.length > 1) })}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore
