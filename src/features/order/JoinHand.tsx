'use client';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { SCHOOLS, type School } from '@/core/assembly';
import type { JoinStep } from '@/core/sheet';
import type { PressJoin } from './useJoinHand';

interface JoinHandProps {
  readonly step: JoinStep;
  readonly onPress: PressJoin;
}

/** What a teacher does to the join shown: its place, its unit, its school; the rest is planned round it. */
export function JoinHand({ step, onPress }: JoinHandProps) {
  const patches = step.left.length + step.right.length;
  return (
    <Stack
      direction="row"
      role="group"
      aria-label="Your hand in this join"
      className="no-print"
      sx={{ flexWrap: 'wrap', gap: 0.75, alignItems: 'center', my: 0.5, '& .MuiButton-root': { px: 1.25 } }}
    >
      <Button size="small" onClick={() => onPress('earlier', step.id)} title="Alt and ↑">
        Earlier
      </Button>
      <Button size="small" onClick={() => onPress('later', step.id)} title="Alt and ↓">
        Later
      </Button>
      <Button
        size="small"
        aria-pressed={step.pin !== undefined}
        onClick={() => onPress(step.pin ? 'unpin' : 'pin', step.id)}
      >
        {step.pin ? 'Always made ✓' : 'Always make this unit'}
      </Button>
      <Button size="small" onClick={() => onPress('apart', step.id)}>
        Not this join
      </Button>
      {patches > 2 && (
        <TextField
          select
          size="small"
          label={'How this unit is made'}
          value={step.pin?.school ?? ''}
          onChange={({ target }) => onPress('school', step.id, { school: target.value as School | '' })}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          fullWidth={false}
          sx={{ width: 250 }}
        >
          <MenuItem value="">as the whole block</MenuItem>
          {Object.entries(SCHOOLS).map(([school, { name }]) => (
            <MenuItem key={school} value={school}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Stack>
  );
}
