import { itemAt } from '../lists';
import { swell } from '../cutting';
import { InvalidInputError } from '../errors';
import {
  boxOf,
  boxOfPoints,
  edgesOf,
  edgeLength,
  middleOfBox,
  pointAt,
  toPolygon,
  toRadians,
  type Outline,
  type Point,
} from '../geometry';
import { formatLength, type UnitSystem } from '../length';
import type { Ink, PageSize, PrintJob } from './ink';
import { tile } from './tile';

/** Radius of a reference hole: a pin or pencil point goes through, mm. */
const HOLE_MM = 1;
const CUT_MM = 0.3;
const FINE_MM = 0.15;
const DASH = [3, 2] as const;
/** Width that the rays of an angle check may take up on a page, mm. */
const PLATE_ROOM_MM = 165;

/**
 * A window to lay on printed cloth: the cutting line outside, the sewing line within it, holes at the corners and in
 * the middle to find the same place of the print each time. Cut out along the sewing line for a window, or print on clear film.
 */
export function fussyWindow(
  name: string,
  outline: Outline,
  allowanceMm: number,
  size: PageSize,
  system: UnitSystem,
): PrintJob {
  const cut = polygonOutline(swell(toPolygon(outline, 0.02), allowanceMm));
  const middle = middleOfBox(outline);
  const halves = edgesOf(outline).map((edge) => pointAt(edge, edgeLength(edge) / 2));
  const ink: Ink[] = [
    { kind: 'outline', outline: cut, strokeMm: CUT_MM },
    { kind: 'outline', outline, strokeMm: FINE_MM, dashMm: DASH },
    ...[...outline.corners, middle].map((at): Ink => ({
      kind: 'dot',
      at,
      radiusMm: HOLE_MM,
      isFilled: false,
    })),
    ...halves.map((at): Ink => ({ kind: 'line', from: at, to: towards(at, middle, 4), strokeMm: FINE_MM })),
    ...crossInk(middle, 4),
  ];
  const title = `Window for ${name}: cut outside, sew on the dashes (${formatLength(allowanceMm, system)} allowance)`;
  return tile(title, ink, grow(boxOf(cut), 4), size);
}

/**
 * A guide for rows of clamshells: bottom lines, centre lines of every shell, and the shells of two rows, as wide as the page
 * (or the row, in parts).
 */
export function clamshellGuide(
  widthMm: number,
  columns: number,
  size: PageSize,
  system: UnitSystem,
): PrintJob {
  if (!(widthMm >= 10 && widthMm <= 400))
    throw new InvalidInputError(
      'jig',
      `A shell ${widthMm} mm wide cannot be guided.`,
      'Give a width from 10 mm to 400 mm.',
      { name: 'widthMm' },
    );
  if (!Number.isInteger(columns) || columns < 1 || columns > 60)
    throw new InvalidInputError(
      'jig',
      `${columns} is no number of shells.`,
      'Give a whole number from 1 to 60.',
      { name: 'columns' },
    );
  const r = widthMm / 2;
  const quarter = Math.tan(Math.PI / 8);
  const shell = (x: number, y: number): Outline => ({
    corners: [{ x: x - r, y }, { x: x + r, y }, { x, y: y + r }], // prettier-ignore
    bulges: [1, -quarter, -quarter],
  });
  const width = columns * widthMm;
  const ink: Ink[] = [];
  // Row 0 above, row 1 below it, set off by half a shell: a bottom line runs through the points of each row.
  for (let row = 0; row < 2; row++) {
    const [y, count] = [r + row * r, row === 0 ? columns : Math.max(0, columns - 1)];
    for (let i = 0; i < count; i++) {
      const x = r + i * widthMm + (row === 1 ? r : 0);
      ink.push({ kind: 'outline', outline: shell(x, y), strokeMm: FINE_MM, dashMm: DASH });
      ink.push({ kind: 'line', from: { x, y: y - r }, to: { x, y: y + r }, strokeMm: FINE_MM });
    }
    ink.push(
      { kind: 'line', from: { x: 0, y: y + r }, to: { x: width, y: y + r }, strokeMm: CUT_MM },
      {
        kind: 'text',
        at: { x: 1, y: y + r - 1 },
        text: `bottom line, row ${row + 1}`,
        sizeMm: 3,
        align: 'left',
      },
    );
  }
  const title = `Clamshell rows: ${formatLength(widthMm, system)} wide, rows ${formatLength(r, system)} apart`;
  return tile(title, ink, { minX: 0, minY: 0, maxX: width, maxY: 3 * r + 1 }, size);
}

/**
 * A guide to centre a piece on its background: its rim, the quarter folds of the background through its middle, and a
 * ruled distance from the middle to each edge.
 */
export function centringGuide(
  name: string,
  rim: readonly (readonly Point[])[],
  size: PageSize,
  system: UnitSystem,
): PrintJob {
  const box = boxOfPoints(rim.flat());
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const reach = 12;
  const line = (from: Point, to: Point): Ink => ({
    kind: 'line',
    from,
    to,
    strokeMm: CUT_MM,
    dashMm: [6, 3],
  });
  const ink: Ink[] = [
    ...rim.flatMap((run) =>
      run.slice(1).map((to, i): Ink => ({ kind: 'line', from: itemAt(run, i), to, strokeMm: FINE_MM })),
    ),
    line({ x: box.minX - reach, y: middle.y }, { x: box.maxX + reach, y: middle.y }),
    line({ x: middle.x, y: box.minY - reach }, { x: middle.x, y: box.maxY + reach }),
    ...crossInk(middle, 6),
  ];
  const far = [(box.maxX - box.minX) / 2, (box.maxY - box.minY) / 2].map((one) => formatLength(one, system));
  const title = `Centring ${name}: from the folds ${far[0]} to each side, ${far[1]} up and down`;
  return tile(title, ink, grow(box, reach + 2), size);
}

/**
 * A check that a plate will lie flat: rays at the angle that one, two, three … blades must span, with arcs at the inner
 * and outer radius. Blades laid on it that pass a ray are too wide: the plate would ruffle.
 */
export function plateAngleCheck(
  blades: number,
  innerMm: number,
  outerMm: number,
  size: PageSize,
  system: UnitSystem,
): PrintJob {
  if (!Number.isInteger(blades) || blades < 4 || blades > 120)
    throw new InvalidInputError(
      'jig',
      `${blades} is no number of blades.`,
      'Give a whole number from 4 to 120.',
      { name: 'blades' },
    );
  if (!(innerMm >= 3 && outerMm > innerMm && outerMm <= 1000))
    throw new InvalidInputError(
      'jig',
      `An inner radius of ${innerMm} mm and an outer one of ${outerMm} mm make no plate.`,
      'The outer radius must be the larger.',
      { name: 'outerMm' },
    );
  const each = 360 / blades;
  // As many blades as one page is wide enough for.
  const widest = 2 * Math.asin(Math.min(1, PLATE_ROOM_MM / 2 / (outerMm + 12))) * (180 / Math.PI);
  const shown = Math.max(1, Math.min(4, Math.floor(Math.min(90, widest) / each)));
  const at = (degrees: number, radius: number): Point => ({
    x: radius * Math.cos(toRadians(degrees)),
    y: radius * Math.sin(toRadians(degrees)),
  });
  const from = -90 - (each * shown) / 2;
  const ink: Ink[] = [];
  for (let k = 0; k <= shown; k++) {
    const ray = from + each * k;
    ink.push({
      kind: 'line',
      from: at(ray, 0),
      to: at(ray, outerMm + 6),
      strokeMm: k === 0 ? CUT_MM : FINE_MM,
    });
    const said = k === 0 ? 'start' : `${k}: ${round(each * k)}°`;
    ink.push({ kind: 'text', at: at(ray, outerMm + 9), text: said, sizeMm: 3.4, align: 'centre' });
  }
  for (const radius of [innerMm, outerMm]) {
    const bulge = Math.tan(toRadians((each * shown) / 4));
    const arc: Outline = {
      corners: [at(from, radius), at(from + each * shown, radius)],
      bulges: [bulge, -bulge],
    };
    // There and back along the same arc: a line.
    ink.push({ kind: 'outline', outline: arc, strokeMm: FINE_MM, dashMm: DASH });
  }
  ink.push(...crossInk({ x: 0, y: 0 }, 4));
  const title = `Angle check: ${blades} blades of ${round(each)}° (${formatLength(innerMm, system)} to ${formatLength(outerMm, system)})`;
  const points = ink.flatMap((one) => (one.kind === 'line' ? [one.from, one.to] : []));
  return tile(title, ink, grow(boxOfPoints(points), 8), size);
}

function round(degrees: number): string {
  return String(Math.round(degrees * 100) / 100);
}

function towards(from: Point, to: Point, byMm: number): Point {
  const way = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  return { x: from.x + ((to.x - from.x) / way) * byMm, y: from.y + ((to.y - from.y) / way) * byMm };
}

function crossInk({ x, y }: Point, reach: number): Ink[] {
  return [
    { kind: 'line', from: { x: x - reach, y }, to: { x: x + reach, y }, strokeMm: FINE_MM },
    { kind: 'line', from: { x, y: y - reach }, to: { x, y: y + reach }, strokeMm: FINE_MM },
  ];
}

function grow({ minX, minY, maxX, maxY }: ReturnType<typeof boxOf>, by: number) {
  return { minX: minX - by, minY: minY - by, maxX: maxX + by, maxY: maxY + by };
}

function polygonOutline(points: readonly Point[]): Outline {
  return { corners: points, bulges: points.map(() => 0) };
}
