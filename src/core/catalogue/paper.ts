/** A paper of the catalogue: its family and the figures that make it. Lengths in mm, angles in degrees. */
export type Paper =
  | { readonly family: 'regular'; readonly sides: number; readonly edgeMm: number }
  | { readonly family: 'diamond'; readonly edgeMm: number; readonly angleDeg: number }
  | { readonly family: 'half-hexagon'; readonly edgeMm: number }
  | { readonly family: 'kite'; readonly edgeMm: number; readonly tipDeg: number; readonly footDeg: number }
  | { readonly family: 'half-square-triangle'; readonly legMm: number }
  | { readonly family: 'isosceles-triangle'; readonly legMm: number; readonly apexDeg: number }
  | { readonly family: 'rectangle'; readonly widthMm: number; readonly lengthMm: number }
  | {
      readonly family: 'slanted-strip';
      readonly widthMm: number;
      readonly lengthMm: number;
      readonly firstDeg: number;
      readonly secondDeg: number;
    }
  | {
      readonly family: 'elongated-hexagon';
      readonly edgeMm: number;
      readonly sideMm: number;
      readonly tipDeg: number;
    }
  | { readonly family: 'jewel'; readonly edgeMm: number }
  | {
      readonly family: 'blade';
      readonly blades: number;
      readonly innerMm: number;
      readonly outerMm: number;
      readonly tip: 'flat' | 'pointed' | 'round';
    }
  | { readonly family: 'wedge'; readonly wedges: number; readonly radiusMm: number }
  | { readonly family: 'clamshell'; readonly widthMm: number }
  | {
      readonly family: 'custom';
      readonly edgesMm: readonly number[];
      readonly anglesDeg: readonly number[];
    };

export type PaperFamily = Paper['family'];

/** How a family is shown and asked for. */
export interface PaperField {
  readonly name: string;
  readonly label: string;
  readonly type: 'length' | 'angle' | 'count' | 'choice' | 'lengths' | 'angles';
  readonly choices?: readonly (readonly [string, string])[];
  readonly hint?: string;
}

const length = (name: string, label: string): PaperField => ({ name, label, type: 'length' });
const angle = (name: string, label: string, hint?: string): PaperField => ({
  name,
  label,
  type: 'angle',
  ...(hint === undefined ? {} : { hint }),
});

/** The families in the order in which a catalogue lists them, with what each is called and asks for. */
export const PAPER_FAMILIES: Readonly<
  Record<PaperFamily, { readonly label: string; readonly fields: readonly PaperField[] }>
> = {
  regular: {
    label: 'Hexagon, square, triangle and other regular papers',
    fields: [
      {
        name: 'sides',
        label: 'Sides',
        type: 'choice',
        choices: [
          ['3', '3: triangle'],
          ['4', '4: square'],
          ['5', '5: pentagon'],
          ['6', '6: hexagon'],
          ['8', '8: octagon'],
        ],
      },
      length('edgeMm', 'Edge'),
    ],
  },
  diamond: {
    label: 'Diamond',
    fields: [
      length('edgeMm', 'Edge'),
      angle('angleDeg', 'Sharp angle', '60 for six round a point, 45 for eight'),
    ],
  },
  'half-hexagon': { label: 'Half hexagon', fields: [length('edgeMm', 'Short edge')] },
  kite: {
    label: 'Kite',
    fields: [
      length('edgeMm', 'Long edge'),
      angle('tipDeg', 'Angle between the long edges', '60 with 120 opposite: a third of a triangle'),
      angle('footDeg', 'Angle between the short edges'),
    ],
  },
  'half-square-triangle': { label: 'Half-square triangle', fields: [length('legMm', 'Leg')] },
  'isosceles-triangle': {
    label: 'Isosceles triangle',
    fields: [length('legMm', 'Equal edges'), angle('apexDeg', 'Angle between them')],
  },
  rectangle: { label: 'Rectangle', fields: [length('widthMm', 'Width'), length('lengthMm', 'Length')] },
  'slanted-strip': {
    label: 'Strip with slanted ends (left and right)',
    fields: [
      length('widthMm', 'Width'),
      length('lengthMm', 'Longest edge'),
      angle('firstDeg', 'Angle at its first end'),
      angle('secondDeg', 'Angle at its other end', '180 − the first makes both ends parallel'),
    ],
  },
  'elongated-hexagon': {
    label: 'Elongated hexagon',
    fields: [
      length('edgeMm', 'Edges at the ends'),
      length('sideMm', 'Long sides'),
      angle('tipDeg', 'Angle at the ends'),
    ],
  },
  jewel: { label: 'Jewel (a triangle with two corners cut)', fields: [length('edgeMm', 'Short edges')] },
  blade: {
    label: 'Blade of a plate',
    fields: [
      { name: 'blades', label: 'Blades in the plate', type: 'count' },
      length('innerMm', 'Inner radius'),
      length('outerMm', 'Outer radius'),
      {
        name: 'tip',
        label: 'Tip',
        type: 'choice',
        choices: [
          ['flat', 'flat'],
          ['pointed', 'pointed'],
          ['round', 'round'],
        ],
      },
    ],
  },
  wedge: {
    label: 'Wedge of a disc',
    fields: [{ name: 'wedges', label: 'Wedges in the disc', type: 'count' }, length('radiusMm', 'Radius')],
  },
  clamshell: { label: 'Clamshell', fields: [length('widthMm', 'Width')] },
  custom: {
    label: 'Any other, by its edges and angles',
    fields: [
      {
        name: 'edgesMm',
        label: 'Edges, clockwise',
        type: 'lengths',
        hint: 'With commas between; the last may be left out.',
      },
      {
        name: 'anglesDeg',
        label: 'Angles between them',
        type: 'angles',
        hint: 'Between first and second edge, second and third …; the rest follows.',
      },
    ],
  },
};

/** A paper of a family to begin with. @param stepMm one inch, or 25 mm where a shop works in centimetres */
export function defaultPaper(family: PaperFamily, stepMm = 25.4): Paper {
  const [one, two] = [stepMm, stepMm * 2];
  switch (family) {
    case 'regular':
      return { family, sides: 6, edgeMm: one };
    case 'diamond':
      return { family, edgeMm: one * 1.5, angleDeg: 60 };
    case 'half-hexagon':
    case 'jewel':
      return { family, edgeMm: one };
    case 'kite':
      return { family, edgeMm: one * 1.5, tipDeg: 60, footDeg: 120 };
    case 'half-square-triangle':
      return { family, legMm: two };
    case 'isosceles-triangle':
      return { family, legMm: two, apexDeg: 45 };
    case 'rectangle':
      return { family, widthMm: one, lengthMm: two };
    case 'slanted-strip':
      return { family, widthMm: one, lengthMm: two * 2, firstDeg: 45, secondDeg: 135 };
    case 'elongated-hexagon':
      return { family, edgeMm: one, sideMm: two, tipDeg: 120 };
    case 'blade':
      return { family, blades: 16, innerMm: one * 1.5, outerMm: one * 5, tip: 'pointed' };
    case 'wedge':
      return { family, wedges: 12, radiusMm: one * 5 };
    case 'clamshell':
      return { family, widthMm: two };
    case 'custom':
      return { family, edgesMm: [two, one, two], anglesDeg: [60, 120] };
  }
}

/** Whether data of any origin names a family and has all its figures: they may still be refused by `makePaper`. */
export function isPaper(value: unknown): value is Paper {
  if (typeof value !== 'object' || value === null) return false;
  const record = value as Record<string, unknown>;
  if (!Object.hasOwn(PAPER_FAMILIES, String(record.family))) return false;
  return PAPER_FAMILIES[record.family as PaperFamily].fields.every(({ name, type, choices }) => {
    const figure = record[name];
    if (type === 'lengths' || type === 'angles')
      return Array.isArray(figure) && figure.length <= 40 && figure.every((one) => Number.isFinite(one));
    if (type === 'choice') return choices?.some(([own]) => own === String(figure)) ?? false;
    return Number.isFinite(figure);
  });
}
