import { itemAt } from '@/core/lists';
import { memo } from 'react';
import type { Patch } from '@/core/block';
import type { Point } from '@/core/geometry';
import type { Hand } from '@/core/shapes';
import type { SideTreatment } from '@/core/block';
import { PatchLabel, PatchMark } from '@/ui/drawing';
import { middleOf, outlinePath } from '@/ui/outlinePath';
import { swatchFill } from '@/ui/swatches';

interface BoardPatchesProps {
  readonly patches: readonly Patch[];
  readonly fabrics: readonly string[];
  readonly prefix: string;
  readonly pickedIds: ReadonlySet<string>;
  readonly focused?: string;
  readonly hands?: readonly Hand[];
  readonly sides?: readonly (readonly SideTreatment[])[];
  /** Ids of patches whose cloth is against a rule. */
  readonly wrong: ReadonlySet<string>;
  /** How far what is picked is being dragged, mm. */
  readonly drag: Point | undefined;
}

/** The papers on the board, lower layers first. A paper that did not change is not drawn again. */
export function BoardPatches(props: BoardPatchesProps) {
  const { patches, fabrics, prefix, pickedIds, focused, hands, sides, wrong, drag } = props;
  const order = patches.map((_, index) => index);
  if (patches.some(({ layer }) => layer > 0))
    order.sort((a, b) => (patches[a]?.layer ?? 0) - (patches[b]?.layer ?? 0));
  return order.map((index) => {
    const patch = itemAt(patches, index);
    const isPicked = pickedIds.has(patch.id);
    const raw = sides?.[index]?.filter(({ is }) => is === 'raw').map(({ side }) => side) ?? [];
    return (
      <BoardPatch
        key={patch.id}
        patch={patch}
        label={`${index + 1}${hands?.[index] === 'L' || hands?.[index] === 'R' ? hands[index] : ''}`}
        fill={swatchFill(prefix, fabrics, patch.fabric)}
        isPicked={isPicked}
        isFocused={focused === patch.id}
        isWrong={wrong.has(patch.id)}
        raw={raw.join(',')}
        dx={isPicked && !patch.isLocked ? (drag?.x ?? 0) : 0}
        dy={isPicked && !patch.isLocked ? (drag?.y ?? 0) : 0}
      />
    );
  });
}

interface BoardPatchProps {
  readonly patch: Patch;
  readonly label: string;
  readonly fill: string;
  readonly isPicked: boolean;
  readonly isFocused: boolean;
  readonly isWrong: boolean;
  readonly raw: string;
  readonly dx: number;
  readonly dy: number;
}

const BoardPatch = memo(function BoardPatch({
  patch,
  label,
  fill,
  isPicked,
  isFocused,
  isWrong,
  raw,
  dx,
  dy,
}: BoardPatchProps) {
  const { outline, isLocked, id } = patch;
  const xs = outline.corners.map((corner) => corner.x);
  const size = Math.min(7, Math.max(1.6, (Math.max(...xs) - Math.min(...xs)) / 6));
  const d = outlinePath(outline);
  return (
    <g data-patch={id} transform={dx === 0 && dy === 0 ? undefined : `translate(${dx} ${dy})`}>
      <PatchMark
        outline={outline}
        fill={fill}
        stroke={isPicked ? 'var(--mui-palette-primary-main)' : 'var(--mui-palette-text-primary)'}
        strokeWidth={isPicked ? 3.5 : 1}
        rawSides={raw === '' ? [] : raw.split(',').map(Number)}
      >
        {isWrong && (
          <path
            d={d}
            fill="none"
            stroke="var(--mui-palette-error-main)"
            strokeWidth={5}
            strokeDasharray="1 7"
            strokeLinecap="round"
            vectorEffect="non-scaling-stroke"
          />
        )}
        {isFocused && (
          <path
            className="patch-focus"
            d={d}
            fill="none"
            stroke="var(--mui-palette-primary-main)"
            strokeWidth={6}
            opacity={0.5}
            vectorEffect="non-scaling-stroke"
          />
        )}
      </PatchMark>
      <PatchLabel at={middleOf(outline)} text={label} size={size}>
        {isLocked && (
          <path
            d={`M${-size * 0.5} ${size * 1.5}h${size}M0 ${size}v${size}`}
            stroke="#22262b"
            strokeWidth={size / 4}
          />
        )}
      </PatchLabel>
    </g>
  );
});
