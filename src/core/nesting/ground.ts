import { itemAt } from '../lists';
import { boxOfPoints, type Point } from '../geometry';
import type { Ground, Laid } from './layout';
import { noFitTable } from './noFit';
import { poseOf, posesOf, type PieceKind, type Pose, type Turns } from './pieces';

/** Two turns this near are one, degrees. */
const SAME_TURN_DEG = 1e-7;

/**
 * What the search works on.
 * @param used outlines of areas that are used or flawed, in their places, clockwise on screen
 */
export function groundOf(
  kinds: readonly PieceKind[],
  width: number,
  turns: Turns,
  used: readonly (readonly Point[])[],
): Ground {
  const { all, ofKind } = posesOf(kinds, turns);
  const poses: Pose[] = [...all];
  const own = ofKind.map((list) => [...list]);
  const usedLaid = used.map((polygon): Laid => {
    const { minX, minY } = boxOfPoints(polygon);
    return { pose: poses.push(poseOf(polygon, -1, 0)) - 1, x: minX, y: minY };
  });
  const poseAt = (kind: number, turnDeg: number): number => {
    const list = itemAt(own, kind);
    const turn = ((turnDeg % 360) + 360) % 360;
    const found = list.find((pose) => Math.abs(itemAt(poses, pose).turnDeg - turn) < SAME_TURN_DEG);
    if (found !== undefined) return found;
    const made = poses.push(poseOf(itemAt(kinds, kind).polygon, kind, turn)) - 1;
    list.push(made);
    return made;
  };
  return { poses, posesOf: own, noFit: noFitTable(poses), poseAt, width, used: usedLaid };
}
