import { itemAt } from '../lists';
import type { Setting } from './setting';
import { shareStrips } from './shareStrips';

/** A side of a block as it hangs in the top. */
export type BlockSide = 'top' | 'right' | 'bottom' | 'left';

/** A strip that a block takes along, finished size, mm; its length may run past the block where there are no cornerstones. */
export interface EndingStrip {
  readonly side: BlockSide;
  readonly lengthMm: number;
  readonly widthMm: number;
}

/** What the setting makes of a block when its piecing is done. */
export interface BlockEnding {
  readonly joint: Setting['joint'];
  /** Its place in the top, finished, mm. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Those that are given to this block, none of them twice in a project. */
  readonly strips: readonly EndingStrip[];
  readonly cornerstones: number;
  /** Side of a cornerstone, finished, mm. */
  readonly cornerstoneMm: number;
}

/** What each block of a setting takes along when it is done, by its id; blocks that have no place are not named. */
export function blockEndings(setting: Setting): ReadonlyMap<string, BlockEnding> {
  const { layout, shares } = shareStrips(setting);
  const stripOf = new Map(layout.strips.map((strip) => [strip.id, strip]));
  return new Map(
    shares.map(({ cell, strips, cornerstones }) => {
      const at = itemAt(layout.cells, cell);
      const own = strips.flatMap((id): EndingStrip[] => {
        const strip = stripOf.get(id);
        if (!strip || strip.kind === 'cornerstone') return [];
        const isAcross = strip.kind === 'horizontal';
        const isBefore = isAcross ? strip.y < at.y : strip.x < at.x;
        const side = isAcross ? (isBefore ? 'top' : 'bottom') : isBefore ? 'left' : 'right';
        return [{ side, lengthMm: Math.max(strip.width, strip.height), widthMm: setting.sashMm }];
      });
      const ending: BlockEnding = {
        joint: setting.joint,
        widthMm: at.width,
        heightMm: at.height,
        strips: own,
        cornerstones,
        cornerstoneMm: setting.sashMm,
      };
      return [setting.places[cell] as string, ending] as const;
    }),
  );
}
