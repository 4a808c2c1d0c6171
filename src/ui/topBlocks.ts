import type { BlockSheet } from '@/core/sheet';
import { mapShapes } from './mapShapes';
import type { TopMapBlock } from './TopMap';

interface Measured {
  readonly href: string;
  readonly text: string;
  readonly share?: number;
}

interface WithSheet {
  readonly id: string;
  readonly name: string;
  readonly place: number;
  readonly sheet: BlockSheet;
}

/** Blocks for the map of the top, each with where it leads and the station's measure of it. */
export function topBlocks(
  blocks: readonly WithSheet[],
  measure: (block: WithSheet) => Measured,
): TopMapBlock[] {
  return blocks.map((block) => {
    const { id, name, place, sheet } = block;
    const { patches, widthMm, heightMm } = sheet;
    return { id, name, place, shapes: mapShapes(patches), widthMm, heightMm, ...measure(block) };
  });
}
