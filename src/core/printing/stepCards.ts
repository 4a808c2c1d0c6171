import { lastOf } from '../lists';
import type { Outline, Point } from '../geometry';
import { batchesOf, numbersOf, type Batch, type BlockSheet, type Step } from '../sheet';
import { MARGIN_MM, PAGE_MM, type Ink, type PageSize, type PrintJob } from './ink';
import { lineHeightMm, linesOf } from './lines';
import { stepPicture } from './stepPicture';

/** Cards across and down a page. */
const [ACROSS, DOWN] = [2, 3];
/** Room over the picture of a card, and for the picture and the words of it at least, mm. */
const [HEAD_MM, PICTURE_MM, WORDS_MM] = [11, 30, 34];
/** From the words to the sides of their card, and below them, mm. */
const [ASIDE_MM, BELOW_MM] = [4, 3];
/** Heights of the letters: smaller ones where the words would leave no room for the picture. */
const WORD_SIZES_MM = [2.9, 2.4] as const;

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
    ...(isMore
      ? []
      : stepPicture(sheet, step, { x: corner.x + 5, y: corner.y + 10 }, wide - 10, pictureHigh)),
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
