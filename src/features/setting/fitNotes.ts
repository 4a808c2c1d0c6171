import { formatLength, type UnitSystem } from '@/core/length';
import type { PlacedBlock, Setting } from '@/core/setting';

/** Which blocks do not fill their place, and what that asks for. */
export function fitNotes(placed: readonly PlacedBlock[], setting: Setting, system: UnitSystem): string[] {
  return placed.flatMap(({ block, spareWidthMm, spareHeightMm, cell }) => {
    const half = setting.layout === 'offset' && spareWidthMm < -1;
    const least = Math.min(spareWidthMm, spareHeightMm);
    if (half) return [`${block.name} in place ${cell + 1}: half of it shows; make a half block, or cut one.`];
    if (least < -0.5)
      return [
        `${block.name} is ${formatLength(-2 * least, system)} larger than its place: make the places larger.`,
      ];
    if (Math.max(spareWidthMm, spareHeightMm) > 0.5)
      return [
        `${block.name} leaves ${formatLength(spareWidthMm, system)} beside and ${formatLength(spareHeightMm, system)} above: appliqué it to a background.`,
      ];
    return [];
  });
}
