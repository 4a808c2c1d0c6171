/** A sorter on the table: cups in rows and columns. */
export interface Sorter {
  readonly rows: number;
  readonly columns: number;
}

/** What lies in which cup. */
export interface LaidCups {
  /** By cup, row by row from the top left: index of the thing in it; undefined for an empty one. */
  readonly cups: readonly (number | undefined)[];
  /** Look-alikes that lie next to each other after all; none where it could be helped. */
  readonly clashes: readonly (readonly [number, number])[];
}

/**
 * Lays things into cups so that no two that are easily mixed up lie next to one another, sideways, up and down or slantwise, and
 * otherwise in the order given. Each clash is mended by the exchange that leaves the fewest, the nearest first; what is found is as
 * it was given where nothing clashes.
 * @param count things, at most as many as there are cups
 * @param alike pairs of things that are easily mixed up
 */
export function layCups(count: number, alike: readonly (readonly [number, number])[], { rows, columns }: Sorter): LaidCups {
  const cups: (number | undefined)[] = Array.from({ length: rows * columns }, (_, cup) => (cup < count ? cup : undefined));
  const isAlike = new Set(alike.flatMap(([a, b]) => [`${a}/${b}`, `${b}/${a}`]));
  const neighbours = cups.map((_, cup) => neighboursOf(cup, rows, columns));
  const clashesAt = (cup: number) => {
    const own = cups[cup];
    if (own === undefined) return 0;
    return (neighbours[cup] ?? []).filter((other) => cups[other] !== undefined && isAlike.has(`${own}/${cups[other]}`)).length;
  };
  const swap = (a: number, b: number) => {
    [cups[a], cups[b]] = [cups[b], cups[a]];
  };
  /** By how much an exchange makes clashes fewer. */
  const gain = (a: number, b: number) => {
    const before = clashesAt(a) + clashesAt(b);
    swap(a, b);
    const after = clashesAt(a) + clashesAt(b);
    swap(a, b);
    return before - after;
  };
  // Each exchange leaves fewer clashes than there were: it ends.
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    const bad = cups.map((_, cup) => cup).filter((cup) => clashesAt(cup) > 0);
    let best: { a: number; b: number; gain: number; far: number } | undefined;
    for (const a of bad)
      for (let b = 0; b < cups.length; b++) {
        if (a === b) continue;
        const own = { a, b, gain: gain(a, b), far: Math.abs(a - b) };
        if (own.gain > 0 && (!best || own.gain > best.gain || (own.gain === best.gain && own.far < best.far))) best = own;
      }
    if (best) {
      swap(best.a, best.b);
      isBetter = true;
    }
  }
  return { cups, clashes: clashesOf(cups, neighbours, isAlike) };
} // prettier-ignore

function neighboursOf(cup: number, rows: number, columns: number): number[] {
  const [row, column] = [Math.floor(cup / columns), cup % columns];
  const near: number[] = [];
  for (let r = row - 1; r <= row + 1; r++)
    for (let c = column - 1; c <= column + 1; c++)
      if (r >= 0 && r < rows && c >= 0 && c < columns && (r !== row || c !== column))
        near.push(r * columns + c);
  return near;
}

function clashesOf(cups: readonly (number | undefined)[], neighbours: readonly (readonly number[])[], isAlike: ReadonlySet<string>): [number, number][] {
  return cups.flatMap((own, cup) =>
    own === undefined
      ? []
      : (neighbours[cup] ?? []).flatMap((other): [number, number][] => {
          const its = cups[other];
          return its !== undefined && other > cup && isAlike.has(`${own}/${its}`) ? [[own, its]] : [];
        }),
  );
} // prettier-ignore

/** Cups that are filled again: what comes later than there are cups goes into them in the next filling. @returns things by filling */
export function fillings(count: number, cups: number): number[][] {
  const most = Math.max(1, cups);
  return Array.from({ length: Math.ceil(count / most) }, (_, filling) =>
    Array.from({ length: Math.min(most, count - filling * most) }, (_thing, place) => filling * most + place),
  );
}
