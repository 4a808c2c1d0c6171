import { MM_PER_INCH } from '../length';
import type { Recipe } from './recipe';

export type RecipeKind = Recipe['kind'];

/** One figure of a recipe, as a form asks for it. */
export type RecipeField =
  | { readonly name: string; readonly label: string; readonly type: 'length' }
  | { readonly name: string; readonly label: string; readonly type: 'count' }
  | {
      readonly name: string;
      readonly label: string;
      readonly type: 'choice';
      readonly choices: readonly (readonly [string, string])[];
    };

/** What each generator is called. */
export const RECIPE_NAMES: Readonly<Record<RecipeKind, string>> = {
  rosette: 'Rosette of hexagons',
  grid: 'Rows of squares and triangles',
  star: 'Star of diamonds',
  plate: 'Plate of blades',
  clamshell: 'Clamshell rows',
  'framed-diamond': 'Diamond framed by slanted strips',
  beams: 'Six wedges round a hexagon',
  disc: 'Wedges of a disc',
};

const length = (name: string, label: string): RecipeField => ({ name, label, type: 'length' });
const count = (name: string, label: string): RecipeField => ({ name, label, type: 'count' });
const choice = (name: string, label: string, ...choices: (readonly [string, string])[]): RecipeField => ({
  name,
  label,
  type: 'choice',
  choices,
});

/** The figures that each generator asks for, in the order in which a form shows them. */
export const RECIPE_FIELDS: Readonly<Record<RecipeKind, readonly RecipeField[]>> = {
  rosette: [length('edgeMm', 'Hexagon edge'), count('rings', 'Rings round the middle')],
  grid: [
    length('edgeMm', 'Square edge'),
    count('columns', 'Squares across'),
    count('rows', 'Rows'),
    choice('triangles', 'Half-square triangles', ['none', 'none'], ['every-other', 'every other square']),
  ],
  star: [
    count('points', 'Points'),
    length('edgeMm', 'Diamond edge'),
    choice('surround', 'Round the star', ['none', 'nothing'], ['set-in', 'set-in pieces (6 or 8 points)']),
  ],
  plate: [
    count('blades', 'Blades'),
    length('innerMm', 'Inner radius'),
    length('outerMm', 'Outer radius'),
    choice('tip', 'Tips', ['flat', 'flat'], ['pointed', 'pointed'], ['round', 'round']),
    choice('centre', 'Centre disc, appliquéd', ['yes', 'yes'], ['no', 'no']),
  ],
  clamshell: [length('widthMm', 'Shell width'), count('columns', 'Shells across'), count('rows', 'Rows')],
  'framed-diamond': [
    length('widthMm', 'Diamond width'),
    length('heightMm', 'Diamond height'),
    length('stripMm', 'Strip width'),
    count('rounds', 'Rounds of strips'),
  ],
  beams: [
    length('edgeMm', 'Hexagon edge'),
    length('reachMm', 'Reach from the middle'),
    length('diamondMm', 'Diamond width'),
  ],
  disc: [
    count('wedges', 'Wedges in the whole disc'),
    length('radiusMm', 'Radius'),
    choice('portion', 'Portion', ['whole', 'whole disc'], ['half', 'half, for the edge']),
  ],
};

/** A recipe to begin with; sizes round in inches. */
export function defaultRecipe(kind: RecipeKind, stepMm = MM_PER_INCH): Recipe {
  const fabrics = ['Light', 'Dark', 'Middle', 'Accent'];
  switch (kind) {
    case 'rosette':
      return { kind, fabrics, edgeMm: stepMm, rings: 2 };
    case 'grid':
      return { kind, fabrics, edgeMm: 2 * stepMm, columns: 4, rows: 4, triangles: 'every-other' };
    case 'star':
      return { kind, fabrics, points: 6, edgeMm: 1.5 * stepMm, surround: 'set-in' };
    case 'plate':
      return {
        kind,
        fabrics,
        blades: 16,
        innerMm: 1.5 * stepMm,
        outerMm: 5 * stepMm,
        tip: 'pointed',
        centre: 'yes',
      };
    case 'clamshell':
      return { kind, fabrics, widthMm: 2 * stepMm, columns: 5, rows: 5 };
    case 'framed-diamond':
      return { kind, fabrics, widthMm: 3 * stepMm, heightMm: 6 * stepMm, stripMm: stepMm, rounds: 3 };
    case 'beams':
      return {
        kind,
        fabrics: [...fabrics, 'Middle'],
        edgeMm: 2 * stepMm,
        reachMm: 6 * stepMm,
        diamondMm: stepMm,
      };
    case 'disc':
      return { kind, fabrics, wedges: 12, radiusMm: 5 * stepMm, portion: 'whole' };
  }
}
