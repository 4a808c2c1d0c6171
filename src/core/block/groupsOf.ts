import type { SeamGraph } from './seamGraph';
import { Marks, keptFor } from './marks';

const marksFor = keptFor((seamsOf: SeamGraph['seamsOf']) => new Marks(seamsOf.length));

/** The two patches of each seam added up: less the one, it is the other. */
const pairsOf = keptFor((seams: SeamGraph['seams']) =>
  Int32Array.from(seams, ({ patches: [a, b] }) => a + b),
);

/** Splits patches into groups connected by seams, leaving out some seams; the groups keep the given order. */
export function groupsOf(
  { seams, seamsOf }: Pick<SeamGraph, 'seams' | 'seamsOf'>,
  members: readonly number[],
  leftOut: ReadonlySet<number> = new Set(),
): number[][] {
  const waiting = marksFor(seamsOf);
  const pairs = pairsOf(seams);
  const isCut = leftOut.size > 0;
  waiting.wipe();
  for (const patch of members) waiting.add(patch);
  const groups: number[][] = [];
  for (const first of members) {
    if (!waiting.delete(first)) continue;
    const group = [first];
    for (const patch of group) {
      for (const seam of seamsOf[patch] as readonly number[]) {
        const neighbour = (pairs[seam] as number) - patch;
        // Most are taken already: the set is asked for the others alone.
        if (!waiting.has(neighbour) || (isCut && leftOut.has(seam))) continue;
        waiting.delete(neighbour);
        group.push(neighbour);
      }
    }
    groups.push(group);
  }
  return groups;
}
