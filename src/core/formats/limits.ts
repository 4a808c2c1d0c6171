/** Limits that files, requests and the database share: said here, and checked against the database by a test. */
export const LIMITS = {
  /** Letters of a project's, a block's, a maker's or a shop's name. */
  name: 120,
  /** Allowance, mm: above nothing. */
  allowanceMm: { least: 0.1, most: 50 },
  /** Spares, %. */
  sparesPercent: { least: 0, most: 100 },
  /** Blocks across, a whole number. */
  gridColumns: { least: 1, most: 20 },
  /** Letters of a patch's id. */
  patchId: 200,
  /** Patches of one block: more would take longer to order than anyone waits. */
  patches: 12_000,
  /** Letters of a cloth's name. */
  fabric: 80,
} as const;
