/** Lists of things with ids, brought together from what both began with; where both changed one, as `prefersMine` says. */
export function mergeLists<T extends { readonly id: string }>(
  base: readonly T[],
  mine: readonly T[],
  theirs: readonly T[],
  prefersMine: boolean,
): T[] {
  const [b, t] = [new Map(base.map((one) => [one.id, one])), new Map(theirs.map((one) => [one.id, one]))];
  const own = mine.flatMap((one) => {
    const [was, other] = [b.get(one.id), t.get(one.id)];
    if (!other) return was && isSame(was, one) ? [] : [one];
    return isSame(was, one) || (!prefersMine && !isSame(was, other)) ? [other] : [one];
  });
  const known = new Set(mine.map(({ id }) => id));
  const added = theirs.filter(({ id }) => !known.has(id) && !(b.has(id) && isSame(b.get(id), t.get(id))));
  return [...own, ...added];
}

/** What only one of two changed is theirs or mine; what both changed is mine. */
export function chooseOne<T>(base: T, mine: T, theirs: T): T {
  return isSame(base, mine) ? theirs : mine;
}

/** The same for every name of a record; a name that is taken out counts as changed. */
export function mergeRecords<T>(
  base: Readonly<Record<string, T>> = {},
  mine: Readonly<Record<string, T>> = {},
  theirs: Readonly<Record<string, T>> = {},
): Record<string, T> {
  const names = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
  // A name may be one that every object has of itself.
  const of = (record: Readonly<Record<string, T>>, name: string) =>
    Object.hasOwn(record, name) ? record[name] : undefined;
  return Object.fromEntries(
    [...names].flatMap((name) => {
      const one = chooseOne(of(base, name), of(mine, name), of(theirs, name));
      return one === undefined ? [] : [[name, one] as const];
    }),
  );
}

/** Lists of things that are known by what they are: what either added is there, what either took out is gone. */
export function mergeSets<T>(
  base: readonly T[] = [],
  mine: readonly T[] = [],
  theirs: readonly T[] = [],
): T[] {
  const has = (list: readonly T[], one: T) => list.some((other) => isSame(one, other));
  return [
    ...mine.filter((one) => has(theirs, one) || !has(base, one)),
    ...theirs.filter((one) => !has(mine, one) && !has(base, one)),
  ];
}

/** Whether two values have the same content, whatever the order of their names. */
export function isSame(a: unknown, b: unknown): boolean {
  return a === b || stable(a) === stable(b);
}

/** JSON with names in order: the same content is the same text. */
function stable(value: unknown): string {
  return (
    JSON.stringify(value, (_, one: unknown) =>
      typeof one === 'object' && one !== null && !Array.isArray(one)
        ? Object.fromEntries(Object.entries(one).sort(([p], [q]) => (p < q ? -1 : 1)))
        : one,
    ) ?? 'undefined'
  );
}
