import { itemAt } from '../lists';
import { groupsOf, type SeamGraph } from '../block';
import { EQUAL_LENGTH_MM, steadyOrder, toRadians } from '../geometry';
import { middle } from './middles';
import { joinInOrder, leaf, type Tree } from './tree';
import { weightOf } from './treeCost';

/** Directions in which rows are looked for, degrees. */
const ROW_DIRECTIONS = [0, 90, 30, 60, 120, 150, 45, 135];
/** Middles of a row lie within this share of a patch's height. */
const ROW_SHARE = 0.3;

/** Rows that are laid over each other run across, the uppermost first. */
export const LAID_DIRECTIONS = [0];

/** Whether most of the length of a group's seams is curved, so that patches may be laid over each other. */
export function isCurved(graph: SeamGraph, members: readonly number[]): boolean {
  const own = new Set(members);
  const seams = graph.seams.filter(({ patches }) => patches.every((patch) => own.has(patch)));
  const length = (list: typeof seams) => list.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  return length(seams.filter(({ path }) => path.length > 3)) > length(seams) / 2;
}

/**
 * Patches into rows, rows into the block, in the direction that costs least.
 * @param directions in which rows are looked for, degrees
 * @returns undefined where the patches lie in no rows
 */
export function rowsTree(
  graph: SeamGraph,
  members: readonly number[],
  directions: readonly number[] = ROW_DIRECTIONS,
): Tree | undefined {
  let best: { tree: Tree; cost: number } | undefined;
  for (const degrees of directions) {
    const rows = rowsAlong(graph, members, degrees);
    if (rows.length < 2 || rows.length > members.length / 2) continue;
    const units = rows.flatMap((row) => groupsOf(graph, row).map((group) => inRow(graph, group, degrees)));
    const tree = joinInOrder(graph, units);
    const cost = weightOf(graph, tree);
    if (!best || cost < best.cost) best = { tree, cost };
  }
  return best?.tree;
}

function rowsAlong(graph: SeamGraph, members: readonly number[], degrees: number): number[][] {
  const [sin, cos] = [Math.sin(toRadians(degrees)), Math.cos(toRadians(degrees))];
  const lying = members.map((patch) => {
    const { corners } = itemAt(graph.patches, patch).outline;
    const heights = corners.map(({ x, y }) => y * cos - x * sin);
    const [low, high] = [Math.min(...heights), Math.max(...heights)];
    return { patch, at: (low + high) / 2, height: high - low };
  });
  const across = steadyOrder(lying, ({ at }) => at, EQUAL_LENGTH_MM);
  const typical = itemAt(
    across.map(({ height }) => height).sort((a, b) => a - b),
    Math.floor(across.length / 2),
  );
  const rows: number[][] = [];
  let last = -Infinity;
  for (const { patch, at } of across) {
    if (at - last > typical * ROW_SHARE) rows.push([]);
    rows.at(-1)?.push(patch);
    last = at;
  }
  return rows;
}

function inRow(graph: SeamGraph, row: readonly number[], degrees: number): Tree {
  const along = (patch: number) => {
    const { x, y } = middle(graph, patch);
    return x * Math.cos(toRadians(degrees)) + y * Math.sin(toRadians(degrees));
  };
  return joinInOrder(graph, steadyOrder(row, along, EQUAL_LENGTH_MM).map(leaf)); // prettier-ignore
}
