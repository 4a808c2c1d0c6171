import { formatLength, type UnitSystem } from '@/core/length';

/** From mark to mark along a dimension line: four inches, or ten centimetres, mm. */
const MARK_MM: Readonly<Record<UnitSystem, number>> = { inch: 101.6, metric: 100 };

interface DimensionLineProps {
  /** Where it begins, mm of the drawing; it runs to the right, or down. */
  readonly x: number;
  readonly y: number;
  readonly isDown?: boolean;
  readonly lengthMm: number;
  /** What is said of the length besides: “wide”. */
  readonly word: string;
  /** Height of the letters, mm of the drawing. */
  readonly size: number;
  readonly system: UnitSystem;
}

/** A measured length beside a drawing: its ends, a mark every four inches or ten centimetres, and the length in words. */
export function DimensionLine({ x, y, isDown = false, lengthMm, word, size, system }: DimensionLineProps) {
  const step = MARK_MM[system];
  // The last mark does not run into the end.
  const marks = Array.from({ length: Math.max(0, Math.ceil(lengthMm / step) - 1) }, (_, i) => (i + 1) * step);
  const tall = size * 0.5;
  return (
    <g transform={`translate(${x} ${y})${isDown ? ' rotate(90) scale(1 -1)' : ''}`} stroke="currentColor" fill="none">
      <path d={`M0 0H${lengthMm}`} strokeWidth={size / 14} />
      <path d={`M0 ${-tall}V${tall}M${lengthMm} ${-tall}V${tall}`} strokeWidth={size / 9} />
      <path d={marks.map((at) => `M${at} ${-tall / 2}V${tall / 2}`).join('')} strokeWidth={size / 16} />
      <text
        transform={`translate(${lengthMm / 2} ${-size * 0.75})${isDown ? ' scale(-1 1)' : ''}`}
        textAnchor="middle"
        fontSize={size}
        fill="currentColor"
        stroke="none"
      >
        {`${formatLength(lengthMm, system)}${word === '' ? '' : ` ${word}`}`}
      </text>
    </g>
  );
} // prettier-ignore
