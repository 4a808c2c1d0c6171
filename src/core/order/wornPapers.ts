import { counted } from '../words';

/** Papers of one kind in the stock that were sewn with: how many can be used once more, twice more, and so on. New ones are not among them. */
export type WornPapers = readonly number[];

/** Counts papers in that can be used `left` times more, or out again where `count` is less than none. */
export function addWorn(worn: WornPapers, left: number, count: number): WornPapers {
  const next = Array.from({ length: Math.max(worn.length, left) }, (_, index) => worn[index] ?? 0);
  next[left - 1] = Math.max(0, (next[left - 1] ?? 0) + count);
  while (next.at(-1) === 0) next.pop();
  return next;
}

/** Those of them that are there still when so many papers are: bags take the most worn ones first. */
export function wornThere(worn: WornPapers, stock: number): WornPapers {
  const all = worn.reduce((sum, count) => sum + count, 0);
  let gone = Math.max(0, all - Math.floor(stock));
  return worn.map((count) => {
    const taken = Math.min(gone, count);
    gone -= taken;
    return count - taken;
  });
}

/** “12 for one more use, 30 for 2 more uses”; empty where all are new. */
export function sayWorn(worn: WornPapers): string {
  return worn
    .flatMap((count, index) =>
      count === 0 ? [] : [`${count} for ${index === 0 ? 'one more use' : counted(index + 1, 'more use')}`],
    )
    .join(', ');
}
