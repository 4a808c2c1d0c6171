import Box from '@mui/material/Box';
import { formatLength, type UnitSystem } from '@/core/length';
import { boxOfPoints } from '@/core/geometry';
import { counted } from '@/core/words';
import type { Nested, PieceKind } from '@/core/nesting';
import type { ShelfCloth } from '@/core/cloth';
import type { UsedArea } from './useLayout';
import { DimensionLine } from './DimensionLine';

interface LayoutDrawingProps {
  readonly kinds: readonly PieceKind[];
  readonly nested: Nested;
  /** Of the cloth, not to be used. */
  readonly used?: readonly UsedArea[];
  readonly cloth: ShelfCloth;
  readonly system: UnitSystem;
}

/** A layout drawn to scale, the bolt lying across the page: selvedges shaded, each kind by its number, dimension lines along width and length. */
export function LayoutDrawing({ kinds, nested, used = [], cloth, system }: LayoutDrawingProps) {
  const { widthMm, selvedgeMm } = cloth;
  const { lengthMm } = nested;
  const edge = widthMm * 0.09;
  const size = Math.max(9, widthMm / 70);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${counted(nested.placed.length, 'piece')} laid on ${formatLength(widthMm, system)} wide cloth, ${formatLength(lengthMm, system)} long`}
      viewBox={`${-edge} ${-edge * 1.2} ${widthMm + edge * 1.1} ${lengthMm + edge * 1.3}`}
      sx={{ width: '100%', maxHeight: 520, display: 'block', fontVariantNumeric: 'tabular-nums' }}
    >
      <rect width={widthMm} height={lengthMm} fill="none" stroke="currentColor" strokeWidth={widthMm / 600} />
      {[0, widthMm - selvedgeMm].map((x) => (
        <rect key={x} x={x} width={selvedgeMm} height={lengthMm} fill="currentColor" opacity={0.18} />
      ))}
      {used
        .filter(({ y }) => y < lengthMm)
        .map(({ x, y, widthMm: wide, lengthMm: long }) => (
          <rect
            key={`${x} ${y}`}
            x={x}
            y={y}
            width={wide}
            height={Math.min(long, lengthMm - y)}
            fill="currentColor"
            opacity={0.3}
          />
        ))}
      {nested.placed.map(
        ({ kind, turnDeg, x, y }, index) =>
        <Piece key={index} polygon={kinds[kind]?.polygon ?? []} number={kind + 1} of={kinds.length} turnDeg={turnDeg} x={x} y={y} size={size} />, // prettier-ignore
      )}
      <DimensionLine x={0} y={-edge * 0.78} lengthMm={widthMm} word="wide" size={size} system={system} />
      {selvedgeMm > 0 && (
        <DimensionLine
          x={selvedgeMm}
          y={-edge * 0.25}
          lengthMm={widthMm - 2 * selvedgeMm}
          word="between the selvedges"
          size={size * 0.8}
          system={system}
        />
      )}
      <DimensionLine
        x={-edge * 0.3}
        y={0}
        isDown
        lengthMm={lengthMm}
        word="long"
        size={size}
        system={system}
      />
    </Box>
  );
}

interface PieceProps {
  readonly polygon: PieceKind['polygon'];
  readonly number: number;
  readonly of: number;
  readonly turnDeg: number;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

function Piece({ polygon, number, of, turnDeg, x, y, size }: PieceProps) {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  const points = polygon.map((p) => ({ x: cos * p.x - sin * p.y + x, y: sin * p.x + cos * p.y + y }));
  const { minX, minY, maxX, maxY } = boxOfPoints(points);
  // Shades tell kinds apart beside their numbers.
  const shade = 0.06 + (0.2 * (number - 1)) / Math.max(1, of - 1);
  return (
    <g>
      <polygon
        points={points.map((p) => `${p.x},${p.y}`).join(' ')}
        fill="currentColor"
        fillOpacity={shade}
        stroke="currentColor"
        strokeWidth={0.8}
      />
      <text
        x={(minX + maxX) / 2}
        y={(minY + maxY) / 2}
        dy="0.35em"
        textAnchor="middle"
        fontSize={size}
        fill="currentColor"
      >
        {number}
      </text>
    </g>
  );
}
