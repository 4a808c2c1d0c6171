import { itemAt } from '../lists';
import {
  boxOfPoints,
  edgeLength,
  edgesOf,
  flatten,
  hasStraightSide,
  pointAt,
  roomiest,
  toPolygon,
  type Outline,
  type Point,
} from '../geometry';
import type { BlockSheet, SewnChain, SheetPatch, Step } from '../sheet';
import type { Ink } from './ink';

/** How far a side drawn on a card may lie from its curve, mm of the block. */
const CARD_SAG_MM = 0.2;
/** Sides that stay raw are dotted. */
const RAW_STROKE_MM = 0.5;
const RAW_DASH_MM = [0.1, 1.1] as const;
/** Share of a picture's width for the paper of a step of basting, room between it and the rest and for its name, mm, and how much larger than it is it is drawn at most. */
const [PAPER_SHARE, PAPER_GAP_MM, PAPER_NAME_MM, MOST_ENLARGED] = [0.4, 5, 4, 2];
/** How far outside a side, where the cloth is folded from, the middle of its number stands, and the room that it takes, mm. */
const [FOLD_OUT_MM, FOLD_ROOM_MM] = [2.6, 5];
/** Numbers of patches: as high as usual, the least that can be read, and by how much less than the room in a patch, mm. */
const [NUMBER_MM, LEAST_NUMBER_MM, NUMBER_SHARE] = [2.6, 1.8, 0.45];

/** What the hand holds: of papers to baste also one from its paper side, large enough for the order of its folds. */
export function stepPicture(sheet: BlockSheet, step: Step, corner: Point, wide: number, high: number): Ink[] {
  const paper = step.kind === 'baste' ? sheet.patches[step.patches[0] ?? -1] : undefined;
  // A paper of curves alone is pleated, not folded side after side.
  if (!paper || !hasStraightSide(paper.outline)) return heldInk(sheet, step, corner, wide, high);
  const paperWide = wide * PAPER_SHARE;
  const paperAt = { x: corner.x + wide - paperWide, y: corner.y };
  return [
    ...heldInk(sheet, step, corner, wide - paperWide - PAPER_GAP_MM, high),
    ...paperInk(paper, paperAt, paperWide, high),
  ];
}

function heldInk(sheet: BlockSheet, step: Step, corner: Point, wide: number, high: number): Ink[] {
  const held = step.kind === 'join' ? [...step.left, ...step.right] : step.patches;
  const outlines = held
    .map((patch) => sheet.patches[patch]?.outline)
    .filter((one): one is Outline => one !== undefined);
  if (outlines.length === 0) return [];
  const { at, scale } = fitted(outlines, corner, wide, high, 1);
  const right = new Set(step.kind === 'join' ? step.right : []);
  const ink = held.flatMap((patch): Ink[] => {
    const own = sheet.patches[patch];
    if (!own) return [];
    const { at: roomy, roomMm } = roomiest(own.outline);
    const middle = at(roomy);
    const sizeMm = Math.max(LEAST_NUMBER_MM, Math.min(NUMBER_MM, 2 * scale * roomMm * NUMBER_SHARE));
    return [
      ...outlineInk(own, at, right.has(patch) ? 0.45 : 0.2, !right.has(patch) && step.kind === 'join'),
      {
        kind: 'text',
        at: { x: middle.x, y: middle.y + sizeMm * 0.38 },
        text: String(patch + 1),
        sizeMm,
        align: 'centre',
      },
    ];
  });
  const threads = step.kind === 'join' ? step.chains.flatMap((chain) => threadInk(chain, at)) : [];
  return [...ink, ...threads];
}

type Place = (point: Point) => Point;

/** Puts outlines into the middle of some room, at most so much larger than they are. */
function fitted(
  outlines: readonly Outline[],
  corner: Point,
  wide: number,
  high: number,
  most: number,
): { readonly at: Place; readonly scale: number } {
  const box = boxOfPoints(outlines.flatMap((outline) => toPolygon(outline, 0.2)));
  const scale = Math.min(wide / (box.maxX - box.minX), high / (box.maxY - box.minY), most);
  const offset = {
    x: corner.x + (wide - (box.maxX - box.minX) * scale) / 2 - box.minX * scale,
    y: corner.y + (high - (box.maxY - box.minY) * scale) / 2 - box.minY * scale,
  };
  return { at: ({ x, y }) => ({ x: x * scale + offset.x, y: y * scale + offset.y }), scale };
}

/** The outline of a patch; sides that stay raw are dotted. */
function outlineInk(
  { outline, rawSides = [] }: SheetPatch,
  at: Place,
  strokeMm: number,
  isGrey: boolean,
): Ink[] {
  if (rawSides.length === 0) {
    const placed = { ...outline, corners: outline.corners.map(at) };
    return [{ kind: 'outline', outline: placed, strokeMm, isGrey }];
  }
  return sidesInk({ outline, rawSides }, at, strokeMm, isGrey);
}

/** The sides of a patch one by one, those that stay raw dotted; mirrored they run as they should. */
function sidesInk(
  { outline, rawSides = [] }: Pick<SheetPatch, 'outline' | 'rawSides'>,
  at: Place,
  strokeMm: number,
  isGrey: boolean,
): Ink[] {
  return edgesOf(outline).flatMap((edge, side) => {
    const isRaw = rawSides.includes(side);
    const path = flatten(edge, CARD_SAG_MM);
    return path.slice(1).map((to, i): Ink => ({
      kind: 'line',
      from: at(itemAt(path, i)),
      to: at(to),
      strokeMm: isRaw ? RAW_STROKE_MM : strokeMm,
      ...(isRaw ? { dashMm: RAW_DASH_MM } : {}),
      isGrey: isGrey && !isRaw,
    }));
  });
}

/** One paper as the hand sees it, its paper side: the mirror of the front, with the order of folding as numbers at its sides, where the cloth comes over. */
function paperInk(patch: SheetPatch, corner: Point, wide: number, high: number): Ink[] {
  const { outline, foldOrder } = patch;
  const inside = { x: corner.x + FOLD_ROOM_MM, y: corner.y + FOLD_ROOM_MM };
  const [w, h] = [wide - 2 * FOLD_ROOM_MM, high - PAPER_NAME_MM - 2 * FOLD_ROOM_MM];
  const fit = fitted([outline], inside, w, h, MOST_ENLARGED);
  const at: Place = (point) => {
    const { x, y } = fit.at(point);
    return { x: 2 * corner.x + wide - x, y };
  };
  const numbers = edgesOf(outline).flatMap((edge, side): Ink[] => {
    const turn = foldOrder.indexOf(side);
    if (turn < 0) return [];
    const on = at(pointAt(edge, edgeLength(edge) / 2));
    const [from, to] = [at(edge.a), at(edge.b)];
    // Mirrored, outlines run anticlockwise: the outside lies to the right of the way.
    const away = FOLD_OUT_MM / Math.hypot(to.x - from.x, to.y - from.y);
    const out = { x: on.x - (to.y - from.y) * away, y: on.y + (to.x - from.x) * away };
    return [{ kind: 'text', at: { x: out.x, y: out.y + 1 }, text: String(turn + 1), sizeMm: 2.8, align: 'centre' }]; // prettier-ignore
  });
  const under = { x: corner.x + wide / 2, y: corner.y + high };
  return [
    ...sidesInk(patch, at, 0.2, false),
    ...numbers,
    { kind: 'text', at: under, text: 'paper side', sizeMm: 2.3, align: 'centre' },
  ];
}

/** The seam to sew: bold dashes from the start dot, a ring at every knot, dots where the needle slides hidden through a fold. */
function threadInk({ path, knots, slides, carriesOn }: SewnChain, at: (point: Point) => Point): Ink[] {
  const lines = path.slice(1).map((to, i): Ink => ({
    kind: 'line',
    from: at(itemAt(path, i)),
    to: at(to),
    strokeMm: 0.9,
    dashMm: [1.6, 0.9],
  }));
  const hidden = slides.map(({ from, to }): Ink => ({
    kind: 'line',
    from: at(from),
    to: at(to),
    strokeMm: 0.5,
    dashMm: [0.1, 1.2],
  }));
  const start = path[0];
  return [
    ...lines,
    ...hidden,
    ...(start ? [{ kind: 'dot', at: at(start), radiusMm: 1.3, isFilled: !carriesOn } as const] : []),
    ...knots.slice(1).map((knot): Ink => ({ kind: 'dot', at: at(knot), radiusMm: 0.9, isFilled: false })),
  ];
}
