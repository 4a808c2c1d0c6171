import { knownOf } from '../lists';
import { layOutTop, type Setting, type TopLayout } from './setting';

/** What one cell's maker gets to sew on. */
export interface StripShare {
  readonly cell: number;
  readonly horizontal: number;
  readonly vertical: number;
  readonly cornerstones: number;
  readonly strips: readonly string[];
}

export interface StripShares {
  readonly layout: TopLayout;
  /** One entry for each cell that holds a block, in the order of making. */
  readonly shares: readonly StripShare[];
  /** Strips that touch no block at all. */
  readonly leftOver: readonly string[];
}

/**
 * Gives every strip and cornerstone to one block, so that all are used once and nothing is left to the end: each goes to
 * whichever of the blocks it touches is made first (or, by school, made last). In reading order of a grid the first block
 * gets all four sides, the rest of its row and the first of each later row three, every other two.
 */
export function shareStrips(setting: Setting): StripShares {
  const layout = layOutTop(setting);
  const rank = new Map(setting.making.map((block, i) => [block, i]));
  // Blocks that the order does not name come after those it does, by their place.
  const order = layout.cells
    .map((_, cell) => ({ cell, block: setting.places[cell] ?? null }))
    .filter(({ block }) => block !== null)
    .sort(
      (a, b) =>
        (rank.get(a.block as string) ?? Infinity) - (rank.get(b.block as string) ?? Infinity) ||
        a.cell - b.cell,
    )
    .map(({ cell }) => cell);
  const turn = new Map(order.map((cell, i) => [cell, i]));
  const given = new Map<number, StripShare & { strips: string[] }>(
    order.map((cell) => [cell, { cell, horizontal: 0, vertical: 0, cornerstones: 0, strips: [] }]),
  );
  const leftOver: string[] = [];
  for (const { id, kind, touches } of layout.strips) {
    const own = touches.filter((cell) => turn.has(cell)).sort((a, b) => knownOf(turn, a) - knownOf(turn, b));
    const taker = setting.school === 'first' ? own[0] : own.at(-1);
    const share = taker === undefined ? undefined : given.get(taker);
    if (!share || taker === undefined) {
      leftOver.push(id);
      continue;
    }
    share.strips.push(id);
    const name = kind === 'cornerstone' ? 'cornerstones' : kind;
    given.set(taker, { ...share, [name]: share[name] + 1 });
  }
  return { layout, shares: order.map((cell) => given.get(cell) as StripShare), leftOver };
}
