import { edgeLength, edgesOf, isStraight, pointAt } from '@/core/geometry';
import type { SheetPatch } from '@/core/sheet';
import { middleOf } from '../outlinePath';

/** How far from a side towards the middle its fold number stands, as a share of the way. */
const INWARD = 0.22;

/** Fold numbers on the sides of patches: 1 is folded first. Upright from either side. */
export function FoldLayer({
  patches,
  isFlipped,
}: {
  patches: readonly Pick<SheetPatch, 'id' | 'outline' | 'foldOrder'>[];
  isFlipped: boolean;
}) {
  return patches.map(({ id, outline, foldOrder }) => {
    const middle = middleOf(outline);
    const edges = edgesOf(outline);
    // A paper of curves alone is pleated, not folded side after side.
    if (edges.every((edge) => !isStraight(edge))) return null;
    const size = Math.max(2, Math.min(...edges.map(edgeLength)) / 7.5);
    return (
      <g key={id} aria-hidden="true">
        {edges.map((edge, side) => {
          // A side that stays raw is not folded.
          if (!foldOrder.includes(side)) return null;
          const on = pointAt(edge, edgeLength(edge) / 2);
          const x = on.x + (middle.x - on.x) * INWARD;
          const y = on.y + (middle.y - on.y) * INWARD;
          return (
            <g key={side} transform={`translate(${x} ${y})${isFlipped ? ' scale(-1 1)' : ''}`}>
              <rect x={-size * 0.6} y={-size * 0.7} width={size * 1.2} height={size * 1.4} fill="#24527a" />
              <text y={size * 0.36} fontSize={size} textAnchor="middle" fill="#ffffff">
                {foldOrder.indexOf(side) + 1}
              </text>
            </g>
          );
        })}
      </g>
    );
  });
}
