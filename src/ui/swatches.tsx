'use client';
import { REPEAT_MM, weaveOf } from '@/core/cloth';
import { useClothLook } from './ClothLooks';

/** The figure of one repeat, 7 × 7, in the colour around it. */
function Weave({ weave }: { readonly weave: number }) {
  return weaveOf({ weave }).map(({ d, width, isFilled }) => (
    <path key={d} d={d} {...(isFilled ? { fill: 'currentColor' } : { fill: 'none', stroke: 'currentColor', strokeWidth: width })} />
  ));
} // prettier-ignore

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
  /** Address of a photo of one repeat, the motif in its middle; drawn where there is none. */
  readonly picture?: string | undefined;
}

/** A cloth drawn at the size of its repeat, a motif at the origin; two columns where every second lies half a repeat lower. */
export function RepeatPattern({ id, fabric, fabrics, widthMm, heightMm, isHalfDrop, transform, picture }: RepeatPatternProps) {
  const { ground, figure, weave } = useClothLook()(fabric, fabrics);
  const columns = isHalfDrop ? 2 : 1;
  const tile = (x: number, y: number) => picture !== undefined ? (
    <image key={`${x} ${y}`} href={picture} x={x} y={y} width={widthMm} height={heightMm} preserveAspectRatio="none" />
  ) : (
    <g key={`${x} ${y}`} transform={`translate(${x} ${y}) scale(${widthMm / REPEAT_MM} ${heightMm / REPEAT_MM})`}>
      <Weave weave={weave} />
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
        <Weave weave={weave} />
      </pattern>
    );
  });
}
