import type { BagContents } from '../bags';
import type { Outline } from '../geometry';
import { formatLength, type UnitSystem } from '../length';

/** One line to put into a bag. */
export interface PackingLine {
  readonly key: string;
  readonly group: 'papers' | 'cloth' | 'top' | 'extras';
  readonly what: string;
  /** What is to be looked at: how many of each hand, what it is for. */
  readonly note: string;
  readonly count: number;
  /** Of a paper. */
  readonly outline?: Outline;
  readonly fabric?: string;
}

/** How much of a line lies in the bag, and when that was said. */
export interface Tick {
  readonly count: number;
  /** Milliseconds since 1970, by the clock of the device. */
  readonly at: number;
  /** What was put in in its place: another cloth, another paper. */
  readonly instead?: string;
}

/** What lies in a bag, by line. */
export type Ticks = Readonly<Record<string, Tick>>;

/** Letters of what is put in in place of something else. */
export const MOST_INSTEAD_LETTERS = 120;

/** More than this of one line is a slip of the finger. */
export const MOST_COUNT = 9999;

/** What goes into a bag, in the order in which it is put in: papers, cloth, what the top takes. */
export function packingLines({ papers, fabrics, extras }: BagContents, system: UnitSystem): PackingLine[] {
  const size = (widthMm: number, lengthMm: number) => `${formatLength(widthMm, system)} × ${formatLength(lengthMm, system)}`; // prettier-ignore
  return [
    ...papers.map(({ name, count, spares, left, right, kind }): PackingLine => ({
      key: `papers:${name}`,
      group: 'papers',
      what: name,
      note: [`${count} and ${spares} spare`, ...(left + right > 0 ? [`${left} L, ${right} R to wrap`] : [])].join('; '),
      count: count + spares,
      outline: kind.outline,
    })),
    ...fabrics.flatMap(({ fabric, cuts }) =>
      cuts.map(({ kindName, widthMm, lengthMm, count }): PackingLine => ({
        key: `cloth:${fabric}:${kindName}:${size(widthMm, lengthMm)}`,
        group: 'cloth',
        what: `${fabric}, ${size(widthMm, lengthMm)}`,
        note: `for ${kindName}`,
        count,
        fabric,
      })),
    ),
    ...extras.map(({ kindName, widthMm, lengthMm, count }): PackingLine => ({
      key: `top:${kindName}:${size(widthMm, lengthMm)}`,
      group: 'top',
      what: `${kindName}, ${size(widthMm, lengthMm)}`,
      note: 'for its place in the top',
      count,
    })),
  ];
} // prettier-ignore

/**
 * What two helpers or devices said of one bag, put together: of each line what was said last; of two things said at once, the greater,
 * and of the same count what comes later in the alphabet.
 * Whatever order and however often they are put together, the same comes out.
 */
export function mergeTicks(a: Ticks, b: Ticks): Ticks {
  const merged: Record<string, Tick> = { ...a };
  for (const [key, tick] of Object.entries(b)) {
    const other = merged[key];
    if (!other || isLater(tick, other)) merged[key] = tick;
  }
  return merged;
}

function isLater(a: Tick, b: Tick): boolean {
  if (a.at !== b.at) return a.at > b.at;
  if (a.count !== b.count) return a.count > b.count;
  return (a.instead ?? '') > (b.instead ?? '');
}

/** One thing that lies in a bag in place of another. */
export interface Substitution {
  /** What belongs there, as {@link sayStray} says it. */
  readonly what: string;
  readonly instead: string;
}

/** What lies in a bag in place of what belongs there. */
export function substitutions(ticks: Ticks): Substitution[] {
  return Object.entries(ticks).flatMap(([key, { count, instead }]) =>
    instead !== undefined && instead !== '' && count > 0 ? [{ what: sayStray(key), instead }] : [],
  );
}

/** How a bag stands against what goes into it. */
export interface BagState {
  /** Lines with what is in the bag of them. */
  readonly lines: readonly { readonly line: PackingLine; readonly inBag: number }[];
  /** Lines of which too little is in it, and too much. */
  readonly short: number;
  readonly over: number;
  /** What lies in it that does not belong there any more: the block changed. */
  readonly strays: readonly { readonly key: string; readonly count: number }[];
  readonly isComplete: boolean;
}

/** Compares what lies in a bag with its lines. */
export function bagState(lines: readonly PackingLine[], ticks: Ticks): BagState {
  const own = lines.map((line) => ({ line, inBag: ticks[line.key]?.count ?? 0 }));
  const known = new Set(lines.map(({ key }) => key));
  const strays = Object.entries(ticks).flatMap(([key, { count }]) => (known.has(key) || count === 0 ? [] : [{ key, count }])); // prettier-ignore
  const [short, over] = [
    own.filter(({ line, inBag }) => inBag < line.count).length,
    own.filter(({ line, inBag }) => inBag > line.count).length,
  ];
  return { lines: own, short, over, strays, isComplete: short + over + strays.length === 0 };
}

/** A stray line in words: what it was called when it was put in. */
export const sayStray = (key: string) => key.split(':').slice(1).join(', ');
