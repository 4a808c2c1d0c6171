import type { SpareRules } from '../bags';
import type { Sorter } from '../sorting';
import type { Card, Scale } from './weighing';
import type { BaggingChoices } from './bagging';
import type { PackingLine } from './packingLines';

/** A thing that goes into a bag besides papers and cloth: needles, thread, a template, the backing. */
export interface BagExtra {
  readonly what: string;
  readonly count: number;
}

/** What goes into each maker’s first bag, into the last, and into every one; and how bags are made, where not as usual. */
export interface BagExtras {
  readonly first: readonly BagExtra[];
  readonly last: readonly BagExtra[];
  readonly every: readonly BagExtra[];
  readonly bagging?: BaggingChoices;
  /** Places along the shelf in the order in which one walks past them, as pick lists call them. */
  readonly walk?: readonly string[];
  /** Spares of papers that have a rule of their own, by their plain names. */
  readonly spares?: SpareRules;
  readonly gear?: BagGear;
}

/** What stands on the table where bags are packed. */
export interface BagGear {
  readonly sorter?: Sorter;
  readonly card?: Card;
  readonly scale?: Scale;
}

export const NO_EXTRAS: BagExtras = { first: [], last: [], every: [] };

/** Lines of each kind, and letters of one. */
export const EXTRA_LIMITS = { lines: 40, letters: 80, count: { least: 1, most: 999 } } as const;

/** Where a bag stands among those of its maker. */
export interface BagPlace {
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

/**
 * Where a maker’s bag of a block stands among all of theirs: what goes into the first goes into one bag, whatever blocks they leave out.
 * @param order all blocks in the order in which they are handed out
 * @param skips blocks that the maker does not sew
 */
export function placeOfBag(order: readonly string[], skips: readonly string[], blockId: string): BagPlace {
  const own = order.filter((id) => !skips.includes(id));
  return { isFirst: own[0] === blockId, isLast: own.at(-1) === blockId };
}

const NOTES = { first: 'in the first bag', last: 'in the last bag', every: 'in every bag' } as const;

/** Lines of the extras that go into a bag; of one name those of several kinds are one line. */
export function extraLines({ first, last, every }: BagExtras, { isFirst, isLast }: BagPlace): PackingLine[] {
  const own = [
    ...(isFirst ? first.map((extra) => ({ ...extra, note: NOTES.first })) : []),
    ...every.map((extra) => ({ ...extra, note: NOTES.every })),
    ...(isLast ? last.map((extra) => ({ ...extra, note: NOTES.last })) : []),
  ];
  const lines = new Map<string, PackingLine>();
  for (const { what, count, note } of own) {
    const before = lines.get(what);
    lines.set(what, { key: `extras:${what}`, group: 'extras', what, note: before ? `${before.note}; ${note}` : note, count: count + (before?.count ?? 0) }); // prettier-ignore
  }
  return [...lines.values()];
}
