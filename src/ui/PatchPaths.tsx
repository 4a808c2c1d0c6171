import type { Outline } from '@/core/geometry';
import { PatchMark } from './drawing';
import { swatchFill } from './swatches';

interface PatchPathsProps {
  readonly patches: readonly { readonly id: string; readonly outline: Outline; readonly fabric: string }[];
  /** Of the swatch patterns drawn beside. */
  readonly prefix: string;
  readonly fabrics: readonly string[];
  /** Width of the outlines, screen points. */
  readonly strokeWidth?: number;
}

/** Patches drawn small: their swatches and outlines, without numbers. */
export function PatchPaths({ patches, prefix, fabrics, strokeWidth = 0.5 }: PatchPathsProps) {
  return patches.map(({ id, outline, fabric }) => (
    <PatchMark
      key={id}
      outline={outline}
      fill={swatchFill(prefix, fabrics, fabric)}
      strokeWidth={strokeWidth}
    />
  ));
}
