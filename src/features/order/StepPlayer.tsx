'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { BlockSheet } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';
import { StepDrawing } from '@/ui/StepDrawing';
import { StepList } from './StepList';

interface StepPlayerProps {
  readonly name: string;
  readonly sheet: BlockSheet;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

/** Time for which a step is shown while playing, ms. */
const PLAY_MS = 1600;

/** Steps through basting and sewing on the drawing. ← → step, space plays, F flips, T tails, O papers out, L prints. */
export function StepPlayer({ name, sheet, fabrics, system }: StepPlayerProps) {
  const { steps, plan } = sheet;
  const [current, setCurrent] = useState(0);
  const [isFlipped, setIsFlipped] = useState(false);
  const [showTails, setShowTails] = useState(false);
  const [showReleased, setShowReleased] = useState(true);
  const [isPlaying, setIsPlaying] = useState(false);
  const go = useCallback(
    (by: number) => setCurrent((now) => Math.min(steps.length - 1, Math.max(0, now + by))),
    [steps.length],
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === ' ' && target.closest('button, a')) return;
      const actions: Record<string, () => void> = {
        ArrowLeft: () => go(-1),
        ArrowRight: () => go(1),
        ' ': () => setIsPlaying((is) => !is),
        f: () => setIsFlipped((is) => !is),
        t: () => setShowTails((is) => !is),
        o: () => setShowReleased((is) => !is),
        l: () => window.print(),
      };
      const action = actions[event.key];
      if (!action) return;
      event.preventDefault();
      action();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [go]);
  useEffect(() => {
    if (!isPlaying || current >= steps.length - 1) return;
    const timer = setTimeout(() => go(1), PLAY_MS);
    return () => clearTimeout(timer);
  }, [isPlaying, current, steps.length, go]);
  const step = steps[current];
  if (!step) return null;
  const gap = plan.bends - plan.bendsBound;
  return (
    <Box>
      <Stack
        direction="row"
        sx={{ justifyContent: 'space-between', alignItems: 'baseline', flexWrap: 'wrap', gap: 1, mb: 1 }}
      >
        <Typography variant="h2">{name}</Typography>
        <Typography color="textSecondary">
          {plan.joins} joins, {plan.bends} bends (
          {gap <= 0 ? 'no order has fewer' : `none can go below ${plan.bendsBound}`}), {plan.threadStarts}{' '}
          thread starts, {formatMinutes(plan.joinMinutes)} of sewing
        </Typography>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 310px' }, gap: 2 }}>
        <Box>
          <StepDrawing
            label={`${name}, step ${current + 1} of ${steps.length}`}
            sheet={sheet}
            current={current}
            fabrics={fabrics}
            system={system}
            isFlipped={isFlipped}
            onFlip={() => setIsFlipped(!isFlipped)}
            showTails={showTails}
            showReleased={showReleased}
            height={345}
          />
          <Box aria-live="polite" sx={{ minHeight: 92, py: 0.5 }}>
            <Typography variant="h3" component="p">
              Step {current + 1} of {steps.length}, about {formatMinutes(step.minutes)}
            </Typography>
            <Typography>{step.text}</Typography>
            {step.kind === 'baste' && (
              <Typography color="textSecondary">
                Needles and pins: count them, use a thimble, keep them off sofas. Rest your hands every 30
                min.
              </Typography>
            )}
          </Box>
          <Stack direction="row" spacing={1} className="no-print" sx={{ flexWrap: 'wrap', gap: 1 }}>
            <Button onClick={() => go(-1)} disabled={current === 0}>
              ← Back
            </Button>
            <Button variant="contained" onClick={() => go(1)} disabled={current === steps.length - 1}>
              Next →
            </Button>
            <Button onClick={() => setIsPlaying(!isPlaying)} aria-pressed={isPlaying}>
              {isPlaying ? 'Pause' : 'Play'}
            </Button>
            <Button onClick={() => setShowTails(!showTails)} aria-pressed={showTails}>
              Tails (T)
            </Button>
            <Button onClick={() => setShowReleased(!showReleased)} aria-pressed={showReleased}>
              Papers out (O)
            </Button>
          </Stack>
        </Box>
        <StepList steps={steps} current={current} onPick={setCurrent} />
      </Box>
    </Box>
  );
}
