import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Batch, BlockSheet, Step } from '@/core/sheet';
import { counted } from '@/core/words';
import { PlainButton } from '@/ui/PlainButton';
import { UnitPicture } from './UnitPicture';

interface BatchCounterProps {
  readonly batch: Batch;
  readonly sheet: Pick<BlockSheet, 'steps' | 'patches'>;
  readonly fabrics: readonly string[];
  readonly isDone: (id: string) => boolean;
  readonly onTick: (step: Step, kind: 'done' | 'undone') => void;
}

/**
 * Like units as one thing with a counter: how many are made, one more or one less, or all of them; each counts as the steps it
 * takes. Beside it the one that is next, with the numbers of its papers.
 */
export function BatchCounter({ batch, sheet, fabrics, isDone, onTick }: BatchCounterProps) {
  const { steps } = sheet;
  const { from, count, size, name } = batch;
  const units = Array.from({ length: count }, (_, copy) =>
    steps.slice(from + copy * size, from + (copy + 1) * size),
  );
  const openOf = (unit: readonly Step[]) => unit.filter(({ id }) => !isDone(id));
  const open = units.filter((unit) => openOf(unit).length > 0);
  const made = count - open.length;
  const last = units.findLast((unit) => openOf(unit).length === 0);
  const make = (unit: readonly Step[]) => openOf(unit).forEach((step) => onTick(step, 'done'));
  return (
    <Box role="group" aria-label={`${name}, ${count} to make`} sx={{ my: 1 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
        <UnitPicture sheet={sheet} step={(open[0] ?? last)?.at(-1)} fabrics={fabrics} />
        <Typography aria-live="polite" sx={{ fontWeight: 600 }}>
          {name.charAt(0).toUpperCase() + name.slice(1)}: {count} to make · {made} done
          {size > 1 && <> · {counted(size, 'step')} each</>}
        </Typography>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
        <PlainButton
          aria-label={`One ${name} less`}
          disabled={!last}
          onClick={() => last && [...last].reverse().forEach((step) => onTick(step, 'undone'))}
          sx={{ minWidth: 64, minHeight: 48, fontSize: '1.3rem' }}
        >
          −
        </PlainButton>
        <PlainButton
          aria-label={`One ${name} more`}
          disabled={open.length === 0}
          onClick={() => open[0] && make(open[0])}
          sx={{ minWidth: 64, minHeight: 48, fontSize: '1.3rem' }}
        >
          +
        </PlainButton>
        <PlainButton
          disabled={open.length === 0}
          onClick={() => open.forEach(make)}
          sx={{ flex: 1, minHeight: 48 }}
        >
          All {count} done
        </PlainButton>
      </Box>
    </Box>
  );
}
