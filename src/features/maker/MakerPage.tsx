'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { makerPage } from '@/server/progress';
import { momentsOf, withUnits, type Step } from '@/core/sheet';
import { troublesAt } from '@/core/troubles';
import { formatMinutes } from '@/ui/formatMinutes';
import { TroubleHelp } from '@/ui/TroubleHelp';
import { StepDrawing } from '@/ui/StepDrawing';
import { useRemembered } from './useRemembered';
import { useTicks } from './useTicks';

type PageData = Awaited<ReturnType<typeof makerPage>>;

/** A maker's own page: the block, the next step large, one big button, what follows, and a way to ask for help. */
export function MakerPage({ token, initial }: { token: string; initial: PageData }) {
  const { record, apply, isWaiting, waitingCount, setAsideCount, refusal } = useTicks(
    token,
    initial.maker.id,
  );
  const [chosen, setChosen] = useRemembered(`kevlo-block-${token}`);
  const [isFlipped, setIsFlipped] = useState(false);
  const blocks = useMemo(
    () =>
      initial.blocks.map((block) => ({
        ...block,
        progress: apply(
          block.id,
          block.done,
          block.stuck,
          block.sheet.steps.map(({ id }) => id),
        ),
      })),
    [initial, apply],
  );
  const fabrics = useMemo(
    () =>
      [...new Set(initial.blocks.flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric)))].sort(),
    [initial],
  );
  const block =
    blocks.find(({ id }) => id === chosen) ??
    blocks.find(({ progress, covered, sheet }) => progress.done.size + covered.length < sheet.steps.length) ??
    blocks[0];
  if (!block)
    return (
      <Shell data={initial}>
        <Typography>Your host has not brought in a block yet. Look again later.</Typography>
      </Shell>
    );
  const { sheet, progress } = block;
  const covered = new Set(block.covered);
  const isDone = (id: string) => progress.done.has(id) || covered.has(id);
  const next = sheet.steps.findIndex(({ id }) => !isDone(id));
  const step = sheet.steps[next];
  const lastDone = [...sheet.steps].reverse().find(({ id }) => progress.done.has(id));
  const left = sheet.steps.reduce((sum, { id, minutes }) => sum + (isDone(id) ? 0 : minutes), 0);
  const tick = (own: Step, kind: 'done' | 'undone' | 'stuck') =>
    record(block.id, withUnits(own, sheet.patches), kind);
  return (
    <Shell data={initial}>
      <TextField
        select
        label="Block"
        value={block.id}
        onChange={(event) => setChosen(event.target.value)}
        sx={{ mb: 1.5 }}
      >
        {blocks.map(({ id, name, progress: own, covered: also, sheet: { steps } }) => (
          <MenuItem key={id} value={id}>
            {name}: {own.done.size + also.length} of {steps.length}
          </MenuItem>
        ))}
      </TextField>
      {step ? (
        <>
          <StepDrawing
            label={`${block.name}, step ${next + 1}`}
            sheet={sheet}
            current={next}
            fabrics={fabrics}
            system={initial.project.unitSystem}
            isFlipped={isFlipped}
            onFlip={() => setIsFlipped(!isFlipped)}
            height={300}
          />
          <Box aria-live="polite">
            <Typography variant="h2" component="h1">
              Step {next + 1} of {sheet.steps.length}
              {step.kind === 'join' && step.repeat && (
                <>
                  {' '}
                  · {step.repeat.letter}, {step.repeat.copy} of {step.repeat.copies}
                </>
              )}
            </Typography>
            <Typography sx={{ fontSize: '1.1rem', my: 0.5 }} data-testid="next-step">
              {step.text}
            </Typography>
            {step.hostNote && (
              <Typography sx={{ my: 0.5, borderLeft: 3, borderColor: 'primary.main', pl: 1.25 }}>
                <strong>From your host:</strong> {step.hostNote}
              </Typography>
            )}
            {block.photos
              .filter(({ stepId }) => stepId === step.id)
              .map(({ id, says, width, height }) => (
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
              ))}
            <Typography color="textSecondary" sx={{ mb: 1.5 }}>
              About {formatMinutes(step.minutes)}; {formatMinutes(left)} left in this block.
            </Typography>
          </Box>
          <Button
            variant="contained"
            fullWidth
            onClick={() => tick(step, 'done')}
            sx={{ minHeight: 68, fontSize: '1.3rem' }}
          >
            Done
          </Button>
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
          <TroubleHelp troubles={troublesAt(momentsOf(step, sheet))} />
        </>
      ) : (
        <Alert severity="success" variant="outlined" icon={false}>
          <strong>{block.name} is sewn.</strong> Choose another block above.
        </Alert>
      )}
      <Stack direction="row" spacing={1} sx={{ my: 1.5 }}>
        {lastDone && (
          <Button fullWidth sx={{ minHeight: 48 }} onClick={() => tick(lastDone, 'undone')}>
            Not done after all
          </Button>
        )}
        {step && (
          <Button
            fullWidth
            color="error"
            sx={{ minHeight: 48 }}
            disabled={progress.stuck.has(step.id)}
            onClick={() => tick(step, 'stuck')}
          >
            {stuckWord(progress.stuck.has(step.id), isWaiting(block.id, step.id))}
          </Button>
        )}
      </Stack>
      {setAsideCount > 0 && (
        <Typography role="status" color="warning.main" sx={{ mt: 1 }}>
          {setAsideCount === 1 ? 'One tick was' : `${setAsideCount} ticks were`} about a block that is no
          longer here and {setAsideCount === 1 ? 'is' : 'are'} kept on this phone. Tell your host.
        </Typography>
      )}
      {waitingCount > 0 && (
        <Alert severity="warning" variant="outlined" icon={false}>
          {refusal && refusal.status >= 400
            ? refusal.message
            : `${waitingCount} ${waitingCount === 1 ? 'tick waits' : 'ticks wait'} on this phone and will be sent.`}
        </Alert>
      )}
      <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
        Then
      </Typography>
      <Box component="ol" start={next + 2} sx={{ pl: 3, mt: 0.5 }}>
        {next >= 0 &&
          sheet.steps
            .slice(next + 1)
            .filter(({ id }) => !isDone(id))
            .slice(0, 3)
            .map(({ id, text }) => <li key={id}>{text.split('.')[0]}.</li>)}
      </Box>
      {(block.isOwnOrder || covered.size > 0) && (
        <Typography color="textSecondary">
          Your host changed the order since you began. What you have sewn counts
          {block.isOwnOrder ? ', and your steps go round it' : ''}.
        </Typography>
      )}
      {block.orphaned > 0 && (
        <Typography color="textSecondary">
          {block.orphaned} of your ticks belong to steps that the plan no longer has; they are kept.
        </Typography>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        Count needles and pins, keep them and magnets away from children and pets, and rest your hands every
        30 min.
      </Typography>
    </Shell>
  );
}

function Shell({ data, children }: { data: PageData; children: React.ReactNode }) {
  return (
    <Box component="main" sx={{ maxWidth: 520, mx: 'auto', px: 2, py: 1.5 }}>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        {data.maker.name} · {data.project.name}
      </Typography>
      {children}
    </Box>
  );
}

/** The host knows what has been sent, not what waits on this phone. */
function stuckWord(isStuck: boolean, isOnItsWay: boolean): string {
  if (!isStuck) return 'I’m stuck';
  return isOnItsWay ? 'On its way to your host' : 'Your host knows';
}
