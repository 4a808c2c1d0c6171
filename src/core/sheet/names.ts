import { itemAt } from '../lists';
import type { Join, Repeat } from '../assembly';
import type { SeamGraph } from '../block';

/** Units of up to this many patches are spelled out by their numbers. */
const MOST_NUMBERS = 6;

/** A paper's shape in a word or two, without its measures and marks: “hexagon” of “1½″ hexagon (marked: a dot)”. */
export function shapeWord(kindName: string): string {
  const bare = kindName.replace(/\s*\(.*\)$/, '').replace(/,.*$/, '').replace(/ with .*$/, ''); // prettier-ignore
  return bare.replace(/^(?:[\d\s½¼¾⅛⅜⅝⅞/.×″°]|mm\b|cm\b)+/u, '') || bare;
}

/** What a unit that a block has more than once is called: “pair A”, “unit B”. */
export function alikeName({ letter }: Repeat, patches: number): string {
  return `${patches === 2 ? 'pair' : 'unit'} ${letter}`;
}

/** Patch numbers as the drawing and the papers show them, in order. */
export function numbersOf(patches: readonly number[]): string {
  return patches
    .map((patch) => patch + 1)
    .sort((a, b) => a - b)
    .join(', ');
}

/**
 * Names for what lies in the hand, one for each thing: a patch by its cloth, shape and number; a unit by its letter where the
 * block has it more than once; any other piece by the numbers on its papers.
 */
export class Names {
  readonly #letters = new Map<number, Repeat>();

  constructor(
    private readonly graph: SeamGraph,
    private readonly shapeOf: (patch: number) => string,
  ) {}

  /** Remembers what a join makes. */
  learn({ left, right, repeat }: Pick<Join, 'left' | 'right' | 'repeat'>): void {
    const key = Math.min(...left, ...right);
    if (repeat) this.#letters.set(key, repeat);
    else this.#letters.delete(key);
  }

  of(unit: readonly number[]): string {
    if (unit.length === 1) {
      const patch = itemAt(unit, 0);
      return `${itemAt(this.graph.patches, patch).fabric} ${this.shapeOf(patch)} ${patch + 1}`;
    }
    const repeat = this.#letters.get(Math.min(...unit));
    const isSpelled = unit.length <= MOST_NUMBERS;
    const lowest = Math.min(...unit) + 1;
    if (repeat) {
      const name = alikeName(repeat, unit.length);
      return isSpelled ? `${name} (${numbersOf(unit)})` : `${name} with ${lowest} (${unit.length} patches)`;
    }
    return isSpelled
      ? `the piece of ${numbersOf(unit)}`
      : `the piece with ${lowest} (${unit.length} patches)`;
  }
}
