import { itemAt, lastOf } from '../lists';
import {
  boxOfPoints,
  edgeLength,
  edgesOf,
  flatten,
  isStraight,
  pointAt,
  roomiest,
  toPolygon,
  type Outline,
  type Point,
} from '../geometry';
import {
  batchesOf,
  numbersOf,
  type Batch,
  type BlockSheet,
  type SewnChain,
  type SheetPatch,
  type Step,
} from '../sheet';
import { lineHeightMm, linesOf } from './lines';
import { MARGIN_MM, PAGE_MM, type Ink, type PageSize, type PrintJob } from './ink';

/** Cards across and down a page. */
const [ACROSS, DOWN] = [2, 3];
/** Room over the picture of a card, and for the picture and the words of it at least, mm. */
const [HEAD_MM, PICTURE_MM, WORDS_MM] = [11, 30, 34];
/** From the words to the sides of their card, and below them, mm. */
const [ASIDE_MM, BELOW_MM] = [4, 3];
/** Heights of the letters: smaller ones where the words would leave no room for the picture. */
const WORD_SIZES_MM = [2.9, 2.4] as const;
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

/** A step by itself, or one of several units that are alike, with a box to tick for each. */
interface Entry {
  readonly step: Step;
  readonly index: number;
  readonly batch?: Batch;
}

/** Words that stand on one card; what does not goes on on another, without a picture. */
interface Words {
  readonly sizeMm: number;
  readonly lines: readonly string[];
  readonly isMore: boolean;
}

/**
 * The steps as cards with their pictures and words, six to a page, to cut apart and keep with the work. Units that are alike have
 * their cards once, with as many boxes to tick as there are to make.
 */
export function stepCards(name: string, sheet: BlockSheet, size: PageSize): PrintJob {
  const [widthMm, heightMm] = PAGE_MM[size];
  const [wide, high] = [(widthMm - 2 * MARGIN_MM) / ACROSS, (heightMm - 2 * MARGIN_MM) / DOWN];
  const perPage = ACROSS * DOWN;
  const cards = entriesOf(sheet.steps).flatMap((entry) =>
    wordsOf(sheet, entry, wide, high).map((words) => ({ entry, words })),
  );
  const pages = Array.from({ length: Math.ceil(cards.length / perPage) }, (_, page) => ({
    ink: cards.slice(page * perPage, (page + 1) * perPage).flatMap(({ entry, words }, i) => {
      const corner = { x: MARGIN_MM + (i % ACROSS) * wide, y: MARGIN_MM + Math.floor(i / ACROSS) * high };
      return card(name, sheet, entry, words, corner, wide, high);
    }),
  }));
  return { title: `${name}: step cards`, widthMm, heightMm, pages };
}

function entriesOf(steps: readonly Step[]): Entry[] {
  const batches = batchesOf(steps);
  return steps.flatMap((step, index): Entry[] => {
    const batch = batches.find(({ from, count, size }) => index >= from && index < from + count * size);
    if (!batch) return [{ step, index }];
    return index < batch.from + batch.size ? [{ step, index, batch }] : [];
  });
}

/** Nothing that is to be done is left out: long words take room from the picture, then smaller letters, then another card. */
function wordsOf(sheet: BlockSheet, { step, index, batch }: Entry, wide: number, high: number): Words[] {
  const text = batch ? textOfAll(sheet, step, index, batch) : step.text;
  const whole = step.hostNote ? `${text} Note: ${step.hostNote}` : text;
  const most = (roomMm: number, sizeMm: number) => Math.floor((roomMm - BELOW_MM) / lineHeightMm(sizeMm));
  const all = WORD_SIZES_MM.map((sizeMm) => ({ sizeMm, lines: linesOf(whole, sizeMm, wide - 2 * ASIDE_MM) }));
  const fits = all.find(({ sizeMm, lines }) => lines.length <= most(high - HEAD_MM - PICTURE_MM, sizeMm));
  if (fits) return [{ ...fits, isMore: false }];
  const { sizeMm, lines } = lastOf(all);
  const [first, others] = [most(high - HEAD_MM - PICTURE_MM, sizeMm), most(high - HEAD_MM, sizeMm)];
  const more = Array.from({ length: Math.ceil((lines.length - first) / others) }, (_, i): Words => ({
    sizeMm,
    lines: lines.slice(first + i * others, first + (i + 1) * others),
    isMore: true,
  }));
  return [{ sizeMm, lines: lines.slice(0, first), isMore: false }, ...more];
}

function card(
  name: string,
  sheet: BlockSheet,
  { step, index, batch }: Entry,
  { sizeMm, lines, isMore }: Words,
  corner: Point,
  wide: number,
  high: number,
): Ink[] {
  const frame = boxAt(corner, wide, high);
  const minutes = `about ${Math.max(1, Math.round(step.minutes))} min`;
  const made = batch ? `  ·  ${batch.name}: ${batch.count} to make` : '';
  const head = `${name}  ·  ${index + 1} of ${sheet.steps.length}  ·  ${isMore ? 'more' : `${minutes}${made}`}`;
  const heightMm = lines.length * lineHeightMm(sizeMm) + 0.01;
  const wordsMm = isMore ? high - HEAD_MM : Math.max(WORDS_MM, heightMm + BELOW_MM);
  const pictureHigh = high - wordsMm - HEAD_MM - BELOW_MM;
  return [
    { kind: 'outline', outline: frame, strokeMm: 0.1, dashMm: [2, 2], isGrey: true },
    { kind: 'text', at: { x: corner.x + 4, y: corner.y + 6.5 }, text: head, sizeMm: 3.2, align: 'left' },
    ...(isMore ? [] : picture(sheet, step, { x: corner.x + 5, y: corner.y + 10 }, wide - 10, pictureHigh)),
    ...(batch && !isMore ? tickBoxes(batch.count, corner, wide, pictureHigh) : []),
    {
      kind: 'paragraph',
      at: { x: corner.x + ASIDE_MM, y: corner.y + high - wordsMm },
      text: lines.join(' '),
      sizeMm,
      widthMm: wide - 2 * ASIDE_MM,
      heightMm,
    },
  ];
}

function boxAt({ x, y }: Point, wide: number, high: number): Outline {
  const corners = [
    { x, y },
    { x: x + wide, y },
    { x: x + wide, y: y + high },
    { x, y: y + high },
  ];
  return { corners, bulges: [0, 0, 0, 0] };
}

/** Side of a box to tick, and from one to the next, mm. */
const [TICK_MM, TICK_PITCH_MM] = [3, 4.4];

/** Boxes to tick above each other at the right edge of a card, as many as there is room for beside its picture. */
function tickBoxes(count: number, corner: Point, wide: number, high: number): Ink[] {
  const down = Math.floor((high + TICK_PITCH_MM - TICK_MM) / TICK_PITCH_MM);
  return Array.from({ length: count }, (_, i): Ink => {
    const x = corner.x + wide - 7 - Math.floor(i / down) * TICK_PITCH_MM;
    const y = corner.y + 10 + (i % down) * TICK_PITCH_MM;
    return { kind: 'outline', outline: boxAt({ x, y }, TICK_MM, TICK_MM), strokeMm: 0.2 };
  });
}

/** Pieces of up to so many patches are told by their numbers on the card of a batch. */
const MOST_TOLD = 3;

/** What is done for one of several, and on which papers for the others. */
function textOfAll(sheet: BlockSheet, step: Step, index: number, { from, count, size }: Batch): string {
  const others = Array.from({ length: count - 1 }, (_, copy) => sheet.steps[index + (copy + 1) * size]);
  const told = others.flatMap((other) => {
    if (other?.kind !== 'join' || other.left.length > MOST_TOLD || other.right.length > MOST_TOLD) return [];
    return [`${numbersOf(other.right)} to ${numbersOf(other.left)}`];
  });
  const also = told.length === 0 ? '' : ` Likewise ${told.join('; ')}.`;
  const isFirst = index === from;
  const bare = step.text.replace(/ This is [^.]+, 1 of \d+\./, '');
  return `${bare}${isFirst || told.length > 0 ? ` Make ${count} so.` : ''}${also}`;
}

/** What the hand holds: of papers to baste also one from its paper side, large enough for the order of its folds. */
function picture(sheet: BlockSheet, step: Step, corner: Point, wide: number, high: number): Ink[] {
  const paper = step.kind === 'baste' ? sheet.patches[step.patches[0] ?? -1] : undefined;
  if (!paper || isCurvedOnly(paper)) return heldInk(sheet, step, corner, wide, high);
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

/** A paper of curves alone is pleated, not folded side after side. */
function isCurvedOnly({ outline }: SheetPatch): boolean {
  return edgesOf(outline).every((edge) => !isStraight(edge));
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
