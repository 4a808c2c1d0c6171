import {
  directionAt,
  edgeLength,
  edgesOf,
  hasStraightSide,
  pointAt,
  type Edge,
  type Point,
} from '@/core/geometry';
import type { SheetPatch } from '@/core/sheet';
import { middleOf } from '../outlinePath';

/** How far from a side towards the middle its fold number stands, as a share of the way. */
const INWARD = 0.22;

/** How far outside a side the middle of its number stands, in heights of the number. */
const OUTWARD = 0.85;

/** Height of the numbers round a paper that is shown by itself, as a share of its longer measure; and the room that they take, in heights. */
export const [AROUND_SHARE, AROUND_ROOM] = [0.13, 1.7] as const;

interface FoldLayerProps {
  readonly patches: readonly Pick<SheetPatch, 'id' | 'outline' | 'foldOrder'>[];
  readonly isFlipped: boolean;
  /** Height of the numbers where they stand round a paper that is shown by itself, outside its sides, mm; in a block they stand within. */
  readonly aroundMm?: number;
}

/** Fold numbers on the sides of patches: 1 is folded first. Upright from either side. */
export function FoldLayer({ patches, isFlipped, aroundMm }: FoldLayerProps) {
  return patches.map(({ id, outline, foldOrder }) => {
    const middle = middleOf(outline);
    const edges = edgesOf(outline);
    // A paper of curves alone is pleated, not folded side after side.
    if (!hasStraightSide(outline)) return null;
    const size = aroundMm ?? Math.max(2, Math.min(...edges.map(edgeLength)) / 7.5);
    return (
      <g key={id} aria-hidden="true">
        {edges.map((edge, side) => {
          // A side that stays raw is not folded.
          if (!foldOrder.includes(side)) return null;
          const { x, y } = aroundMm === undefined ? within(edge, middle) : outside(edge, aroundMm);
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

function within(edge: Edge, middle: Point): Point {
  const on = pointAt(edge, edgeLength(edge) / 2);
  return { x: on.x + (middle.x - on.x) * INWARD, y: on.y + (middle.y - on.y) * INWARD };
}

function outside(edge: Edge, sizeMm: number): Point {
  const half = edgeLength(edge) / 2;
  const [on, along] = [pointAt(edge, half), directionAt(edge, half)];
  // Outlines run clockwise: the outside lies to the left of the way.
  return { x: on.x + along.y * OUTWARD * sizeMm, y: on.y - along.x * OUTWARD * sizeMm };
}
