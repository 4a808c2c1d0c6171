import { roundUpToGrid, type UnitSystem } from '../length';
import { SLACK_MM } from './layout';
import type { PieceKind, Pose, Poses } from './pieces';
import { itemAt } from '../lists';

/** How the pieces of one kind are cut from strips right across the cloth. */
export interface Strips {
  /** Height of a strip, mm, on the cutting grid. */
  readonly heightMm: number;
  /** Width that each piece takes of it, mm. */
  readonly eachMm: number;
  readonly perStrip: number;
  readonly strips: number;
}

/**
 * Strips of a kind: the box of the pose that takes least of the roll, rounded up to the cutting grid (⅛″ or 5 mm) both ways.
 * @returns undefined where no box goes across the cloth
 */
export function stripsOf(
  kind: number,
  count: number,
  { all, ofKind }: Poses,
  width: number,
  system: UnitSystem,
): Strips | undefined {
  let best: Strips | undefined;
  for (const pose of itemAt(ofKind, kind)) {
    const found = stripsIn(itemAt(all, pose), count, width, system);
    if (found && (!best || found.strips * found.heightMm < best.strips * best.heightMm)) best = found;
  }
  return best;
}

function stripsIn(pose: Pose, count: number, width: number, system: UnitSystem): Strips | undefined {
  const heightMm = roundUpToGrid(pose.height, system);
  // A piece that goes across as it is, but not rounded up, is cut to its size.
  const rounded = roundUpToGrid(pose.width, system);
  const eachMm = rounded <= width + SLACK_MM ? rounded : pose.width;
  const perStrip = Math.floor((width + SLACK_MM) / eachMm);
  return perStrip === 0 ? undefined : { heightMm, eachMm, perStrip, strips: Math.ceil(count / perStrip) };
}

/** How much of a roll all kinds take by strips, one under the other, mm; undefined where one does not go across. */
export function lengthByStrips(
  kinds: readonly PieceKind[],
  poses: Poses,
  width: number,
  system: UnitSystem,
): number | undefined {
  let sum = 0;
  for (const [kind, { count }] of kinds.entries()) {
    const strips = stripsOf(kind, count, poses, width, system);
    if (!strips) return undefined;
    sum += strips.heightMm * strips.strips;
  }
  return sum;
}
