import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { Step } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';
import type { Player } from './useStepPlayer';

interface PlayerBarProps {
  readonly player: Player;
  /** Number of steps. */
  readonly count: number;
  /** Address of the step cards. */
  readonly cards: string;
}

/** What moves through the steps, and what is shown of them. */
export function PlayerBar({ player, count, cards }: PlayerBarProps) {
  return (
    <Stack
      direction="row"
      className="no-print"
      sx={{ flexWrap: 'wrap', gap: 1, mt: -2, '& .MuiButton-root': { px: 1.5 } }}
    >
      <Button onClick={() => player.go(-1)} disabled={player.current === 0}>
        ← Back
      </Button>
      <Button variant="contained" onClick={() => player.go(1)} disabled={player.current === count - 1}>
        Next →
      </Button>
      <Button onClick={() => player.setIsPlaying(!player.isPlaying)} aria-pressed={player.isPlaying}>
        {player.isPlaying ? 'Pause' : 'Play'}
      </Button>
      <Button onClick={() => player.setShowTails(!player.showTails)} aria-pressed={player.showTails}>
        Tails (T)
      </Button>
      <Button onClick={() => player.setShowReleased(!player.showReleased)} aria-pressed={player.showReleased}>
        Papers out (O)
      </Button>
      <Button component="a" href={cards} target="_blank" rel="noopener">
        Cards (PDF)
      </Button>
    </Stack>
  );
}

/** A step in words: its title, what to do, and what to mind. */
export function StepWords({
  step,
  index,
  count,
}: {
  readonly step: Step;
  readonly index: number;
  readonly count: number;
}) {
  return (
    <Box aria-live="polite" sx={{ minHeight: 92, py: 0.5 }}>
      <Typography variant="h3" component="p">
        Step {index + 1} of {count}, about {formatMinutes(step.minutes)}
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
          Needles and pins: count them, use a thimble, keep them off sofas. Rest your hands every 30 min.
        </Typography>
      )}
    </Box>
  );
}
