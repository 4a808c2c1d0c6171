import { itemAt } from '../lists';
import { depthAt, type NoFitTable } from './noFit';
import type { Pose } from './pieces';

/** The cloth that can be cut: its top left corner at 0, 0; no end where `length` is infinite. Mm. */
export interface Room {
  readonly width: number;
  readonly length: number;
}

/** A piece in its place. */
export interface Laid {
  /** Number of its pose. */
  readonly pose: number;
  /** Corner of its box, mm. */
  readonly x: number;
  readonly y: number;
}

/** What every part of the search works on: poses of the pieces, then areas that are used already as poses that never move. */
export interface Ground {
  readonly poses: readonly Pose[];
  readonly posesOf: readonly (readonly number[])[];
  readonly noFit: NoFitTable;
  /** The number of a kind's pose at a turn, degrees; one that was not among those tried joins them. */
  readonly poseAt: (kind: number, turnDeg: number) => number;
  readonly width: number;
  /** Used areas, in their places. */
  readonly used: readonly Laid[];
}

/** Slack that keeps what fits exactly from being left out by rounding, mm. */
export const SLACK_MM = 1e-6;

/** Boxes further apart than this are surely clear: a margin for rounding, mm. */
export const NEAR_MM = 0.01;

/** How far down the pieces reach, mm. */
export function lengthOf({ poses }: Ground, laid: readonly Laid[]): number {
  return laid.reduce((low, { pose, y }) => Math.max(low, y + itemAt(poses, pose).height), 0);
}

/** Whether a pose at a place is clear of all that lies already. */
export function isFree({ poses, noFit }: Ground, lying: readonly Laid[], pose: number, x: number, y: number): boolean {
  const { width, height } = itemAt(poses, pose);
  for (const one of lying) {
    const [dx, dy] = [x - one.x, y - one.y];
    const other = itemAt(poses, one.pose);
    if (dx >= other.width + NEAR_MM || -dx >= width + NEAR_MM) continue;
    if (dy >= other.height + NEAR_MM || -dy >= height + NEAR_MM) continue;
    if (depthAt(noFit(one.pose, pose), dx, dy) > 0) return false;
  }
  return true;
} // prettier-ignore
