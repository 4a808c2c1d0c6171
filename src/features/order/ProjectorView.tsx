'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { BlockSheet } from '@/core/sheet';
import { firstSentence } from '@/core/words';
import { DarkRoom } from '@/ui/DarkRoom';
import { PaperPicture } from '@/ui/PaperPicture';
import { StepDrawing } from '@/ui/StepDrawing';

interface ProjectorViewProps {
  readonly isOpen: boolean;
  readonly name: string;
  readonly sheet: BlockSheet;
  readonly current: number;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly onStep: (by: number) => void;
  readonly onClose: () => void;
}

/** Keys and the keys of a clicker, and by how many steps they go. */
const STEPS: Readonly<Record<string, number>> = { PageDown: 1, ' ': 1, Enter: 1, PageUp: -1 };

/**
 * The step for a class: one drawing, one sentence, large. A clicker’s keys, Space and Enter go on, Page Up goes back (so do
 * the arrows, which the player hears); F flips, B or a full stop darkens the screen.
 */
export function ProjectorView(props: ProjectorViewProps) {
  const { isOpen, name, sheet, current, fabrics, system, onStep, onClose } = props;
  const [isFlipped, setIsFlipped] = useState(false);
  const [isBlank, setIsBlank] = useState(false);
  useEffect(() => {
    if (!isOpen) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const isOnButton = (event.target as HTMLElement).closest('button');
      if (event.key === 'b' || event.key === '.') setIsBlank((is) => !is);
      else if (event.key === 'f') setIsFlipped((is) => !is);
      else if (
        STEPS[event.key] !== undefined &&
        !(isOnButton && (event.key === ' ' || event.key === 'Enter'))
      )
        onStep(STEPS[event.key] ?? 0); // prettier-ignore
      else return;
      event.preventDefault();
      event.stopPropagation();
    };
    // Before the player beneath hears it.
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [isOpen, onStep]);
  const step = sheet.steps[current];
  return (
    <DarkRoom isOpen={isOpen} label={`${name}, for the projector`} onClose={onClose}>
      {step && (
        <Box sx={isBlank ? { visibility: 'hidden' } : {}}>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <StepDrawing
                label={`${name}, step ${current + 1} of ${sheet.steps.length}`}
                sheet={sheet}
                current={current}
                fabrics={fabrics}
                system={system}
                isFlipped={isFlipped}
                onFlip={() => setIsFlipped(!isFlipped)}
                height="58vh"
              />
            </Box>
            <PaperPicture sheet={sheet} step={step} size="26vh" />
          </Box>
          <Typography
            aria-live="polite"
            sx={{ fontSize: 'clamp(1.5rem, 3vw, 3rem)', lineHeight: 1.25, mt: 1 }}
          >
            {firstSentence(step.text)}
          </Typography>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1 }}>
            <Button onClick={() => onStep(-1)} disabled={current === 0}>
              ← Back
            </Button>
            <Typography color="textSecondary" sx={{ fontSize: '1.2rem' }}>
              {name}, step {current + 1} of {sheet.steps.length}
            </Typography>
            <Button onClick={() => onStep(1)} disabled={current === sheet.steps.length - 1}>
              Next →
            </Button>
          </Box>
        </Box>
      )}
    </DarkRoom>
  );
}
