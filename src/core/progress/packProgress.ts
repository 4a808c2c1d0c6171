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

/** How everybody stands with everything, for a large wall: what nobody has begun is not named. */
export interface PackedProgress {
  readonly makers: readonly string[];
  /** Steps and standard minutes of each block. */
  readonly blocks: readonly { readonly id: string; readonly total: number; readonly minutes: number }[];
  /** Pairs of which there is more to say than that nothing is done. */
  readonly begun: readonly BlockProgress[];
  /** Blocks that a maker does not sew, by the indices of both. */
  readonly absent: readonly (readonly [number, number])[];
}

/** Packs progress, one entry for each pair of maker and block. {@link unpackProgress} gives it back, maker by maker. */
export function packProgress(progress: readonly BlockProgress[]): PackedProgress {
  const makers = [...new Set(progress.map(({ makerId }) => makerId))];
  const blocks = new Map<string, PackedProgress['blocks'][number]>();
  const there = new Set<string>();
  const begun: BlockProgress[] = [];
  for (const one of progress) {
    const { makerId, blockId: id, total, totalMinutes: minutes } = one;
    there.add(`${makerId}/${id}`);
    const block = blocks.get(id) ?? { id, total, minutes };
    blocks.set(id, block);
    if (!isUntouched(one) || total !== block.total || minutes !== block.minutes) begun.push(one);
  }
  const list = [...blocks.values()];
  const absent = makers.flatMap((makerId, maker) =>
    list.flatMap(({ id }, block) => (there.has(`${makerId}/${id}`) ? [] : [[maker, block] as const])),
  );
  return { makers, blocks: list, begun, absent };
}

function isUntouched({ done, doneMinutes, covered, orphaned, isOwnOrder, lastAt, stuckOn }: BlockProgress): boolean {
  return done + doneMinutes + covered + orphaned === 0 && !isOwnOrder && lastAt === undefined && stuckOn === undefined;
} // prettier-ignore

/** What was packed. */
export function unpackProgress({ makers, blocks, begun, absent }: PackedProgress): BlockProgress[] {
  const known = new Map(begun.map((one) => [`${one.makerId}/${one.blockId}`, one]));
  const isAbsent = new Set(absent.map(([maker, block]) => maker * blocks.length + block));
  const untouched = { done: 0, doneMinutes: 0, covered: 0, isOwnOrder: false, orphaned: 0 };
  return makers.flatMap((makerId, maker) =>
    blocks.flatMap(({ id: blockId, total, minutes: totalMinutes }, block): BlockProgress[] => {
      if (isAbsent.has(maker * blocks.length + block)) return [];
      return [known.get(`${makerId}/${blockId}`) ?? { makerId, blockId, total, totalMinutes, ...untouched }];
    }),
  );
}
