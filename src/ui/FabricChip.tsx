import { useId } from 'react';
import { SwatchPatterns, swatchFill } from './swatches';

/** A square of a fabric's swatch. */
export function FabricChip({
  fabric,
  fabrics,
  size = 34,
}: {
  fabric: string;
  fabrics: readonly string[];
  size?: number;
}) {
  const prefix = `f${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  return (
    <svg width={size} height={size} viewBox="0 0 21 21" aria-hidden="true" style={{ flexShrink: 0 }}>
      <defs>
        <SwatchPatterns prefix={prefix} fabrics={fabrics} />
      </defs>
      <rect
        width="21"
        height="21"
        fill={swatchFill(prefix, fabrics, fabric)}
        stroke="currentColor"
        strokeWidth="0.6"
      />
    </svg>
  );
}
