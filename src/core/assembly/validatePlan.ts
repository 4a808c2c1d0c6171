import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import type { Join } from './join';

/**
 * Checks a plan by replaying it on the graph, sharing nothing with the planner: units are unions of earlier joins,
 * each join sews all seams between its two units and no other, and papers come out exactly when they may.
 * @returns what is wrong, in sentences; empty when the plan is valid
 */
export function validatePlan(graph: SeamGraph, plan: { readonly joins: readonly Join[] }): string[] {
  const faults: string[] = [];
  const unitOf = graph.patches.map((_, index) => index);
  const sizes = graph.patches.map(() => 1);
  const timesSewn = new Uint8Array(graph.seams.length);
  const released = new Set<number>();
  for (const join of plan.joins) {
    const [left, right] = [unitFor(join.left, unitOf, sizes), unitFor(join.right, unitOf, sizes)];
    if (left === undefined || right === undefined || left === right) {
      faults.push(`${join.id} does not join two units that exist at that time.`);
      continue;
    }
    checkSeams(graph, join, left, right, unitOf, timesSewn, faults);
    for (const patch of join.right) unitOf[patch] = left;
    sizes[left] = join.left.length + join.right.length;
    checkReleases(graph, join, timesSewn, released, faults);
  }
  timesSewn.forEach((times, seam) => {
    if (times !== 1) faults.push(`Seam ${graph.seams[seam]?.id} is sewn ${times} times.`);
  });
  return faults;
}

function unitFor(
  patches: readonly number[],
  unitOf: readonly number[],
  sizes: readonly number[],
): number | undefined {
  const unit = unitOf[itemAt(patches, 0)];
  if (unit === undefined || new Set(patches).size !== patches.length) return undefined;
  const isWhole = sizes[unit] === patches.length && patches.every((patch) => unitOf[patch] === unit);
  return isWhole ? unit : undefined;
}

function checkSeams(
  graph: SeamGraph,
  join: Join,
  left: number,
  right: number,
  unitOf: readonly number[],
  timesSewn: Uint8Array,
  faults: string[],
): void {
  const due = new Set<number>();
  for (const patch of join.right) {
    for (const seam of itemAt(graph.seamsOf, patch)) {
      const units = itemAt(graph.seams, seam).patches.map((own) => unitOf[own]);
      if (units.includes(left) && units.includes(right)) due.add(seam);
    }
  }
  if (due.size === 0) faults.push(`${join.id} joins units that share no seam.`);
  const sewn = join.chains.flatMap(({ steps }) => steps.map(({ seam }) => seam));
  for (const list of [join.seams, sewn]) {
    if (list.length !== due.size || list.some((seam) => !due.has(seam))) {
      faults.push(`${join.id} does not sew exactly the seams between its units.`);
      break;
    }
  }
  for (const seam of join.seams) timesSewn[seam] = itemAt(timesSewn, seam) + 1;
}

function checkReleases(
  graph: SeamGraph,
  join: Join,
  timesSewn: Uint8Array,
  released: Set<number>,
  faults: string[],
): void {
  for (const patch of join.releases) {
    const isSurrounded =
      itemAt(graph.seamsOf, patch).every((seam) => timesSewn[seam] === 1) &&
      graph.openEdges.every((edge) => edge.patch !== patch);
    if (!isSurrounded || released.has(patch))
      faults.push(`${join.id} releases ${graph.patches[patch]?.id} too early or twice.`);
    released.add(patch);
  }
}
