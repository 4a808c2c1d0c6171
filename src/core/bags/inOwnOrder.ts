/** Blocks as one maker sews them: those that they put in an order first, the others after, as they were. @param making ids of blocks */
export function inOwnOrder<T extends { readonly id: string }>(
  blocks: readonly T[],
  making: readonly string[],
): T[] {
  const rank = (id: string) => (making.includes(id) ? making.indexOf(id) : making.length);
  return [...blocks].sort((a, b) => rank(a.id) - rank(b.id));
}
