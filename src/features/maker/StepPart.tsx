import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { Step } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';
import { PaperPicture } from '@/ui/PaperPicture';
import { PlainButton } from '@/ui/PlainButton';
import { StepDrawing } from '@/ui/StepDrawing';
import type { MakersBlock } from './useMakerBlock';

/** The guide to troubles is long: it is loaded when it is opened. */
export const loadTroubles = () => import('./StepTroubles');
const StepTroubles = lazy(loadTroubles);

interface StepPartProps {
  readonly token: string;
  readonly block: MakersBlock;
  readonly step: Step;
  /** Index of the step. */
  readonly index: number;
  readonly minutesLeft: number;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  /** Whether it is done already. */
  readonly isDone: boolean;
  /** Number of the step that has to be done before this one, if any. */
  readonly waitsFor?: number;
  readonly onDone: () => void;
}

/** The step that is next: its picture, what to do, the one big button, and help. */
export function StepPart(props: StepPartProps) {
  const { token, block, step, index, minutesLeft, fabrics, system, isDone, waitsFor, onDone } = props;
  const [isFlipped, setIsFlipped] = useState(false);
  return (
    <>
      <StepDrawing
        label={`${block.name}, step ${index + 1}`}
        sheet={block.sheet}
        current={index}
        fabrics={fabrics}
        system={system}
        isFlipped={isFlipped}
        onFlip={() => setIsFlipped(!isFlipped)}
        height={step.kind === 'baste' ? 240 : 300}
      />
      <Box aria-live="polite">
        <Typography variant="h2" component="h1">
          Step {index + 1} of {block.sheet.steps.length}
          {step.kind === 'join' && step.repeat && step.alike && (
            <>
              {' '}
              · {step.alike}, {step.repeat.copy} of {step.repeat.copies}
            </>
          )}
        </Typography>
        <PaperPicture sheet={block.sheet} step={step} size={118} />
        <Typography sx={{ fontSize: '1.1rem', my: 0.5 }} data-testid="next-step">
          {step.text}
        </Typography>
        {step.hostNote && (
          <Typography sx={{ my: 0.5, borderLeft: 3, borderColor: 'primary.main', pl: 1.25 }}>
            <strong>From your host:</strong> {step.hostNote}
          </Typography>
        )}
        <Photos token={token} photos={block.photos.filter(({ stepId }) => stepId === step.id)} />
        <Typography color="textSecondary" sx={{ mb: 1.5 }}>
          About {formatMinutes(step.minutes)}; {formatMinutes(minutesLeft)} left in this block.
        </Typography>
      </Box>
      <PlainButton
        look="filled"
        disabled={isDone || waitsFor !== undefined}
        onClick={onDone}
        sx={{ width: '100%', minHeight: 68, fontSize: '1.3rem' }}
      >
        {isDone ? 'Done already' : waitsFor === undefined ? 'Done' : `After step ${waitsFor}`}
      </PlainButton>
      {step.kind === 'join' && (
        <Box
          component="details"
          sx={{ my: 1, '& summary': { cursor: 'pointer', minHeight: 44, fontWeight: 600, pt: 1.25 } }}
        >
          <summary>What to mind</summary>
          <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
            {step.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </Box>
        </Box>
      )}
      <Troubles key={step.id} step={step} sheet={block.sheet} />
    </>
  );
}

/** What can go wrong here, and what to do then. */
function Troubles(props: { readonly step: Step; readonly sheet: MakersBlock['sheet'] }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <PlainButton
        look="text"
        aria-expanded={isOpen}
        onClick={() => setIsOpen(!isOpen)}
        sx={{ minHeight: 44 }}
      >
        If something goes wrong here
      </PlainButton>
      {isOpen && (
        <Suspense>
          <StepTroubles {...props} />
        </Suspense>
      )}
    </>
  );
}

function Photos({ token, photos }: { readonly token: string; readonly photos: MakersBlock['photos'] }) {
  return photos.map(({ id, says, width, height }) => (
    <Box component="figure" key={id} sx={{ m: 0, my: 1 }}>
      {/* eslint-disable-next-line @next/next/no-img-element -- small already, and behind the personal link */}
      <img
        src={`/api/m/${token}/photos/${id}`}
        alt={says}
        width={width}
        height={height}
        loading="lazy"
        style={{ width: '100%', height: 'auto', display: 'block' }}
      />
      <Typography component="figcaption">{says}</Typography>
    </Box>
  ));
}
