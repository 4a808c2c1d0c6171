import { counted } from '@/core/words';
import type { Flatness } from '@/core/block';
import { formatLength, type UnitSystem } from '@/core/length';

/**
 * Whether the angles round every point make a full turn, and by how much they do not.
 * @param numbers the number that the drawing shows on each patch
 */
export function sayFlatness({ innerPoints, faults }: Flatness, numbers: ReadonlyMap<string, number>): string {
  if (faults.length === 0)
    return innerPoints === 0
      ? 'yes: no point is surrounded'
      : `yes: 360° round each of ${counted(innerPoints, 'point')}`;
  const [worst] = [...faults].sort((a, b) => Math.abs(b.missingDeg) - Math.abs(a.missingDeg));
  const off = Math.abs(worst?.missingDeg ?? 0).toFixed(1);
  const how = (worst?.missingDeg ?? 0) > 0 ? `cups: ${off}° are missing` : `ruffles: ${off}° too much`;
  const more = faults.length > 1 ? `, and at ${faults.length - 1} more` : '';
  return `no, it ${how} round patches ${worst?.patches.map((id) => numbers.get(id) ?? id).join(', ')}${more}`;
}

/** Long runs in yards or metres read better than in hundreds of inches; short ones stay as they are. */
export function formatLong(millimetres: number, system: UnitSystem): string {
  if (millimetres < 1500) return formatLength(millimetres, system);
  return system === 'inch'
    ? `${(millimetres / 914.4).toFixed(2)} yd`
    : `${(millimetres / 1000).toFixed(2)} m`;
}
