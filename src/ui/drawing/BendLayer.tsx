import type { JoinStep, SheetPatch } from '@/core/sheet';
import { middleOf } from '../outlinePath';

interface BendLayerProps {
  readonly folds: JoinStep['folds'];
  readonly patches: readonly SheetPatch[];
  /** By how much a patch stands apart in this step. */
  readonly shift: (patch: number) => { readonly x: number; readonly y: number } | undefined;
}

/** Lines along which papers are folded to reach round a bend: from the bend through the middle of the paper. */
export function BendLayer({ folds, patches, shift }: BendLayerProps) {
  return folds.flatMap(({ at, patches: folded }, index) =>
    folded.flatMap((patch) => {
      const own = patches[patch];
      if (!own) return [];
      const middle = middleOf(own.outline);
      const by = shift(patch) ?? { x: 0, y: 0 };
      const [dx, dy] = [middle.x - at.x, middle.y - at.y];
      return (
        <path
          key={`${index}/${patch}`}
          aria-hidden="true"
          d={`M${at.x + by.x} ${at.y + by.y}L${at.x + dx * 1.75 + by.x} ${at.y + dy * 1.75 + by.y}`}
          stroke="var(--mui-palette-warning-main)"
          strokeWidth={2.5}
          strokeDasharray="2 5"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
          fill="none"
        />
      );
    }),
  );
}
