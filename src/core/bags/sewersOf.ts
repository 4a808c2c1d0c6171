/** The makers who sew a block. */
export function sewersOf<T extends { readonly skips: readonly string[] }>(
  blockId: string,
  makers: readonly T[],
): T[] {
  return makers.filter(({ skips }) => !skips.includes(blockId));
}
