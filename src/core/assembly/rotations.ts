import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { distance, isSamePlace, middleOfBox, moveOutline, turnAbout, type Point } from '../geometry';

/** Patches whose copies fall within this of another are the same place, mm. */
const SAME_PLACE_MM = 0.5;
/** Most folds that are looked for. */
const MOST_FOLDS = 60;

/** A group of patches that turns onto itself. */
export interface Rotation {
  readonly folds: number;
  readonly centre: Point;
  /** For each patch of the group where one turn by 360° ÷ folds takes it. */
  readonly next: ReadonlyMap<number, number>;
}

/**
 * Finds the finest turn about its middle that takes a group of patches onto itself, shape on shape; cloth is not looked at.
 * @returns undefined when there is none
 */
export function findRotation(graph: SeamGraph, members: readonly number[]): Rotation | undefined {
  const outlines = members.map((patch) => itemAt(graph.patches, patch).outline);
  const points = outlines.flatMap(({ corners }) => corners);
  const centre = middleOfBox({ corners: points, bulges: points.map(() => 0) });
  const hull = farthest(points, centre);
  const centres = [centre, hull].filter((one): one is Point => one !== undefined);
  for (const about of centres) {
    const found = finestTurn(members, outlines, about);
    if (found) return found;
  }
  return undefined;
}

/** The mean of the farthest corners: the middle of a figure whose box is lopsided, such as a triangle or a pentagon. */
function farthest(points: readonly Point[], near: Point): Point | undefined {
  const mean = points.reduce(
    (sum, { x, y }) => ({ x: sum.x + x / points.length, y: sum.y + y / points.length }),
    { x: 0, y: 0 },
  );
  return distance(mean, near) < SAME_PLACE_MM ? undefined : mean;
}

function finestTurn(
  members: readonly number[],
  outlines: readonly SeamGraph['patches'][number]['outline'][],
  centre: Point,
): Rotation | undefined {
  const cells = new Map<string, number[]>();
  const keyOf = ({ x, y }: Point) => `${Math.round(x / 2)},${Math.round(y / 2)}`;
  const middles = outlines.map(middleOfBox);
  middles.forEach((middle, i) => {
    const key = keyOf(middle);
    cells.set(key, [...(cells.get(key) ?? []), i]);
  });
  const near = (point: Point): number[] => {
    const found: number[] = [];
    for (let dx = -2; dx <= 2; dx += 2)
      for (let dy = -2; dy <= 2; dy += 2)
        found.push(...(cells.get(keyOf({ x: point.x + dx, y: point.y + dy })) ?? []));
    return found;
  };
  const still = middles.filter((middle) => distance(middle, centre) < SAME_PLACE_MM).length;
  for (let folds = Math.min(MOST_FOLDS, members.length); folds >= 2; folds--) {
    // All but what lies in the middle comes in sets of as many as there are folds.
    if ((members.length - still) % folds !== 0) continue;
    const turn = turnAbout(centre, 360 / folds);
    const next = new Map<number, number>();
    const taken = new Set<number>();
    const isWhole = outlines.every((outline, i) => {
      const moved = moveOutline(turn, outline);
      // Where patches lie twice on one place, each goes to a place of its own.
      const target = near(middleOfBox(moved)).find(
        (other) => !taken.has(other) && isSamePlace(moved, itemAt(outlines, other), SAME_PLACE_MM),
      );
      if (target === undefined) return false;
      taken.add(target);
      next.set(itemAt(members, i), itemAt(members, target));
      return true;
    });
    if (isWhole) return { folds, centre, next };
  }
  return undefined;
}
