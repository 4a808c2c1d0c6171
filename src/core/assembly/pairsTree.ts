import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { goingRound, middleOfAll } from './middles';
import { joinCost, joinTrees, joined, leaf, type Tree } from './tree';

/** Two and two, those two and two, and so on, going round. */
export function pairsTree(graph: SeamGraph, members: readonly number[]): Tree {
  const centre = middleOfAll(graph, members);
  let units: Tree[] = goingRound(graph, centre, members).map(leaf);
  while (units.length > 1) {
    const next: Tree[] = [];
    const taken = new Set<Tree>();
    for (const unit of units) {
      if (taken.has(unit)) continue;
      taken.add(unit);
      const mate = units
        .filter((other) => !taken.has(other))
        .map((other) => ({
          other,
          cost:
            joinCost(graph, unit.members, other.members) +
            Math.abs(other.members.length - unit.members.length) * 0.1,
        }))
        .filter(({ cost }) => cost < Infinity)
        .sort((a, b) => a.cost - b.cost)[0]?.other;
      if (mate) taken.add(mate);
      next.push(mate ? joined(unit, mate) : unit);
    }
    if (next.length === units.length) return joinTrees(graph, units);
    units = next;
  }
  return itemAt(units, 0);
}
