import type { Pleat } from '@/core/basting';

/** Pleats of curves that bow out, as lines across the allowance; clips of those that bow in, as wedges. */
export function PleatLayer({ pleats, allowanceMm }: { pleats: readonly Pleat[]; allowanceMm: number }) {
  return (
    <g aria-hidden="true">
      {pleats.map(({ kind, at, outward }, index) => {
        const far = { x: at.x + outward.x * allowanceMm * 0.7, y: at.y + outward.y * allowanceMm * 0.7 };
        const side = { x: -outward.y * 0.9, y: outward.x * 0.9 };
        const wedge = `M${at.x} ${at.y}L${far.x + side.x} ${far.y + side.y}L${far.x - side.x} ${far.y - side.y}Z`;
        return (
          <path
            key={index}
            d={kind === 'pleat' ? `M${at.x} ${at.y}L${far.x} ${far.y}` : wedge}
            stroke="var(--mui-palette-warning-main)"
            fill={kind === 'pleat' ? 'none' : 'var(--mui-palette-warning-main)'}
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </g>
  );
}
