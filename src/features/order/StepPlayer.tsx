'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { UnitSystem } from '@/core/length';
import type { StepPhoto } from '@/server/photos';
import { batchAt, momentsOf, type BlockSheet } from '@/core/sheet';
import { troublesAt } from '@/core/troubles';
import { formatMinutes } from '@/ui/formatMinutes';
import { StepDrawing } from '@/ui/StepDrawing';
import { BastingSheet } from './BastingSheet';
import { BlockSewing } from './BlockSewing';
import { BegunMakers, type MakerBegun } from './BegunMakers';
import { ProjectorView } from './ProjectorView';
import { HandList } from './HandList';
import { HostNote } from './HostNote';
import { JoinHand } from './JoinHand';
import { OrderPanel } from './OrderPanel';
import { StepList } from './StepList';
import { StepPhotos } from './StepPhotos';
import { useSchool } from './useSchool';
import { OtherOrderNote, PlayerBar, PlayerLinks, StepWords } from './PlayerParts';
import { useStepPlayer } from './useStepPlayer';
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
  /** Id of the step that is shown first; the first of all where it is not there. */
  readonly opened?: string | undefined;
}

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
  opened,
}: StepPlayerProps) {
  const { steps, plan } = sheet;
  const player = useStepPlayer(projectId, blockId, sheet, opened);
  const onSchool = useSchool(projectId, blockId);
  const [isProjected, setIsProjected] = useState(false);
  const { current, press } = player;
  const step = steps[current];
  if (!step) return null;
  const batch = batchAt(steps, current);
  const past = batch ? batch.from + batch.count * batch.size : Infinity;
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
      {plan.taughtOtherwise && (
        <OtherOrderNote says="Often taught" other={plan.taughtOtherwise} onUse={onSchool} />
      )}
      {plan.quickerOtherwise && (
        <OtherOrderNote says="Quicker" other={plan.quickerOtherwise} onUse={onSchool} />
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 310px' }, gap: 2 }}>
        <Box>
          <StepDrawing
            label={`${name}, step ${current + 1} of ${steps.length}`}
            sheet={sheet}
            current={current}
            fabrics={fabrics}
            system={system}
            isFlipped={player.isFlipped}
            onFlip={() => player.setIsFlipped(!player.isFlipped)}
            showTails={player.showTails}
            showReleased={player.showReleased}
            height={345}
          />
          <PlayerBar player={player} count={steps.length} {...(past < steps.length ? { past } : {})} />
          <StepWords step={step} sheet={sheet} index={current} count={steps.length} />
          <PlayerLinks
            practice={`/p/${projectId}/order/${blockId}/practice`}
            onProject={() => setIsProjected(true)}
            cards={`/api/projects/${projectId}/blocks/${blockId}/print?what=steps`}
          />
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
        <StepList steps={steps} current={current} onPick={player.setCurrent} onPress={press} />
      </Box>
      <ProjectorView
        isOpen={isProjected}
        name={name}
        sheet={sheet}
        current={current}
        fabrics={fabrics}
        system={system}
        onStep={player.go}
        onClose={() => setIsProjected(false)}
      />
      <BegunMakers makers={begun} />
      {plan.hand && <HandList projectId={projectId} blockId={blockId} hand={plan.hand} />}
      <BastingSheet
        projectId={projectId}
        blockId={blockId}
        sheet={sheet}
        allowanceMm={allowanceMm}
        system={system}
      />
      <Box sx={{ mt: 3 }} className="no-print">
        <BlockSewing projectId={projectId} blockId={blockId} sheet={sheet} system={system} />
      </Box>
      <OrderPanel projectId={projectId} blockId={blockId} sheet={sheet} />
    </Box>
  );
}

/** How good the number of bends is: weighed in every order, at the bound, or within so much of it. */
function sayBends({ bends, bendsLeast, isProven }: BlockSheet['plan']): string {
  if (isProven) return 'every order was weighed: none has fewer';
  return bends <= bendsLeast ? 'no order has fewer' : `none can go below ${bendsLeast}`;
}
