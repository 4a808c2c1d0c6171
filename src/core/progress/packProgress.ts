/** How far one maker is with one block. */
export interface BlockProgress {
  readonly makerId: string;
  readonly blockId: string;
  readonly done: number;
  readonly total: number;
  readonly doneMinutes: number;
  readonly totalMinutes: number;
  /** Text of the step on which the maker asked for help. */
  readonly stuckOn?: string;
  /** Steps that count because their patches are basted or sewn, though in another order than is planned now. */
  readonly covered: number;
  /** Whether this maker's order goes round what they sewed by an older one. */
  readonly isOwnOrder: boolean;
  readonly orphaned: number;
  readonly lastAt?: string;
}

/** How everybody stands with everything, for a large wall: makers, blocks and words once, figures in rows. */
export interface PackedProgress {
  readonly makers: readonly string[];
  /** Steps and standard minutes of each block. */
  readonly blocks: readonly { readonly id: string; readonly total: number; readonly minutes: number }[];
  /** Index of the maker and of the block; nothing more where nothing was sewn. */
  readonly pairs: readonly (readonly [number, number] | readonly [number, number, BlockProgress])[];
}

/** Packs progress: what nobody has begun takes two numbers. {@link unpackProgress} gives it back as it was. */
export function packProgress(progress: readonly BlockProgress[]): PackedProgress {
  const makers = new Map<string, number>();
  const blocks = new Map<string, { readonly at: number; readonly id: string; readonly total: number; readonly minutes: number }>();
  const pairs = progress.map((one): PackedProgress['pairs'][number] => {
    const { makerId, blockId: id, total, totalMinutes: minutes } = one;
    const maker = makers.get(makerId) ?? makers.size;
    makers.set(makerId, maker);
    const block = blocks.get(id) ?? { at: blocks.size, id, total, minutes };
    blocks.set(id, block);
    const isPlain = one.done === 0 && one.doneMinutes === 0 && one.covered === 0 && !one.isOwnOrder && one.orphaned === 0 && one.lastAt === undefined && one.stuckOn === undefined;
    return isPlain && total === block.total && minutes === block.minutes ? [maker, block.at] : [maker, block.at, one];
  });
  return { makers: [...makers.keys()], blocks: [...blocks.values()].map(({ at: _at, ...block }) => block), pairs };
} // prettier-ignore

/** What was packed. */
export function unpackProgress({ makers, blocks, pairs }: PackedProgress): BlockProgress[] {
  return pairs.flatMap(([maker, at, whole]): BlockProgress[] => {
    if (whole) return [whole];
    const [makerId, block] = [makers[maker], blocks[at]];
    if (makerId === undefined || block === undefined) return [];
    const { id: blockId, total, minutes: totalMinutes } = block;
    return [{ makerId, blockId, done: 0, total, doneMinutes: 0, totalMinutes, covered: 0, isOwnOrder: false, orphaned: 0 }];
  });
} // prettier-ignore
