'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { firstSentence } from '@/core/words';
import { PlainButton } from '@/ui/PlainButton';
import { PlainChoice } from '@/ui/PlainChoice';
import { ChangeNote, Framed, WaitingNote } from './MakerNotes';
import { StepPart } from './StepPart';
import { standOf, useMakerBlock, type PageData } from './useMakerBlock';

/** A maker's own page: the block, the next step large, one big button, what follows, and a way to ask for help. */
export function MakerPage({ token, initial }: { token: string; initial: PageData }) {
  const { ticks, blocks, block, fabrics, setChosen, tick } = useMakerBlock(token, initial);
  if (!block)
    return (
      <Shell data={initial}>
        <Typography>Your host has not brought in a block yet. Look again later.</Typography>
      </Shell>
    );
  const { next, step, lastDone, minutesLeft, then } = standOf(block);
  const choices = blocks.map(
    ({ id, name, progress, covered, sheet: { steps } }) =>
      [id, `${name}: ${progress.done.size + covered.length} of ${steps.length}`] as const,
  );
  const isStuck = step !== undefined && block.progress.stuck.has(step.id);
  return (
    <Shell data={initial}>
      <PlainChoice label="Block" value={block.id} choices={choices} onChange={setChosen} />
      {step ? (
        <StepPart
          token={token}
          block={block}
          step={step}
          index={next}
          minutesLeft={minutesLeft}
          fabrics={fabrics}
          system={initial.project.unitSystem}
          onDone={() => tick(step, 'done')}
        />
      ) : (
        <Framed color="success.main">
          <strong>{block.name} is sewn.</strong> Choose another block above.
        </Framed>
      )}
      <Box sx={{ display: 'flex', gap: 1, my: 1.5 }}>
        {lastDone && (
          <PlainButton sx={{ flex: 1, minHeight: 48 }} onClick={() => tick(lastDone, 'undone')}>
            Not done after all
          </PlainButton>
        )}
        {step && (
          <PlainButton
            tone="error"
            sx={{ flex: 1, minHeight: 48 }}
            disabled={isStuck}
            onClick={() => tick(step, 'stuck')}
          >
            {stuckWord(isStuck, ticks.isWaiting(block.id, step.id))}
          </PlainButton>
        )}
      </Box>
      <WaitingNote ticks={ticks} />
      <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
        Then
      </Typography>
      <Box component="ol" start={next + 2} sx={{ pl: 3, mt: 0.5 }}>
        {then.slice(0, 3).map(({ id, text }) => (
          <li key={id}>{firstSentence(text)}</li>
        ))}
      </Box>
      <ChangeNote block={block} />
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
