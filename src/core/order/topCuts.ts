import type { TopPieces } from '../setting';
import type { NamedShelf, TopCut } from './order';
import type { OrderPlan } from './plan';

/** Parts of a top whose cloth the host chooses, in the order in which they are sewn. */
export const TOP_PARTS: readonly (keyof TopPieces)[] = ['squares', 'strips', 'cornerstones', 'border'];

/** The pieces of one top whose cloth was chosen, where it is on the shelf still. */
export function topCuts(top: TopPieces, { topCloths }: Pick<OrderPlan, 'topCloths'>, shelf: NamedShelf): TopCut[] {
  return TOP_PARTS.flatMap((part) => {
    const fabric = topCloths[part];
    return fabric !== undefined && shelf.some(({ name }) => name === fabric) ? top[part].map((piece) => ({ ...piece, fabric })) : [];
  });
} // prettier-ignore
