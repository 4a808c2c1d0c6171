import type { ClothBolt, Order } from '../order';
import { counted } from '../words';
import type { BoltRun } from '../cutting';
import { formatBolt, formatLength, type UnitSystem } from '../length';
import { itemAt } from '../lists';
import { lineHeightMm, linesOf } from './lines';
import { MARGIN_MM, PAGE_MM, type Ink, type PageSize, type PrintJob, type PrintPage } from './ink';

/** Text sizes and the height of a line of the list, mm. */
const [TITLE_MM, TEXT_MM, LINE_MM] = [5, 3, 6];
/** Room that a bolt's drawing leaves for its heading besides its words, and for its numbers along the cut edge, mm. */
const [HEAD_MM, SIDE_MM] = [12, 22];
/** From one line of words that are broken to the next, mm; they begin so far above their first. */
const LEADING_MM = lineHeightMm(TEXT_MM);
/** Room for the widest numbers of the first column, mm. */
const FIGURES_MM = 26;
/** A number needs so much room to be written, mm. */
const LEAST_ROOM_MM = 4.5;

/** A line of the list as it is printed. */
export interface PrintedLine {
  readonly thing: string;
  readonly needed: string;
  readonly stock: string;
  readonly buy: string;
  readonly cost: string;
  readonly supplier: string;
}

export interface OrderSheets {
  readonly title: string;
  /** Below the title: the day, for how many. */
  readonly says: string;
  readonly lines: readonly PrintedLine[];
  readonly total: string;
  /** The code of what costs are counted in; empty where nobody said. */
  readonly currency: string;
  readonly bolts: Order['bolts'];
}

/** The order as pages: the list, then for each cloth how its bolt is cut up, to scale and numbered in the order of the cuts. */
export function orderSheets(sheets: OrderSheets, system: UnitSystem, size: PageSize): PrintJob {
  const [widthMm, heightMm] = PAGE_MM[size];
  const bolts = sheets.bolts.filter(({ plan }) => plan.strips.length > 0);
  return {
    title: sheets.title,
    widthMm,
    heightMm,
    pages: [
      ...listPages(sheets, widthMm, heightMm),
      ...bolts.flatMap((bolt) => boltPages(bolt, system, widthMm, heightMm)),
    ],
  };
}

const text = (x: number, y: number, words: string, align: 'left' | 'right' | 'centre' = 'left', sizeMm = TEXT_MM): Ink => ({ kind: 'text', at: { x, y }, text: words, sizeMm, align }); // prettier-ignore
const rule = (x1: number, y1: number, x2: number, y2: number, isGrey = false): Ink => ({ kind: 'line', from: { x: x1, y: y1 }, to: { x: x2, y: y2 }, strokeMm: 0.2, isGrey }); // prettier-ignore

function listPages({ title, says, lines, total, currency }: OrderSheets, widthMm: number, heightMm: number): PrintPage[] {
  const right = widthMm - MARGIN_MM;
  const columns = [right - 82, right - 58, right - 18, right] as const;
  const head = (y: number): Ink[] => [
    text(MARGIN_MM, y, 'What'),
    ...['All bags', 'In stock', 'To buy', currency === '' ? 'Cost' : `Cost, ${currency}`].map((words, column) => text(itemAt(columns, column), y, words, 'right')),
    rule(MARGIN_MM, y + 1.5, right, y + 1.5),
  ];
  const pages: Ink[][] = [[text(MARGIN_MM, MARGIN_MM + 5, title, 'left', TITLE_MM), text(MARGIN_MM, MARGIN_MM + 10.5, says), ...head(MARGIN_MM + 18)]];
  let y = MARGIN_MM + 18 + LINE_MM;
  const room = (high: number) => {
    if (y + high <= heightMm - MARGIN_MM) return;
    pages.push(head(MARGIN_MM + 5));
    y = MARGIN_MM + 5 + LINE_MM;
  };
  for (const { thing, needed, stock, buy, cost, supplier } of lines) {
    const words = supplier === '' ? thing : `${thing} (${supplier})`;
    const wide = columns[0] - FIGURES_MM - MARGIN_MM;
    const high = LINE_MM + (linesOf(words, TEXT_MM, wide).length - 1) * LEADING_MM;
    room(high);
    const ink = pages.at(-1);
    ink?.push({ kind: 'paragraph', at: { x: MARGIN_MM, y: y - LEADING_MM }, text: words, sizeMm: TEXT_MM, widthMm: wide, heightMm: high });
    [needed, stock, buy, cost].forEach((cell, column) => ink?.push(text(itemAt(columns, column), y, cell, 'right')));
    y += high;
    ink?.push(rule(MARGIN_MM, y + 1.5 - LINE_MM, right, y + 1.5 - LINE_MM, true));
  }
  room(LINE_MM);
  pages.at(-1)?.push(text(MARGIN_MM, y, 'Together'), text(right, y, total, 'right'));
  return pages.map((ink) => ({ ink }));
} // prettier-ignore

/** One cloth: strips from the top down, to scale. Where they do not go on a page, strips alike are drawn once. */
function boltPages({ fabric, plan, sizes, usableMm, pieces }: ClothBolt, system: UnitSystem, widthMm: number, heightMm: number): PrintPage[] {
  const scale = (widthMm - 2 * MARGIN_MM - SIDE_MM) / usableMm;
  const alike = ' Strips alike are drawn once.';
  const first = pieces.length > 0 ? ` ${counted(pieces.length, 'piece')} on the shelf ${pieces.length === 1 ? 'is' : 'are'} cut first.` : '';
  const says = `${formatBolt(plan.lengthMm, system)} off the bolt, ${formatLength(usableMm, system)} between the selvedges. Cut strips through the whole width from the top, then across them.${first}`;
  const wide = widthMm - 2 * MARGIN_MM;
  const saysMm = linesOf(says + alike, TEXT_MM, wide).length * LEADING_MM;
  const headMm = HEAD_MM + saysMm;
  const isOnce = plan.lengthMm > (heightMm - 2 * MARGIN_MM - headMm) / scale;
  const pages: Ink[][] = [];
  let top = Infinity;
  for (const { times, heightMm: high, runs } of plan.strips)
    for (let k = 0; k < (isOnce ? 1 : times); k++) {
      if (top + high * scale > heightMm - MARGIN_MM) {
        const more = pages.length > 0 ? ', carried on' : '';
        pages.push([text(MARGIN_MM, MARGIN_MM + 5, `${fabric}: how the bolt is cut${more}`, 'left', TITLE_MM), { kind: 'paragraph', at: { x: MARGIN_MM, y: MARGIN_MM + 6 }, text: isOnce ? says + alike : says, sizeMm: TEXT_MM, widthMm: wide, heightMm: saysMm + 0.01 }]);
        top = MARGIN_MM + headMm;
      }
      const [bottom, right] = [top + high * scale, MARGIN_MM + usableMm * scale];
      const ink = pages.at(-1);
      ink?.push(rule(MARGIN_MM, top, right, top), rule(MARGIN_MM, bottom, right, bottom));
      if (k === 0) ink?.push(text(right + 1.5, top + Math.min(3.4, high * scale), `${times} × ${formatLength(high, system)}`, 'left', 2.6));
      for (const run of runs) ink?.push(...runInk(run, itemAt(sizes, run.size), top, scale, system));
      top = bottom;
    }
  return pages.map((ink) => ({ ink }));
} // prettier-ignore

function runInk({ fromMm, acrossMm, alongMm, columns, rows, count }: BoltRun, { what }: ClothBolt['sizes'][number], top: number, scale: number, system: UnitSystem): Ink[] {
  const [left, right] = [MARGIN_MM + fromMm * scale, MARGIN_MM + (fromMm + columns * acrossMm) * scale];
  const ink: Ink[] = [];
  for (let i = 0; i < count; i++) {
    const [x, y] = [left + Math.floor(i / rows) * acrossMm * scale, top + (i % rows) * alongMm * scale];
    const outline = [{ x, y }, { x: x + acrossMm * scale, y }, { x: x + acrossMm * scale, y: y + alongMm * scale }, { x, y: y + alongMm * scale }];
    ink.push({ kind: 'outline', outline: { corners: outline, bulges: [0, 0, 0, 0] }, strokeMm: 0.15, isGrey: true });
  }
  const words = `${count} of ${formatLength(acrossMm, system)} × ${formatLength(alongMm, system)}${what === '' ? '' : ` ${what}`}`;
  const short = words.length * 1.35 <= right - left ? words : `${count}`;
  if (rows * alongMm * scale >= LEAST_ROOM_MM) ink.push(text((left + right) / 2, top + (Math.min(rows, count) * alongMm * scale) / 2 + 0.9, short, 'centre', 2.6));
  return ink;
} // prettier-ignore
