import { knownOf } from '../lists';
import type { SeamGraph } from '../block';

/** For each patch the patches that it shares a seam with. */
export function neighboursOf({ patches, seams }: SeamGraph): number[][] {
  const lists: number[][] = patches.map(() => []);
  for (const {
    patches: [a, b],
  } of seams) {
    lists[a]?.push(b);
    lists[b]?.push(a);
  }
  return lists;
}

/**
 * Parts patches into two turns so that neighbours among them never have the same.
 * @returns 0 or 1 for each patch of `own`, in its order; undefined when an odd ring makes it impossible
 */
export function twoTurns(
  neighbours: readonly (readonly number[])[],
  own: readonly number[],
): (0 | 1)[] | undefined {
  const turn = new Map<number, 0 | 1>();
  const among = new Set(own);
  for (const start of own) {
    if (turn.has(start)) continue;
    turn.set(start, 0);
    const queue = [start];
    for (let at = queue.pop(); at !== undefined; at = queue.pop()) {
      const next = turn.get(at) === 0 ? 1 : 0;
      for (const other of neighbours[at] ?? []) {
        if (!among.has(other)) continue;
        if (turn.get(other) === turn.get(at)) return undefined;
        if (turn.has(other)) continue;
        turn.set(other, next);
        queue.push(other);
      }
    }
  }
  return own.map((patch) => knownOf(turn, patch));
}

/** How many seams each patch lies away from the nearest of `seeds`; Infinity where no seam leads. */
export function ringsFrom(neighbours: readonly (readonly number[])[], seeds: readonly number[]): number[] {
  const ring = neighbours.map(() => Infinity);
  let front = [...seeds];
  for (const seed of seeds) ring[seed] = 0;
  for (let k = 1; front.length > 0; k++) {
    const next: number[] = [];
    for (const at of front) {
      for (const other of neighbours[at] ?? []) {
        if (ring[other] !== Infinity) continue;
        ring[other] = k;
        next.push(other);
      }
    }
    front = next;
  }
  return ring;
}
