import { itemAt } from '../lists';
import { groupsOf, type SeamGraph } from '../block';
import { describeUnit, type Cut, type CutUnit } from './cutUnit';
import { pathCuts } from './pathCuts';
import { straightCuts } from './straightCuts';

/** A cut that was tried: the connected groups that it leaves. */
interface TriedCut extends Cut {
  readonly groups: readonly (readonly number[])[];
}

/**
 * Finds how best to cut a connected unit of two or more patches into connected groups (nearly always two).
 * A straight line of seams right across costs no bend and never spoils a later cut, so it is taken first; then the
 * path with the fewest avoidable bends, the evenest halves among equals. A path may cross a hole, from any place of its
 * rim to any other: that join has two runs and closes the hole. Where rims meet at a point, a part is opened first.
 * Cost: near-linear in the unit's patches.
 */
export function findCut(graph: SeamGraph, members: readonly number[]): readonly (readonly number[])[] {
  const opened = new Set<number>();
  // A unit with h holes falls apart after at most h + 1 openings.
  for (let round = 0; round < members.length; round++) {
    const unit = describeUnit(graph, members, opened);
    const cut =
      bestOf(unit, straightCuts(unit)) ??
      bestOf(unit, pathCuts(unit, false)) ??
      bestOf(unit, pathCuts(unit, true));
    if (cut && cut.groups.length > 1) return cut.groups;
    if (!cut) break;
    for (const seam of cut.seams) opened.add(seam);
  }
  return peelOne(graph, members);
}

/** Tries cuts and keeps the best: least excess, then one that parts the unit, then the evenest, then the shortest. */
function bestOf(unit: CutUnit, cuts: readonly Cut[]): TriedCut | undefined {
  const { graph, members, opened } = unit;
  let best: TriedCut | undefined;
  const half = Math.ceil(members.length / 2);
  let isEven = false;
  for (const cut of cuts) {
    // Two even halves are only bettered by a shorter cut.
    if (best && isEven && cut.excess >= best.excess && cut.seams.length >= best.seams.length) continue;
    const groups = groupsOf(graph, members, new Set([...opened, ...cut.seams]));
    const tried = { ...cut, groups };
    if (best && !isBetter(tried, best)) continue;
    best = tried;
    isEven = groups.length === 2 && groups.every(({ length }) => length <= half);
  }
  return best;
}

function isBetter(a: TriedCut, b: TriedCut): boolean {
  const parts = (cut: TriedCut) => (cut.groups.length === 1 ? Infinity : cut.groups.length);
  if (a.excess !== b.excess) return a.excess < b.excess;
  if (parts(a) !== parts(b)) return parts(a) < parts(b);
  const largest = (cut: TriedCut) => Math.max(...cut.groups.map(({ length }) => length));
  if (largest(a) !== largest(b)) return largest(a) < largest(b);
  return a.seams.length < b.seams.length;
}

/** Last resort for units with no rim to cut from: takes off one patch that leaves the rest connected. */
function peelOne(graph: SeamGraph, members: readonly number[]): readonly (readonly number[])[] {
  const seamCount = (patch: number) => itemAt(graph.seamsOf, patch).length;
  for (const patch of [...members].sort((a, b) => seamCount(a) - seamCount(b))) {
    const rest = members.filter((other) => other !== patch);
    if (groupsOf(graph, rest).length === 1) return [rest, [patch]];
  }
  return members.map((patch) => [patch]);
}
