import type { BlockSummary } from '@/core/sheet';

/** A block’s steps by their ids, looked up for every maker. */
export interface StepTable {
  readonly ids: ReadonlySet<string>;
  /** What each step is done with now. */
  readonly made: ReadonlyMap<string, string | undefined>;
  readonly minutes: ReadonlyMap<string, number>;
  /** Standard minutes of all steps. */
  readonly total: number;
}

const tables = new WeakMap<BlockSummary, StepTable>();

/** The table of a summary, made once for each. */
export function stepTable(summary: BlockSummary): StepTable {
  let table = tables.get(summary);
  if (!table) {
    const { steps } = summary;
    table = {
      ids: new Set(steps.map(({ id }) => id)),
      made: new Map(steps.map(({ id, made }) => [id, made])),
      minutes: new Map(steps.map(({ id, minutes }) => [id, minutes])),
      total: steps.reduce((sum, { minutes }) => sum + minutes, 0),
    };
    tables.set(summary, table);
  }
  return table;
}
