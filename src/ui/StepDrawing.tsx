'use client';
import { useCallback, useMemo } from 'react';
import type { UnitSystem } from '@/core/length';
import type { BlockSheet, Step } from '@/core/sheet';
import { BendLayer, BlockDrawing, FoldLayer, ThreadLayer, type PatchInk } from './drawing';
import { middleOf } from './outlinePath';

interface StepDrawingProps {
  readonly label: string;
  readonly sheet: BlockSheet;
  readonly current: number;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly isFlipped: boolean;
  readonly onFlip: () => void;
  readonly showTails?: boolean;
  readonly showReleased?: boolean;
  readonly height?: number | string;
}

/** Share of the block's width by which the two units of a join stand apart. */
const APART = 0.022;

/** From the paper side, batches up to this size carry fold numbers on every patch; of larger ones the first shows how all are folded. */
const MOST_FOLDED = 6;

/** A step on the drawing: what is done stands settled, what waits is faint, the units of this join stand apart. */
export function StepDrawing(props: StepDrawingProps) {
  const { sheet, current, showReleased = true } = props;
  const step = sheet.steps[current];
  const inks = useMemo(() => inksAt(sheet, current, showReleased), [sheet, current, showReleased]);
  const ink = useCallback((patch: number) => inks[patch] ?? 'waiting', [inks]);
  const apart = useMemo(() => (step ? shiftsOf(sheet, step) : undefined), [sheet, step]);
  const shift = useCallback((patch: number) => apart?.get(patch), [apart]);
  const kindNames = useMemo(() => sheet.kinds.map(({ name }) => name), [sheet]);
  return (
    <BlockDrawing
      label={props.label}
      patches={sheet.patches}
      kindNames={kindNames}
      widthMm={sheet.widthMm}
      heightMm={sheet.heightMm}
      fabrics={props.fabrics}
      system={props.system}
      isFlipped={props.isFlipped}
      onFlip={props.onFlip}
      showTails={props.showTails ?? false}
      ink={ink}
      shift={shift}
      {...(props.height === undefined ? {} : { height: props.height })}
    >
      {step?.kind === 'baste' && props.isFlipped && (
        <FoldLayer
          patches={(step.patches.length > MOST_FOLDED ? step.patches.slice(0, 1) : step.patches).flatMap(
            (patch) => sheet.patches[patch] ?? [],
          )}
          isFlipped
        />
      )}
      {step?.kind === 'join' && (
        <>
          <BendLayer folds={step.folds} patches={sheet.patches} shift={shift} />
          <ThreadLayer chains={step.chains} scaleMm={Math.max(sheet.widthMm, sheet.heightMm)} />
        </>
      )}
    </BlockDrawing>
  );
}

function inksAt({ patches, steps }: BlockSheet, current: number, showReleased: boolean): PatchInk[] {
  const inks: PatchInk[] = patches.map(() => 'waiting');
  for (const step of steps.slice(0, current)) {
    if (step.kind !== 'join') continue;
    for (const patch of [...step.left, ...step.right]) if (inks[patch] === 'waiting') inks[patch] = 'normal';
    if (showReleased) for (const patch of step.releases) inks[patch] = 'released';
  }
  const step = steps[current];
  if (!step) return inks;
  const held = step.kind === 'join' ? [...step.left, ...step.right] : step.patches;
  for (const patch of held) if (inks[patch] !== 'released') inks[patch] = 'held';
  return inks;
}

function shiftsOf(
  { patches, widthMm, heightMm }: BlockSheet,
  step: Step,
): Map<number, { x: number; y: number }> | undefined {
  if (step.kind !== 'join') return undefined;
  const centre = (unit: readonly number[]) => {
    const points = unit.flatMap((patch) => (patches[patch] ? [middleOf(patches[patch].outline)] : []));
    return {
      x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
      y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
    };
  };
  const [a, b] = [centre(step.left), centre(step.right)];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const move = (Math.max(widthMm, heightMm) * APART) / length;
  const by = { x: (b.x - a.x) * move, y: (b.y - a.y) * move };
  const back = { x: -by.x, y: -by.y };
  return new Map([
    ...step.left.map((patch) => [patch, back] as const),
    ...step.right.map((patch) => [patch, by] as const),
  ]);
}
