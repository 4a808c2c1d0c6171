import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { distance } from '../geometry';
import type { Join, Run } from './join';
import { MOST_SLIDES, MOST_SLIDE_MM } from './slides';

/**
 * Checks a plan by replaying it on the graph, sharing nothing with the planner: units are unions of earlier joins,
 * each join sews all seams between its two units and no other, papers come out exactly when they may, and a thread
 * that goes on starts where it was and passes along folds of patches in the unit that was in hand.
 * @returns what is wrong, in sentences; empty when the plan is valid
 */
export function validatePlan(graph: SeamGraph, plan: { readonly joins: readonly Join[] }): string[] {
  const faults: string[] = [];
  const unitOf = graph.patches.map((_, index) => index);
  const sizes = graph.patches.map(() => 1);
  const timesSewn = new Uint8Array(graph.seams.length);
  const released = new Set<number>();
  let needle = { place: -1, unit: -1 };
  for (const join of plan.joins) {
    const [left, right] = [unitFor(join.left, unitOf, sizes), unitFor(join.right, unitOf, sizes)];
    if (left === undefined || right === undefined || left === right) {
      faults.push(`${join.id} does not join two units that exist at that time.`);
      continue;
    }
    checkSeams(graph, join, left, right, unitOf, timesSewn, faults);
    const first = join.chains[0];
    if (first?.carriesOn) checkPassage(graph, join, first, needle, new Set([left, right]), unitOf, faults);
    for (const patch of join.right) unitOf[patch] = left;
    join.chains.forEach((run, i) => {
      const from = join.chains[i - 1];
      if (!run.carriesOn && run.slides.length > 0)
        faults.push(`${join.id} slides a thread that is begun anew.`);
      if (from && run.carriesOn) checkPassage(graph, join, run, { place: from.endPlace, unit: left }, new Set([left]), unitOf, faults); // prettier-ignore
    });
    needle = { place: join.chains.at(-1)?.endPlace ?? -1, unit: left };
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
  const unit = unitOf[patches[0] ?? -1];
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

/** Checks the way of a thread that is said to go on: from where it was, along whole sides in the unit in hand, to where the run begins. */
function checkPassage(
  graph: SeamGraph,
  join: Join,
  run: Run,
  needle: { readonly place: number; readonly unit: number },
  joined: ReadonlySet<number>,
  unitOf: readonly number[],
  faults: string[],
): void {
  if (!joined.has(needle.unit)) faults.push(`${join.id} goes on with a thread that is in another unit.`);
  let at = needle.place;
  for (const { patch, side, from, to, lengthMm } of run.slides) {
    const { corners } = itemAt(graph.patches, patch).outline;
    const ends = [corners[side], corners[(side + 1) % corners.length]];
    const isSide = [from, to].every((place) => ends.some((corner) => corner && distance(corner, itemAt(graph.places, place)) < 1)); // prettier-ignore
    if (from !== at || !isSide || from === to) faults.push(`${join.id} slides from where the thread is not, or along no side.`);
    if (unitOf[patch] !== needle.unit) faults.push(`${join.id} slides through ${graph.patches[patch]?.id}, which is not in hand.`);
    if (lengthMm > MOST_SLIDE_MM) faults.push(`${join.id} slides ${lengthMm} mm at once.`);
    at = to;
  }
  if (run.slides.length > MOST_SLIDES) faults.push(`${join.id} slides ${run.slides.length} times in a row.`);
  if (at !== run.startPlace) faults.push(`${join.id} goes on where the thread is not.`);
} // prettier-ignore

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
