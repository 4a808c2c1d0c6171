/** The number that drawings show on each patch, by its id. */
export function patchNumbers(patches: readonly { readonly id: string }[]): ReadonlyMap<string, number> {
  return new Map(patches.map(({ id }, index) => [id, index + 1]));
}

/** Tells which numbers on the drawing the patches of a sentence have; nothing where they are called by their numbers. */
export function sayNumbers(ids: readonly string[], numbers: ReadonlyMap<string, number>): string {
  const known = ids.flatMap((id) => {
    const number = numbers.get(id);
    return number === undefined || id === String(number) ? [] : [`${id} is ${number}`];
  });
  return known.length > 0 ? ` (On the drawing ${known.join(', ')}.)` : '';
}
