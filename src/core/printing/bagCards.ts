import type { ClothLook } from '../cloth';
import { formatLength, type UnitSystem } from '../length';
import { boxOf, roomiest, type Outline, type Point } from '../geometry';
import { sayInnerLine, type BagContents, type InnerBags } from '../bags';
import type { BlockSheet } from '../sheet';
import { counted, firstSentence, times } from '../words';
import type { CodeCells } from './labelSheets';
import { linesOf } from './lines';
import { MARGIN_MM, PAGE_MM, type Ink, type PageSize, type PrintJob } from './ink';

/** What the card of a bag says besides what lies in it. */
export interface BagCardBlock {
  readonly name: string;
  readonly bag: BagContents;
  readonly sheet: Pick<BlockSheet, 'patches' | 'steps'>;
  /** For whose bag it is, what they chose otherwise, and the code of their own page; where a card is for every bag of its block, nobody’s. */
  readonly maker?: { readonly name: string; readonly choice: string; readonly page?: CodeCells };
  /** Papers to keep for later blocks; empty where there are none. */
  readonly saved: string;
  /** How its cloths look, by their names; one that is not among them has no swatch. */
  readonly looks?: Readonly<Record<string, ClothLook>>;
  /** Where its units that are made again come in inner bags. */
  readonly inner?: InnerBags;
}

/** Side of the drawing, of a silhouette; sizes of words and of a line, mm. */
const [DRAWING_MM, SHAPE_MM, TEXT_MM, LINE_MM, HEAD_MM] = [92, 9, 3, 5.4, 4];
/** Height of a heading with the room over it. */
const HEADING_MM = 8;
/** Side of the code of a page: its 37 to 45 cells come to about 0.6 mm, which a phone reads. */
const CODE_MM = 24;
/** A square of cloth. */
const SWATCH_MM = 7;
/** A row with a silhouette: two lines of words. */
const ROW_MM = 10.6;
const CAUTION =
  'Needles, pins and blades: count them, keep them and magnets from children and pets. Irons, glue and starch as their labels say. Rest your hands every 30 minutes.';

/** A card for each block’s bag: numbered drawing, contents with outlines and hands, cloth with cut sizes, what to do first, cautions. */
export function bagCards(title: string, blocks: readonly BagCardBlock[], system: UnitSystem, size: PageSize): PrintJob {
  const [widthMm, heightMm] = PAGE_MM[size];
  return { title, widthMm, heightMm, pages: blocks.flatMap((block) => cardPages(block, system, widthMm, heightMm)) };
} // prettier-ignore

function cardPages({ name, bag, sheet, saved, inner, looks = {}, maker }: BagCardBlock, system: UnitSystem, widthMm: number, heightMm: number): { ink: Ink[] }[] {
  const length = (mm: number) => formatLength(mm, system);
  const beside = MARGIN_MM + DRAWING_MM + 8;
  const [first, others] = [sheet.steps[0], sheet.steps.length - 1];
  const pages: { ink: Ink[] }[] = [{ ink: [
    { kind: 'text', at: { x: MARGIN_MM, y: MARGIN_MM + 6 }, text: maker ? `${name}, ${maker.name}` : name, sizeMm: 6, align: 'left' },
    ...drawing(sheet, { x: MARGIN_MM, y: MARGIN_MM + 11 }),
  ] }];
  const flow = { x: beside, y: MARGIN_MM + 11 };
  let under = '';
  const head = (text: string) => {
    pages.at(-1)?.ink.push({ kind: 'text', at: { x: flow.x, y: flow.y + 5.5 }, text, sizeMm: HEAD_MM, align: 'left' });
    flow.y += HEADING_MM;
  };
  const makeRoom = (needMm: number) => {
    const from = flow.x;
    // Below the drawing there is the whole width; at the end of the page, another page.
    if (flow.x > MARGIN_MM && flow.y + needMm > MARGIN_MM + 11 + DRAWING_MM) Object.assign(flow, { x: MARGIN_MM, y: MARGIN_MM + 16 + DRAWING_MM });
    const isFull = flow.y + needMm > heightMm - MARGIN_MM;
    if (isFull) {
      pages.push({ ink: [{ kind: 'text', at: { x: MARGIN_MM, y: MARGIN_MM + 5 }, text: `${name}, more`, sizeMm: HEAD_MM, align: 'left' }] });
      Object.assign(flow, { x: MARGIN_MM, y: MARGIN_MM + 11 });
    }
    // What goes on elsewhere says again what it is.
    if (under !== '' && (isFull || flow.x !== from)) head(`${under}, more`);
  };
  const put = (needMm: number, make: (at: Point) => Ink[]) => {
    makeRoom(needMm);
    pages.at(-1)?.ink.push(...make({ ...flow }));
    flow.y += needMm;
  };
  const heading = (text: string) => {
    under = '';
    // A heading does not stand alone at the foot.
    makeRoom(HEADING_MM + ROW_MM);
    head(text);
    under = text;
  };
  const line = (text: string) => {
    // Of where it would stand: below the drawing there is more room.
    const highMm = linesOf(text, TEXT_MM, widthMm - MARGIN_MM - flow.x).length * LINE_MM;
    put(highMm, (at) => [{ kind: 'paragraph', at: { x: at.x, y: at.y - 1 }, text, sizeMm: TEXT_MM, widthMm: widthMm - MARGIN_MM - at.x, heightMm: highMm }]);
  };
  const swatched = (look: ClothLook | undefined, text: string) => {
    if (!look) return line(text);
    const wideMm = widthMm - MARGIN_MM - flow.x - SWATCH_MM - 3;
    const highMm = Math.max(SWATCH_MM + 1.5, linesOf(text, TEXT_MM, wideMm).length * LINE_MM);
    put(highMm, (at) => [
      { kind: 'swatch', at: { x: at.x, y: at.y }, sideMm: SWATCH_MM, look },
      { kind: 'paragraph', at: { x: at.x + SWATCH_MM + 3, y: at.y - 1 }, text, sizeMm: TEXT_MM, widthMm: widthMm - MARGIN_MM - at.x - SWATCH_MM - 3, heightMm: highMm },
    ]);
  };
  if (maker?.page) {
    const code = maker.page;
    put(CODE_MM + 3, (at) => [
      { kind: 'cells', at, sideMm: CODE_MM, ...code },
      { kind: 'paragraph', at: { x: at.x + CODE_MM + 4, y: at.y - 1 }, text: `${maker.name}’s own page: every step, with pictures. Show it to nobody else.`, sizeMm: TEXT_MM, widthMm: widthMm - MARGIN_MM - at.x - CODE_MM - 4, heightMm: CODE_MM },
    ]);
  }
  heading('In the bag');
  if (maker && maker.choice !== '') line(`As ${maker.name} chose: ${maker.choice}.`);
  for (const { kind, name: paper, count, spares, left, right } of bag.papers) {
    const hands = left + right > 0 ? `; wrap ${left} L and ${right} R` : '';
    const words = `${times(count + spares, paper)}${spares > 0 ? ` (${spares} of them spare)` : ''}${hands}`;
    const highMm = Math.max(ROW_MM, linesOf(words, TEXT_MM, widthMm - MARGIN_MM - flow.x - SHAPE_MM - 3).length * LINE_MM);
    put(highMm, (at) => [
      silhouette(kind.outline, at),
      { kind: 'paragraph', at: { x: at.x + SHAPE_MM + 3, y: at.y - 0.8 }, text: words, sizeMm: TEXT_MM, widthMm: widthMm - MARGIN_MM - at.x - SHAPE_MM - 3, heightMm: highMm },
    ]);
  }
  heading('Cloth');
  for (const { fabric, cuts } of bag.fabrics)
    swatched(looks[fabric], `${fabric}: ${cuts.map(({ count, widthMm: wide, lengthMm, kindName }) => `${count} of ${length(wide)} × ${length(lengthMm)} for ${kindName}`).join('; ')}`);
  for (const { count, kindName, widthMm: wide, lengthMm } of bag.extras) line(`${count} × ${kindName}, ${length(wide)} × ${length(lengthMm)}, for its place in the top`);
  if (inner && inner.units.length > 0) {
    heading('Inner bags');
    for (const { name: unit, copies, lines } of inner.units) line(`${copies} × ${unit}, in each: ${lines.map(sayInnerLine).join('; ')}`);
    if (inner.rest.length > 0) line(`Loose: ${inner.rest.map(sayInnerLine).join('; ')}`);
  }
  heading('First');
  if (first) line(`${firstSentence(first.text)} Then ${counted(others, 'step')}: on your own page, or on the step cards.`);
  if (saved !== '') line(`When it is done, save for later blocks: ${saved}.`);
  line(CAUTION);
  return pages;
} // prettier-ignore

/** The block as it is seen from the front, with the numbers of its patches, where they can be read. */
function drawing({ patches }: BagCardBlock['sheet'], corner: Point): Ink[] {
  const boxes = patches.map(({ outline }) => boxOf(outline));
  const minX = Math.min(...boxes.map((box) => box.minX));
  const minY = Math.min(...boxes.map((box) => box.minY));
  const wide = Math.max(...boxes.map((box) => box.maxX)) - minX;
  const high = Math.max(...boxes.map((box) => box.maxY)) - minY;
  const scale = DRAWING_MM / Math.max(wide, high);
  const at = ({ x, y }: Point): Point => ({ x: corner.x + (x - minX) * scale, y: corner.y + (y - minY) * scale });
  return patches.flatMap(({ outline }, index): Ink[] => {
    const { at: roomy, roomMm } = roomiest(outline);
    const middle = at(roomy);
    const sizeMm = Math.min(2.8, 0.8 * roomMm * scale);
    return [
      { kind: 'outline', outline: { ...outline, corners: outline.corners.map(at) }, strokeMm: 0.2 },
      ...(sizeMm < 1 ? [] : [{ kind: 'text', at: { x: middle.x, y: middle.y + sizeMm * 0.36 }, text: String(index + 1), sizeMm, align: 'centre' } as const]),
    ];
  });
} // prettier-ignore

function silhouette(outline: Outline, corner: Point): Ink {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const scale = SHAPE_MM / Math.max(maxX - minX, maxY - minY);
  const corners = outline.corners.map(({ x, y }) => ({
    x: corner.x + (x - minX) * scale,
    y: corner.y + (y - minY) * scale,
  }));
  return { kind: 'outline', outline: { ...outline, corners }, strokeMm: 0.3 };
}
