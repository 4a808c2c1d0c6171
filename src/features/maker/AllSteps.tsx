'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { batchesOf, waitsFor, type Step } from '@/core/sheet';
import { counted, firstSentence } from '@/core/words';
import { PlainButton } from '@/ui/PlainButton';
import { SwatchPatterns, swatchFill } from '@/ui/swatches';
import { PatchMark } from '@/ui/drawing';
import { BatchCounter } from './BatchCounter';
import type { MakersBlock } from './useMakerBlock';

interface AllStepsProps {
  readonly block: MakersBlock;
  readonly fabrics: readonly string[];
  readonly isDone: (id: string) => boolean;
  readonly onTick: (step: Step, kind: 'done' | 'undone') => void;
  /** Opens a step large. */
  readonly onOpen: (index: number) => void;
}

/** Where am I: the whole block small with what is done, and every step to look ahead or back and to tick where the plan allows it. */
export default function AllSteps({ block, fabrics, isDone, onTick, onOpen }: AllStepsProps) {
  const { steps } = block.sheet;
  const done = steps.filter(({ id }) => isDone(id)).length;
  return (
    <Box component="section" aria-label="All steps">
      <Overview block={block} fabrics={fabrics} isDone={isDone} />
      <Typography aria-live="polite">
        {done} of {counted(steps.length, 'step')} done
      </Typography>
      <Box component="ol" sx={{ pl: 0, m: 0, listStyle: 'none' }}>
        {entriesOf(steps).map(({ from, to, batch }) =>
          batch ? (
            <Box component="li" key={steps[from]?.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
              <Typography>
                <strong>
                  {from + 1}–{to}
                </strong>{' '}
                {firstSentence(steps[from + batch.size - 1]?.text ?? '')}
              </Typography>
              <BatchCounter batch={batch} sheet={block.sheet} {...{ fabrics, isDone, onTick }} />
              <Box component="details" sx={{ '& summary': { cursor: 'pointer', minHeight: 44, pt: 1.25 } }}>
                <summary>Step by step</summary>
                <Box component="ol" sx={{ pl: 0, m: 0, listStyle: 'none' }}>
                  {steps.slice(from, to).map((step, i) => (
                    <OneStep key={step.id} index={from + i} {...{ steps, isDone, onTick, onOpen }} />
                  ))}
                </Box>
              </Box>
            </Box>
          ) : (
            <OneStep key={steps[from]?.id} index={from} {...{ steps, isDone, onTick, onOpen }} />
          ),
        )}
      </Box>
    </Box>
  );
}

/** What stands in the list: a step alone, or like units as one thing. */
function entriesOf(steps: readonly Step[]) {
  const batches = batchesOf(steps);
  const inBatch = new Set(
    batches.flatMap(({ from, count, size }) => Array.from({ length: count * size }, (_, i) => from + i)),
  );
  const alone = steps.flatMap((_, from) =>
    inBatch.has(from) ? [] : [{ from, to: from + 1, batch: undefined }],
  );
  const alike = batches.map((batch) => ({
    from: batch.from,
    to: batch.from + batch.count * batch.size,
    batch,
  }));
  return [...alone, ...alike].sort((a, b) => a.from - b.from);
}

interface OneStepProps extends Pick<AllStepsProps, 'isDone' | 'onTick' | 'onOpen'> {
  readonly steps: readonly Step[];
  readonly index: number;
}

function OneStep({ steps, index, isDone, onTick, onOpen }: OneStepProps) {
  const step = steps[index];
  if (!step) return null;
  const own = isDone(step.id);
  const wait = own ? undefined : waitsFor(steps, index, isDone);
  const says = `Step ${index + 1}`;
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
      <Typography sx={{ color: own ? 'text.secondary' : 'text.primary' }}>
        <strong>{index + 1}</strong> {own ? '✓ ' : ''}
        {firstSentence(step.text)}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <PlainButton look="text" aria-label={`${says}: look`} onClick={() => onOpen(index)}>
          Look
        </PlainButton>
        {wait === undefined ? (
          <PlainButton
            look="text"
            aria-label={`${says}: ${own ? 'not done after all' : 'done'}`}
            onClick={() => onTick(step, own ? 'undone' : 'done')}
          >
            {own ? 'Not done after all' : 'Done'}
          </PlainButton>
        ) : (
          <Typography variant="body2" color="textSecondary">
            after step {wait + 1}
          </Typography>
        )}
      </Box>
    </Box>
  );
}

/** The block small, as it lies on the table: what is sewn in its cloth, what waits faint. */
function Overview({ block, fabrics, isDone }: Pick<AllStepsProps, 'block' | 'fabrics' | 'isDone'>) {
  const { patches, steps, widthMm, heightMm } = block.sheet;
  const sewn = new Set(
    steps.flatMap((step) =>
      isDone(step.id) && step.kind !== 'baste'
        ? step.kind === 'join'
          ? [...step.left, ...step.right]
          : step.patches
        : [],
    ),
  );
  const prefix = 'overview';
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${block.name}: ${counted(sewn.size, 'patch', 'patches')} of ${patches.length} sewn`}
      viewBox={`-2 -2 ${widthMm + 4} ${heightMm + 4}`}
      sx={{ display: 'block', width: '100%', height: 200, my: 1 }}
    >
      <defs>
        <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={Math.max(1, widthMm / 250)} />
      </defs>
      {patches.map(({ id, outline, fabric }, patch) => (
        <g key={id} opacity={sewn.has(patch) ? 1 : 0.25} data-sewn={sewn.has(patch)}>
          <PatchMark outline={outline} fill={swatchFill(prefix, fabrics, fabric)} />
        </g>
      ))}
    </Box>
  );
}
