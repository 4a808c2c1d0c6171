import { itemAt } from '../lists';
import type { Join } from '../assembly';
import type { SeamGraph } from '../block';
import { UnitNames } from './unitNames';

/** Units of up to this many patches are spelled out by their numbers. */
const MOST_NUMBERS = 6;

/** A paper's shape in a word or two, without its measures and marks: “hexagon” of “1½″ hexagon (marked: a dot)”. */
export function shapeWord(kindName: string): string {
  const bare = kindName.replace(/\s*\(.*\)$/, '').replace(/,.*$/, '').replace(/ with .*$/, ''); // prettier-ignore
  return bare.replace(/^(?:[\d\s½¼¾⅛⅜⅝⅞/.×″°]|mm\b|cm\b)+/u, '') || bare;
}

/** More than one of a shape: “hexagons”, “leaves”, “patches”. */
export function manyOf(shape: string): string {
  if (shape.endsWith('leaf')) return shape.replace(/leaf$/, 'leaves');
  return /(?:ch|sh|s|x)$/.test(shape) ? `${shape}es` : `${shape}s`;
}

/** Patch numbers as the drawing and the papers show them, in order. */
export function numbersOf(patches: readonly number[]): string {
  return patches
    .map((patch) => patch + 1)
    .sort((a, b) => a - b)
    .join(', ');
}

/**
 * Names for what lies in the hand, one for each thing: a patch by its cloth, shape and number; a unit by what it is, or by its
 * letter where the block has it more than once; any other piece by the numbers on its papers.
 */
export class Names {
  readonly #units: UnitNames;

  constructor(
    private readonly graph: SeamGraph,
    joins: readonly Pick<Join, 'left' | 'right' | 'repeat'>[],
    private readonly shapeOf: (patch: number) => string,
  ) {
    this.#units = new UnitNames(graph, joins);
  }

  /** “Calico hexagon 12”, “pair A (2, 3)”, “row 2”, “the piece of 4, 9”. */
  of(unit: readonly number[]): string {
    if (unit.length === 1) return this.patch(itemAt(unit, 0));
    const name = this.#units.nameOf(unit);
    if (name) return name;
    const alike = this.#units.alikeName(unit);
    const isSpelled = unit.length <= MOST_NUMBERS;
    const lowest = Math.min(...unit) + 1;
    if (alike)
      return isSpelled ? `${alike} (${numbersOf(unit)})` : `${alike} with ${lowest} (${unit.length} patches)`;
    return isSpelled
      ? `the piece of ${numbersOf(unit)}`
      : `the piece with ${lowest} (${unit.length} patches)`;
  }

  patch(patch: number): string {
    return `${itemAt(this.graph.patches, patch).fabric} ${this.shapeOf(patch)} ${patch + 1}`;
  }

  /** “pair A” of a unit that the block has more than once and that has no name of its own. */
  alike(unit: readonly number[]): string | undefined {
    return this.#units.alikeName(unit);
  }

  /** What a join has made, where that has a name and is not only a piece so far. */
  whole(unit: readonly number[]): string | undefined {
    const name = this.#units.nameOf(unit);
    return name?.includes(' so far ') ? undefined : name;
  }
}
