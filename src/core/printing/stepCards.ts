import { itemAt } from '../lists';
import {
  boxOfPoints,
  middleOfCorners,
  moveOutline,
  shiftBy,
  toPolygon,
  type Outline,
  type Point,
} from '../geometry';
import type { BlockSheet, Step } from '../sheet';
import { MARGIN_MM, PAGE_MM, type Ink, type PageSize, type PrintJob } from './ink';

/** Cards across and down a page. */
const [ACROSS, DOWN] = [2, 3];
/** Room for the words of a card, mm. */
const WORDS_MM = 34;

/** Every step as a card with its picture and its words, six to a page, to cut apart and keep with the work. */
export function stepCards(name: string, sheet: BlockSheet, size: PageSize): PrintJob {
  const [widthMm, heightMm] = PAGE_MM[size];
  const [wide, high] = [(widthMm - 2 * MARGIN_MM) / ACROSS, (heightMm - 2 * MARGIN_MM) / DOWN];
  const perPage = ACROSS * DOWN;
  const pages = Array.from({ length: Math.ceil(sheet.steps.length / perPage) }, (_, page) => ({
    ink: sheet.steps.slice(page * perPage, (page + 1) * perPage).flatMap((step, i) => {
      const corner = { x: MARGIN_MM + (i % ACROSS) * wide, y: MARGIN_MM + Math.floor(i / ACROSS) * high };
      return card(name, sheet, step, page * perPage + i, corner, wide, high);
    }),
  }));
  return { title: `${name}: step cards`, widthMm, heightMm, pages };
}

function card(
  name: string,
  sheet: BlockSheet,
  step: Step,
  index: number,
  corner: Point,
  wide: number,
  high: number,
): Ink[] {
  const frame: Outline = {
    corners: [
      corner,
      { x: corner.x + wide, y: corner.y },
      { x: corner.x + wide, y: corner.y + high },
      { x: corner.x, y: corner.y + high },
    ],
    bulges: [0, 0, 0, 0],
  };
  const repeat =
    step.kind === 'join' && step.repeat
      ? `  ·  ${step.repeat.letter} ${step.repeat.copy} of ${step.repeat.copies}`
      : '';
  const head = `${name}  ·  ${index + 1} of ${sheet.steps.length}  ·  about ${Math.max(1, Math.round(step.minutes))} min${repeat}`;
  return [
    { kind: 'outline', outline: frame, strokeMm: 0.1, dashMm: [2, 2], isGrey: true },
    { kind: 'text', at: { x: corner.x + 4, y: corner.y + 6.5 }, text: head, sizeMm: 3.2, align: 'left' },
    ...picture(sheet, step, { x: corner.x + 5, y: corner.y + 10 }, wide - 10, high - WORDS_MM - 14),
    {
      kind: 'paragraph',
      at: { x: corner.x + 4, y: corner.y + high - WORDS_MM },
      text: step.hostNote ? `${step.text} Note: ${step.hostNote}` : step.text,
      sizeMm: 2.9,
      widthMm: wide - 8,
      heightMm: WORDS_MM - 3,
    },
  ];
}

function picture(sheet: BlockSheet, step: Step, corner: Point, wide: number, high: number): Ink[] {
  const held = step.kind === 'join' ? [...step.left, ...step.right] : step.patches;
  const outlines = held
    .map((patch) => sheet.patches[patch]?.outline)
    .filter((one): one is Outline => one !== undefined);
  if (outlines.length === 0) return [];
  const box = boxOfPoints(outlines.flatMap((outline) => toPolygon(outline, 0.2)));
  const scale = Math.min(wide / (box.maxX - box.minX), high / (box.maxY - box.minY), 1);
  const offset = {
    x: corner.x + (wide - (box.maxX - box.minX) * scale) / 2 - box.minX * scale,
    y: corner.y + (high - (box.maxY - box.minY) * scale) / 2 - box.minY * scale,
  };
  const at = ({ x, y }: Point): Point => ({ x: x * scale + offset.x, y: y * scale + offset.y });
  const small = (outline: Outline): Outline =>
    moveOutline(shiftBy(0, 0), { ...outline, corners: outline.corners.map(at) });
  const right = new Set(step.kind === 'join' ? step.right : []);
  const ink = held.flatMap((patch): Ink[] => {
    const outline = sheet.patches[patch]?.outline;
    if (!outline) return [];
    const middle = at(middleOfCorners(outline));
    return [
      {
        kind: 'outline',
        outline: small(outline),
        strokeMm: right.has(patch) ? 0.45 : 0.2,
        isGrey: !right.has(patch) && step.kind === 'join',
      },
      {
        kind: 'text',
        at: { x: middle.x, y: middle.y + 1 },
        text: String(patch + 1),
        sizeMm: 2.6,
        align: 'centre',
      },
    ];
  });
  const threads = step.kind === 'join' ? step.chains.flatMap((chain) => threadInk(chain, at)) : [];
  return [...ink, ...threads];
}

/** The seam to sew: bold dashes from the start dot, a ring at every knot. */
function threadInk(
  { path, knots }: { readonly path: readonly Point[]; readonly knots: readonly Point[] },
  at: (point: Point) => Point,
): Ink[] {
  const lines = path.slice(1).map((to, i): Ink => ({
    kind: 'line',
    from: at(itemAt(path, i)),
    to: at(to),
    strokeMm: 0.9,
    dashMm: [1.6, 0.9],
  }));
  const start = path[0];
  return [
    ...lines,
    ...(start ? [{ kind: 'dot', at: at(start), radiusMm: 1.3, isFilled: true } as const] : []),
    ...knots.slice(1).map((knot): Ink => ({ kind: 'dot', at: at(knot), radiusMm: 0.9, isFilled: false })),
  ];
}
