import { itemAt } from '@/core/lists';
import { memo } from 'react';
import { boxOf, cornerAngle, edgeOf, edgeLength, directionAt } from '@/core/geometry';
import type { SheetPatch } from '@/core/sheet';
import { middleOf } from '../outlinePath';
import { swatchFill } from '../swatches';
import { PatchLabel, PatchMark } from './PatchMark';

/** How a patch is shown: as cloth, waiting (faint), in this step, or with its paper out. */
export type PatchInk = 'normal' | 'waiting' | 'held' | 'released';

const OPACITY: Readonly<Record<PatchInk, number>> = { normal: 1, waiting: 0.28, held: 1, released: 0.85 };

interface PatchLayerProps {
  readonly patches: readonly SheetPatch[];
  /** Which patches of the block these are, where not all are drawn. */
  readonly numbers?: readonly number[];
  /** A paper by itself, of whatever patch, has no number. */
  readonly isNumbered?: boolean;
  readonly fabrics: readonly string[];
  readonly prefix: string;
  readonly ink: (patch: number) => PatchInk;
  readonly shift?: (patch: number) => { x: number; y: number } | undefined;
  readonly isFlipped: boolean;
  readonly showTails: boolean;
  readonly focused?: number;
}

/** All patches of a drawing, lower layers first, with their numbers upright from either side. */
export function PatchLayer({
  patches,
  numbers,
  isNumbered = true,
  fabrics,
  prefix,
  ink,
  shift,
  isFlipped,
  showTails,
  focused,
}: PatchLayerProps) {
  const order = patches
    .map((_, index) => index)
    .sort((a, b) => (patches[a]?.layer ?? 0) - (patches[b]?.layer ?? 0));
  return order.map((index) => {
    const patch = itemAt(patches, index);
    const away = shift?.(index);
    return (
      <g key={patch.id} transform={away ? `translate(${away.x} ${away.y})` : undefined}>
        <PatchShape
          patch={patch}
          number={isNumbered ? (numbers?.[index] ?? index) + 1 : undefined}
          fill={swatchFill(prefix, fabrics, patch.fabric)}
          ink={ink(index)}
          isFlipped={isFlipped}
          isFocused={focused === index}
        />
        {showTails && <Tails patch={patch} />}
      </g>
    );
  });
}

interface PatchShapeProps {
  readonly patch: SheetPatch;
  readonly number: number | undefined;
  readonly fill: string;
  readonly ink: PatchInk;
  readonly isFlipped: boolean;
  readonly isFocused: boolean;
}

const PatchShape = memo(function PatchShape({
  patch,
  number,
  fill,
  ink,
  isFlipped,
  isFocused,
}: PatchShapeProps) {
  const size = Math.min(9, Math.max(2, Math.sqrt(areaGuess(patch)) / 3.2));
  const stroke =
    isFocused || ink === 'held' ? 'var(--mui-palette-primary-main)' : 'var(--mui-palette-text-primary)';
  return (
    <g opacity={OPACITY[ink]} data-patch={patch.id}>
      <PatchMark
        outline={patch.outline}
        fill={fill}
        stroke={stroke}
        strokeWidth={isFocused ? 4 : ink === 'held' ? 2 : 1}
        dash={ink === 'released' ? '2 3' : undefined}
        rawSides={patch.rawSides ?? []}
      />
      {number !== undefined && (
        <PatchLabel
          at={middleOf(patch.outline)}
          text={`${number}${patch.hand === 'none' ? '' : patch.hand}`}
          size={size}
          isFlipped={isFlipped}
        />
      )}
    </g>
  );
});

function areaGuess({ outline }: SheetPatch): number {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return (maxX - minX) * (maxY - minY);
}

/** Tails to scale: a thin triangle across the side folded first, starting at the corner. */
function Tails({ patch: { outline, tails } }: { patch: SheetPatch }) {
  const count = outline.corners.length;
  return tails.map(({ corner, overEdge, lengthMm }) => {
    const point = outline.corners[corner];
    if (!point) return null;
    const other = overEdge === corner ? (corner + count - 1) % count : corner;
    const edge = edgeOf(outline, other);
    const along = directionAt(edge, other === corner ? 0 : edgeLength(edge));
    const sign = other === corner ? -1 : 1;
    const narrow = Math.max(
      0.8,
      lengthMm * Math.tan((Math.min(60, cornerAngle(outline, corner)) * Math.PI) / 540),
    );
    const tip = { x: point.x + sign * along.x * lengthMm, y: point.y + sign * along.y * lengthMm };
    const side = { x: -along.y * narrow, y: along.x * narrow };
    const d = `M${point.x} ${point.y}L${tip.x} ${tip.y}L${point.x + side.x} ${point.y + side.y}Z`;
    return <path key={corner} d={d} fill="var(--mui-palette-warning-main)" opacity={0.85} />;
  });
}
