'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useState } from 'react';
import { counted } from '@/core/words';
import type { UnitSystem } from '@/core/length';
import type { StepPhoto } from '@/server/photos';
import { momentsOf, type BlockSheet, type Step } from '@/core/sheet';
import { troublesAt } from '@/core/troubles';
import { formatMinutes } from '@/ui/formatMinutes';
import { StepDrawing } from '@/ui/StepDrawing';
import { BastingSheet } from './BastingSheet';
import { BegunMakers, type MakerBegun } from './BegunMakers';
import { HandList } from './HandList';
import { HostNote } from './HostNote';
import { JoinHand } from './JoinHand';
import { OrderPanel } from './OrderPanel';
import { StepList } from './StepList';
import { StepPhotos } from './StepPhotos';
import { useJoinHand } from './useJoinHand';
import { TroubleHelp } from '@/ui/TroubleHelp';

interface StepPlayerProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly name: string;
  readonly sheet: BlockSheet;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly allowanceMm: number;
  readonly photos: readonly StepPhoto[];
  readonly begun: readonly MakerBegun[];
}

/** Time for which a step is shown while playing, ms. */
const PLAY_MS = 1600;

/** Steps through basting and sewing on the drawing. ← → step, space plays, F flips, T tails, O papers out, L prints; Alt with ↑ ↓ moves a join. */
export function StepPlayer({
  projectId,
  blockId,
  name,
  sheet,
  fabrics,
  system,
  allowanceMm,
  photos,
  begun,
}: StepPlayerProps) {
  const { steps, plan } = sheet;
  const [shown, setShown] = useState({ index: 0, id: steps[0]?.id });
  const current = indexOfShown(steps, shown);
  const setCurrent = useCallback((index: number) => setShown({ index, id: steps[index]?.id }), [steps]);
  const press = useJoinHand(projectId, blockId, sheet);
  const [isFlipped, setIsFlipped] = useState(false);
  const [showTails, setShowTails] = useState(false);
  const [showReleased, setShowReleased] = useState(true);
  const [isPlaying, setIsPlaying] = useState(false);
  const go = useCallback(
    (by: number) =>
      setShown((now) => {
        const index = Math.min(steps.length - 1, Math.max(0, indexOfShown(steps, now) + by));
        return { index, id: steps[index]?.id };
      }),
    [steps],
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select') || event.ctrlKey || event.metaKey) return;
      const at = steps[current];
      if (event.altKey && at?.kind === 'join' && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        event.preventDefault();
        press(event.key === 'ArrowUp' ? 'earlier' : 'later', at.id);
        return;
      }
      if (event.altKey || target.closest('[aria-roledescription="sortable"]')) return;
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
  }, [go, press, steps, current]);
  useEffect(() => {
    if (!isPlaying || current >= steps.length - 1) return;
    const timer = setTimeout(() => go(1), PLAY_MS);
    return () => clearTimeout(timer);
  }, [isPlaying, current, steps.length, go]);
  const step = steps[current];
  if (!step) return null;
  return (
    <Box>
      <Stack
        direction="row"
        sx={{ justifyContent: 'space-between', alignItems: 'baseline', flexWrap: 'wrap', gap: 1, mb: 1 }}
      >
        <Typography variant="h2">{name}</Typography>
        <Typography color="textSecondary">
          {counted(plan.joins, 'join')}, {counted(plan.bends, 'bend')} ({sayBends(plan)}),{' '}
          {counted(plan.threadStarts, 'thread start')} (at least {plan.threadStartsBound}),{' '}
          {formatMinutes(plan.joinMinutes)} of sewing
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
          <Stack
            direction="row"
            className="no-print"
            sx={{ flexWrap: 'wrap', gap: 1, mt: -2, '& .MuiButton-root': { px: 1.5 } }}
          >
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
            <Button
              component="a"
              href={`/api/projects/${projectId}/blocks/${blockId}/print?what=steps`}
              target="_blank"
              rel="noopener"
            >
              Cards (PDF)
            </Button>
          </Stack>
          <Box aria-live="polite" sx={{ minHeight: 92, py: 0.5 }}>
            <Typography variant="h3" component="p">
              Step {current + 1} of {steps.length}, about {formatMinutes(step.minutes)}
              {step.kind === 'join' && step.repeat && (
                <>
                  {' '}
                  · make {step.repeat.copies} of {step.repeat.letter}: this is number {step.repeat.copy}
                </>
              )}
            </Typography>
            <Typography>{step.text}</Typography>
            {step.kind === 'join' && (
              <Box component="ul" sx={{ pl: 2.5, my: 0.5, color: 'text.secondary' }}>
                {step.notes.map((note) => (
                  <li key={note}>{note}</li>
                ))}
              </Box>
            )}
            {step.kind === 'baste' && (
              <Typography color="textSecondary">
                Needles and pins: count them, use a thimble, keep them off sofas. Rest your hands every 30
                min.
              </Typography>
            )}
          </Box>
          {step.kind === 'join' && <JoinHand step={step} onPress={press} />}
          <HostNote key={step.id} projectId={projectId} blockId={blockId} step={step} />
          <StepPhotos
            key={`photos-${step.id}`}
            projectId={projectId}
            blockId={blockId}
            stepId={step.id}
            photos={photos.filter(({ stepId }) => stepId === step.id)}
          />
          <TroubleHelp troubles={troublesAt(momentsOf(step, sheet))} />
        </Box>
        <StepList steps={steps} current={current} onPick={setCurrent} onPress={press} />
      </Box>
      <BegunMakers makers={begun} />
      {plan.hand && <HandList projectId={projectId} blockId={blockId} hand={plan.hand} />}
      <BastingSheet
        projectId={projectId}
        blockId={blockId}
        sheet={sheet}
        allowanceMm={allowanceMm}
        system={system}
      />
      <OrderPanel projectId={projectId} blockId={blockId} sheet={sheet} />
    </Box>
  );
}

/** Where the step shown stands now; when the order no longer has it, the step in its place. */
function indexOfShown(
  steps: readonly Step[],
  { index, id }: { index: number; id: string | undefined },
): number {
  if (steps[index]?.id === id) return index;
  const found = steps.findIndex((step) => step.id === id);
  return found >= 0 ? found : Math.min(index, steps.length - 1);
}

/** How good the number of bends is: weighed in every order, at the bound, or within so much of it. */
function sayBends({ bends, bendsLeast, isProven }: BlockSheet['plan']): string {
  if (isProven) return 'every order was weighed: none has fewer';
  return bends <= bendsLeast ? 'no order has fewer' : `none can go below ${bendsLeast}`;
}
