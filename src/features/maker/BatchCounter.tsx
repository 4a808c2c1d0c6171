import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Batch, Step } from '@/core/sheet';
import { PlainButton } from '@/ui/PlainButton';

interface BatchCounterProps {
  readonly batch: Batch;
  /** The steps of the batch. */
  readonly steps: readonly Step[];
  readonly isDone: (id: string) => boolean;
  readonly onTick: (step: Step, kind: 'done' | 'undone') => void;
}

/** Like units as one thing with a counter: how many are made, one more or one less, or all of them. */
export function BatchCounter({ batch, steps, isDone, onTick }: BatchCounterProps) {
  const open = steps.filter(({ id }) => !isDone(id));
  const made = batch.count - open.length;
  const last = steps.findLast(({ id }) => isDone(id));
  return (
    <Box role="group" aria-label={`${batch.name}, ${batch.count} to make`} sx={{ my: 1 }}>
      <Typography aria-live="polite" sx={{ fontWeight: 600 }}>
        {batch.name}: {batch.count} to make · {made} done
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
        <PlainButton
          aria-label={`One ${batch.name} less`}
          disabled={!last}
          onClick={() => last && onTick(last, 'undone')}
          sx={{ minWidth: 64, minHeight: 48, fontSize: '1.3rem' }}
        >
          −
        </PlainButton>
        <PlainButton
          aria-label={`One ${batch.name} more`}
          disabled={open.length === 0}
          onClick={() => open[0] && onTick(open[0], 'done')}
          sx={{ minWidth: 64, minHeight: 48, fontSize: '1.3rem' }}
        >
          +
        </PlainButton>
        <PlainButton
          disabled={open.length === 0}
          onClick={() => open.forEach((step) => onTick(step, 'done'))}
          sx={{ flex: 1, minHeight: 48 }}
        >
          All {batch.count} done
        </PlainButton>
      </Box>
    </Box>
  );
}
