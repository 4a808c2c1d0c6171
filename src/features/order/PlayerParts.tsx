import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { SCHOOLS, sayMore, type OtherOrder, type School } from '@/core/assembly';
import type { BlockSheet, Step } from '@/core/sheet';
import { LinkButton } from '@/ui/LinkButton';
import { PaperPicture } from '@/ui/PaperPicture';
import { formatMinutes } from '@/ui/formatMinutes';
import type { Player } from './useStepPlayer';

interface PlayerBarProps {
  readonly player: Player;
  /** Number of steps. */
  readonly count: number;
  /** The step after all units that are like the one being made; undefined where it is made once, or last. */
  readonly past?: number;
}

interface PlayerLinksProps {
  /** Address of the practice bench. */
  readonly practice: string;
  /** Shows the step for a projector. */
  readonly onProject: () => void;
  /** Address of the step cards. */
  readonly cards: string;
}

/** What moves through the steps, and what is shown of them. */
export function PlayerBar({ player, count, past }: PlayerBarProps) {
  return (
    <Stack direction="row" className="no-print" sx={{ ...BAR, mt: -2 }}>
      <Button onClick={() => player.go(-1)} disabled={player.current === 0}>
        ← Back
      </Button>
      <Button variant="contained" onClick={() => player.go(1)} disabled={player.current === count - 1}>
        Next →
      </Button>
      {past !== undefined && <Button onClick={() => player.setCurrent(past)}>Past those alike</Button>}
      <Button onClick={() => player.setIsPlaying(!player.isPlaying)} aria-pressed={player.isPlaying}>
        {player.isPlaying ? 'Pause' : 'Play'}
      </Button>
      <Button onClick={() => player.setShowTails(!player.showTails)} aria-pressed={player.showTails}>
        Tails (T)
      </Button>
      <Button onClick={() => player.setShowReleased(!player.showReleased)} aria-pressed={player.showReleased}>
        Papers out (O)
      </Button>
    </Stack>
  );
}

const BAR = { flexWrap: 'wrap', gap: 1, '& .MuiButton-root': { px: 1.5 } } as const;

/** Where else the steps can be seen: on paper, on a wall, as questions. */
export function PlayerLinks({ practice, onProject, cards }: PlayerLinksProps) {
  return (
    <Stack direction="row" className="no-print" sx={{ ...BAR, my: 1 }}>
      <Button component="a" href={cards} target="_blank" rel="noopener">
        Cards (PDF)
      </Button>
      <Button onClick={onProject}>Projector</Button>
      <LinkButton href={practice}>Practice</LinkButton>
    </Stack>
  );
}

/** A step in words: its title, what to do, and what to mind. */
export function StepWords({
  sheet,
  step,
  index,
  count,
}: {
  readonly sheet: BlockSheet;
  readonly step: Step;
  readonly index: number;
  readonly count: number;
}) {
  return (
    <Box aria-live="polite" sx={{ display: 'flow-root', minHeight: 92, py: 0.5 }}>
      <PaperPicture sheet={sheet} step={step} size={110} />
      <Typography variant="h3" component="p">
        Step {index + 1} of {count}, about {formatMinutes(step.minutes)}
        {step.kind === 'join' && step.repeat && step.alike && (
          <>
            {' '}
            · {step.alike}: {step.repeat.copies} to make, this is number {step.repeat.copy}
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

/** An order that could be taken as well, and what it costs or spares: what a teacher would show, or what is quickest. */
export function OtherOrderNote({
  says,
  other,
  onUse,
}: {
  /** What speaks for it, before its name. */
  readonly says: string;
  readonly other: OtherOrder;
  readonly onUse: (school: School) => void;
}) {
  const { name } = SCHOOLS[other.school];
  return (
    <Stack
      direction="row"
      className="no-print"
      sx={{ flexWrap: 'wrap', gap: 1, alignItems: 'center', mb: 1 }}
    >
      <Typography color="textSecondary">
        {says} “{name}”: {sayMore(other, 'this order')}
      </Typography>
      <Button size="small" onClick={() => onUse(other.school)}>
        Use {name}
      </Button>
    </Stack>
  );
}
