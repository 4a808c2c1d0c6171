import { itemAt } from '../lists';
import type { Hand } from '../shapes';
import { times } from '../words';
import type { BagContents } from './bagContents';

/** A join as far as inner bags look at it. */
interface MadeUnit {
  readonly kind: string;
  readonly left?: readonly number[];
  readonly right?: readonly number[];
  readonly repeat?: { readonly letter: string };
  /** “pair A”; none where the unit has a name of its own. */
  readonly alike?: string;
  /** “row 2”: its own name. */
  readonly whole?: string;
}

/** What inner bags are made from: a block's steps, its patches and its bag. */
export interface InnerSources {
  readonly steps: readonly MadeUnit[];
  /** `kind` is the place among the bag's papers; −1 for a background, which has none. */
  readonly patches: readonly { readonly kind: number; readonly fabric: string; readonly hand: Hand }[];
  readonly bag: Pick<BagContents, 'papers'>;
}

/** Papers of one kind and the pieces of one cloth for them. */
export interface InnerLine {
  readonly kindName: string;
  readonly fabric: string;
  readonly hand: Hand;
  readonly count: number;
}

/** Inner bags of one unit: so many, all alike. */
export interface InnerBag {
  readonly name: string;
  readonly copies: number;
  /** In each of them. */
  readonly lines: readonly InnerLine[];
}

export interface InnerBags {
  readonly units: readonly InnerBag[];
  /** What is in none of them: patches of no unit that is made again; spares besides. */
  readonly rest: readonly InnerLine[];
  readonly spares: readonly { readonly kindName: string; readonly count: number }[];
}

/** A unit of fewer patches is no bag of its own: two papers are found at a glance. */
const LEAST_PATCHES = 3;

/**
 * Puts a block's papers and pieces into inner bags, one for each unit that is made more than once: those made most often first, of these the
 * largest (six wedges, not two halves), then others of what is left. Every patch is in exactly one inner bag or in the rest.
 * Cost: the sizes of all repeated units.
 */
export function innerBags({ steps, patches, bag }: InnerSources): InnerBags {
  const classes = new Map<string, { readonly alike: string | undefined; readonly units: Unit[] }>();
  for (const { kind, left = [], right = [], repeat, alike, whole } of steps) {
    if (kind !== 'join' || !repeat || left.length + right.length < LEAST_PATCHES) continue;
    const own = classes.get(repeat.letter) ?? { alike, units: [] };
    own.units.push({ patches: [...left, ...right], whole });
    classes.set(repeat.letter, own);
  }
  const sizeOf = ({ units }: { readonly units: readonly Unit[] }) => itemAt(units, 0).patches.length;
  const inTurn = [...classes.values()].sort((a, b) => b.units.length - a.units.length || sizeOf(b) - sizeOf(a)); // prettier-ignore
  const isIn = new Uint8Array(patches.length);
  const linesOf = (own: readonly number[]) => countLines(own.map((patch) => itemAt(patches, patch)), bag); // prettier-ignore
  const units = inTurn.flatMap(({ alike, units: all }): InnerBag[] => {
    const free = all.filter(({ patches: own }) => own.every((patch) => isIn[patch] === 0));
    if (free.length < 2) return [];
    for (const patch of free.flatMap(({ patches: own }) => own)) isIn[patch] = 1;
    return [{ name: alike ?? ownNames(free), copies: free.length, lines: linesOf(itemAt(free, 0).patches) }];
  });
  const others = patches.flatMap((_, patch) => (isIn[patch] ? [] : [patch]));
  return {
    units,
    rest: linesOf(others),
    spares: bag.papers.flatMap(({ name, spares }) => (spares > 0 ? [{ kindName: name, count: spares }] : [])),
  };
}

interface Unit {
  readonly patches: readonly number[];
  readonly whole: string | undefined;
}

/** Units alike that the steps call by names of their own, or by their lowest numbers. */
function ownNames(units: readonly Unit[]): string {
  const names = units.map(({ patches, whole }) => whole ?? `the piece with ${Math.min(...patches) + 1}`);
  return `unit (${names.join(', ')})`;
}

/** Patches with paper, counted by kind, hand and cloth, in the order of the bag's papers. */
function countLines(own: InnerSources['patches'], bag: InnerSources['bag']): InnerLine[] {
  const lines = new Map<string, InnerLine>();
  const inOrder = own.filter(({ kind }) => kind >= 0).sort((a, b) => a.kind - b.kind || a.fabric.localeCompare(b.fabric)); // prettier-ignore
  for (const { kind, fabric, hand } of inOrder) {
    const key = `${kind}/${fabric}/${hand}`;
    const line = lines.get(key) ?? { kindName: itemAt(bag.papers, kind).name, fabric, hand, count: 0 };
    lines.set(key, { ...line, count: line.count + 1 });
  }
  return [...lines.values()];
}

/** One line in words: “2 × 1″ hexagon in Madder”, “1 × kite, L, in Fog”. */
export function sayInnerLine({ kindName, fabric, hand, count }: InnerLine): string {
  return `${times(count, kindName)}${hand === 'none' ? '' : `, ${hand},`} in ${fabric}`;
}
