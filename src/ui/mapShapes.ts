import type { Outline } from '@/core/geometry';
import { outlinePath } from './outlinePath';

/** All patches of one cloth and layer, as one path. */
export interface MapShape {
  readonly fabric: string;
  readonly d: string;
}

/** A block as the map of the top draws it: a path for each cloth, lower layers first. */
export function mapShapes(patches: readonly { readonly outline: Outline; readonly fabric: string; readonly layer: number }[]): MapShape[] {
  const shapes = new Map<string, { readonly fabric: string; readonly layer: number; readonly parts: string[] }>();
  for (const { outline, fabric, layer } of patches) {
    const key = `${layer} ${fabric}`;
    const shape = shapes.get(key) ?? { fabric, layer, parts: [] };
    shape.parts.push(outlinePath(outline));
    shapes.set(key, shape);
  }
  return [...shapes.values()].sort((a, b) => a.layer - b.layer).map(({ fabric, parts }) => ({ fabric, d: parts.join('') }));
} // prettier-ignore
