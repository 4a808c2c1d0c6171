import { itemAt } from '@/core/lists';
import Box from '@mui/material/Box';
import {
  boxOf,
  cornerAngle,
  edgeLength,
  edgesOf,
  outwardAt,
  pointAt,
  type Outline,
  type Point,
} from '@/core/geometry';
import { formatAngle, formatLength, type UnitSystem } from '@/core/length';
import { middleOf, outlinePath } from '@/ui/outlinePath';

/** A paper with the length of each edge beside it and the angle in each corner. */
export function TruePaper({ outline, system, name }: { outline: Outline; system: UnitSystem; name: string }) {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const size = Math.max(maxX - minX, (maxY - minY) * 1.4);
  const pad = size * 0.16;
  const text = size * 0.046;
  const middle = middleOf(outline);
  const isSpoken = outline.corners.length <= 10;
  const angles = angleLabels(outline, middle, text);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${name}, with its edges and angles`}
      viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
      sx={{ width: '100%', height: 270, bgcolor: 'background.paper', border: 1, borderColor: 'divider' }}
    >
      <path
        d={outlinePath(outline)}
        fill="var(--mui-palette-primary-main)"
        fillOpacity={0.1}
        stroke="var(--mui-palette-text-primary)"
        strokeWidth={1.8}
        vectorEffect="non-scaling-stroke"
      />
      {isSpoken &&
        edgesOf(outline).map((edge, side) => {
          const on = pointAt(edge, edgeLength(edge) / 2);
          const out = outwardAt(edge);
          const inward = angles[side] ?? on;
          return (
            <g key={side} fill="var(--mui-palette-text-primary)" fontSize={text} textAnchor="middle">
              <text x={on.x + out.x * text * 1.9} y={on.y + out.y * text * 1.2 + text * 0.35}>
                {formatLength(edgeLength(edge), system)}
              </text>
              <text x={inward.x} y={inward.y + text * 0.35} fill="var(--mui-palette-text-secondary)">
                {formatAngle(cornerAngle(outline, side))}
              </text>
            </g>
          );
        })}
    </Box>
  );
}

/** How far from a corner towards the middle its angle may stand, as shares of the way: the first that is free. */
const INWARD = [0.24, 0.44, 0.62];

/** Places for the angles, inside their corners and clear of each other. */
function angleLabels({ corners }: Outline, middle: Point, text: number): Point[] {
  const placed: Point[] = [];
  for (const corner of corners) {
    const at = (share: number) => ({
      x: corner.x + (middle.x - corner.x) * share,
      y: corner.y + (middle.y - corner.y) * share,
    });
    const isFree = ({ x, y }: Point) =>
      placed.every((other) => Math.abs(other.x - x) > text * 2.6 || Math.abs(other.y - y) > text * 1.1);
    placed.push(INWARD.map(at).find(isFree) ?? at(itemAt(INWARD, 0)));
  }
  return placed;
}
