import { itemAt } from '../lists';
import type { SeamGraph } from './seamGraph';
import { Marks, keptFor } from './marks';

const marksFor = keptFor((seamsOf: SeamGraph['seamsOf']) => new Marks(seamsOf.length));

/** Splits patches into groups connected by seams, leaving out some seams; the groups keep the given order. */
export function groupsOf(
  { seams, seamsOf }: Pick<SeamGraph, 'seams' | 'seamsOf'>,
  members: readonly number[],
  leftOut: ReadonlySet<number> = new Set(),
): number[][] {
  const waiting = marksFor(seamsOf);
  waiting.wipe();
  for (const patch of members) waiting.add(patch);
  const groups: number[][] = [];
  for (const first of members) {
    if (!waiting.delete(first)) continue;
    const group = [first];
    for (const patch of group) {
      for (const seam of itemAt(seamsOf, patch)) {
        if (leftOut.has(seam)) continue;
        const [a, b] = (seams[seam] as { patches: readonly [number, number] }).patches;
        const neighbour = a === patch ? b : a;
        if (waiting.delete(neighbour)) group.push(neighbour);
      }
    }
    groups.push(group);
  }
  return groups;
}
