'use client';
import type { ReactNode } from 'react';
import { useClothLook } from './ClothLooks';

/** Side of a swatch's repeat, mm of the drawing. */
const REPEAT_MM = 7;

const line = (d: string, width = 0.7) => <path d={d} fill="none" stroke="currentColor" strokeWidth={width} />;

/** Figures of one repeat, 7 × 7. */
const WEAVES: readonly ReactNode[] = [
  <>
    <circle key="a" cx="1.75" cy="1.75" r="0.75" fill="currentColor" />
    <circle key="b" cx="5.25" cy="5.25" r="0.75" fill="currentColor" />
  </>,
  line('M0 7L7 0', 0.35),
  line('M0 2H7M0 5.5H7', 0.5),
  line('M3.5 1.5V5.5M1.5 3.5H5.5', 0.6),
  line('M0 7L7 0M-1 1L1 -1M6 8L8 6'),
  line('M0 3.5H7M3.5 0V7', 0.5),
  line('M1 5Q2.25 2 3.5 5T6 5', 0.6),
  line('M1.75 0V7M5.25 0V7', 0.8),
  <rect key="r" x="2" y="2" width="3" height="3" fill="none" stroke="currentColor" strokeWidth="0.6" />,
  line('M0 0L3.5 3.5L7 0M0 3.5L3.5 7L7 3.5', 0.5),
  <circle key="c" cx="3.5" cy="3.5" r="2" fill="none" stroke="currentColor" strokeWidth="0.6" />,
  line('M0 0L7 7M0 7L7 0', 0.45),
];

/** What fills a patch with its swatch, where {@link SwatchPatterns} of the same prefix and fabrics are drawn. */
export function swatchFill(prefix: string, fabrics: readonly string[], fabric: string): string {
  return `url(#${prefix}-${Math.max(0, fabrics.indexOf(fabric))})`;
}

interface RepeatPatternProps {
  readonly id: string;
  readonly fabric: string;
  readonly fabrics: readonly string[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly isHalfDrop: boolean;
  /** Where the pattern's origin, a motif, is put. */
  readonly transform?: string;
}

/** A cloth drawn at the size of its repeat, a motif at the origin; two columns where every second lies half a repeat lower. */
export function RepeatPattern({ id, fabric, fabrics, widthMm, heightMm, isHalfDrop, transform }: RepeatPatternProps) {
  const { ground, figure, weave } = useClothLook()(fabric, fabrics);
  const columns = isHalfDrop ? 2 : 1;
  const tile = (x: number, y: number) => (
    <g key={`${x} ${y}`} transform={`translate(${x} ${y}) scale(${widthMm / REPEAT_MM} ${heightMm / REPEAT_MM})`}>
      {WEAVES[weave % WEAVES.length]}
    </g>
  );
  return (
    <pattern
      id={id}
      width={columns * widthMm}
      height={heightMm}
      patternUnits="userSpaceOnUse"
      patternTransform={`${transform ?? ''} translate(${-widthMm / 2} ${-heightMm / 2})`}
      color={figure}
    >
      <rect width={columns * widthMm} height={heightMm} fill={ground} />
      {tile(0, 0)}
      {isHalfDrop && [tile(widthMm, heightMm / 2), tile(widthMm, -heightMm / 2)]}
    </pattern>
  );
} // prettier-ignore

/** Pattern definitions for some fabrics; fill with {@link swatchFill}. */
export function SwatchPatterns({
  prefix,
  fabrics,
  scale = 1,
}: {
  prefix: string;
  fabrics: readonly string[];
  scale?: number;
}) {
  const lookOf = useClothLook();
  return fabrics.map((fabric, index) => {
    const { ground, figure, weave } = lookOf(fabric, fabrics);
    return (
      <pattern
        key={fabric}
        id={`${prefix}-${index}`}
        width={REPEAT_MM}
        height={REPEAT_MM}
        patternUnits="userSpaceOnUse"
        patternTransform={`scale(${scale})`}
        color={figure}
      >
        <rect width={REPEAT_MM} height={REPEAT_MM} fill={ground} />
        {WEAVES[weave % WEAVES.length]}
      </pattern>
    );
  });
}
