import { itemAt, knownOf } from '../lists';
import { groupsOf, type SeamGraph } from '../block';
import { distance, middleOfBox, type Point } from '../geometry';
import { DEFAULT_SEWING, type SewingSettings } from './sewingSettings';
import type { Join, PlanTotals } from './join';
import { sewTrees, totalsOf } from './sewTrees';
import { joinCost, joined, leaf, type Tree } from './tree';

/** What people do without a plan: sew patch after patch to one growing piece. */
export type PatchOrder = 'reading' | 'centre-out';

/**
 * The order without a plan, to measure plans by: row by row as one reads, or from the patch in the middle always to the
 * next that costs the fewest bends, of several the nearest to the middle.
 * @returns joins and totals, counted as a plan's are; where a patch does not touch yet it waits
 * Cost: patches squared.
 */
export function patchByPatch(
  graph: SeamGraph,
  order: PatchOrder,
  settings: SewingSettings = DEFAULT_SEWING,
): { readonly joins: readonly Join[]; readonly totals: PlanTotals } {
  const layers = [...new Set(graph.patches.map(({ layer }) => layer))].sort((a, b) => a - b);
  const groups = layers.flatMap((layer) =>
    groupsOf(graph, graph.patches.flatMap((patch, i) => (patch.layer === layer ? [i] : []))),
  ); // prettier-ignore
  const trees = groups.map((members) => growing(graph, members, order));
  const { joins } = sewTrees(graph, trees, settings, { before: [], isBatched: false });
  return { joins, totals: totalsOf(joins, settings) };
}

function growing(graph: SeamGraph, members: readonly number[], order: PatchOrder): Tree {
  const middles = new Map(
    members.map((patch) => [patch, middleOfBox(itemAt(graph.patches, patch).outline)]), // prettier-ignore
  );
  const at = (patch: number) => knownOf(middles, patch);
  const mean = (of: (point: Point) => number) =>
    members.reduce((sum, patch) => sum + of(at(patch)), 0) / members.length;
  const centre = { x: mean(({ x }) => x), y: mean(({ y }) => y) };
  const waiting = [...members].sort((a, b) =>
    order === 'reading'
      ? at(a).y - at(b).y || at(a).x - at(b).x
      : distance(at(a), centre) - distance(at(b), centre),
  );
  let whole = leaf(waiting.shift() as number);
  while (waiting.length > 0) {
    const costs = waiting.map((patch) => joinCost(graph, whole.members, [patch]));
    const least = order === 'reading' ? costs.findIndex((cost) => cost < Infinity) : costs.indexOf(Math.min(...costs)); // prettier-ignore
    whole = joined(whole, leaf(itemAt(waiting.splice(Math.max(0, least), 1), 0)));
  }
  return whole;
}
