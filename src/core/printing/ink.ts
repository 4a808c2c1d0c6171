import type { ClothLook } from '../cloth';
import type { Box, Outline, Point } from '../geometry';
import { linesOf } from './lines';

/** One thing drawn on a printed page, at true size: mm from the top left corner, y down. */
export type Ink =
  | {
      readonly kind: 'outline';
      readonly outline: Outline;
      readonly strokeMm: number;
      readonly dashMm?: readonly [number, number];
      readonly isGrey?: boolean;
    }
  | {
      readonly kind: 'line';
      readonly from: Point;
      readonly to: Point;
      readonly strokeMm: number;
      readonly dashMm?: readonly [number, number];
      readonly isGrey?: boolean;
    }
  /** A square of cells by rows, the dark ones filled: a code for cameras. */
  | {
      readonly kind: 'cells';
      readonly at: Point;
      readonly sideMm: number;
      readonly cells: number;
      readonly dark: readonly boolean[];
    }
  /** A square of cloth with its figure, `at` its upper left corner. */
  | { readonly kind: 'swatch'; readonly at: Point; readonly sideMm: number; readonly look: ClothLook }
  | { readonly kind: 'dot'; readonly at: Point; readonly radiusMm: number; readonly isFilled: boolean }
  | {
      readonly kind: 'text';
      readonly at: Point;
      readonly text: string;
      /** Height of the letters' body, mm; `at` is on the base line. */
      readonly sizeMm: number;
      readonly align: 'left' | 'centre' | 'right';
      readonly turnDeg?: number;
    }
  /** Words that are broken into lines; what does not fit ends with an ellipsis. */
  | {
      readonly kind: 'paragraph';
      readonly at: Point;
      readonly text: string;
      readonly sizeMm: number;
      readonly widthMm: number;
      readonly heightMm: number;
    };

/** A page to print at 100 %. What lies outside `window`, where given, is cut off. */
export interface PrintPage {
  readonly ink: readonly Ink[];
  readonly windowed?: { readonly window: Box; readonly ink: readonly Ink[] };
}

/** Pages of one size, with the name of the whole. */
export interface PrintJob {
  readonly title: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly pages: readonly PrintPage[];
}

export type PageSize = 'A4' | 'Letter';

export const PAGE_MM: Readonly<Record<PageSize, readonly [number, number]>> = {
  A4: [210, 297],
  Letter: [215.9, 279.4],
};

/** Printers leave this much blank along every edge, mm. */
export const MARGIN_MM = 10;
/** Height kept for the line above and for the check ruler below, mm. */
const HEAD_MM = 9;
const RULER_MM = 15;

/** What a page leaves for its subject, mm from its corner. */
export function roomOf(size: PageSize): Box {
  const [width, height] = PAGE_MM[size];
  return {
    minX: MARGIN_MM,
    minY: MARGIN_MM + HEAD_MM,
    maxX: width - MARGIN_MM,
    maxY: height - MARGIN_MM - RULER_MM,
  };
}

/** Height of the letters of the line above, of two lines where it is long, and the width of what stands at its right, mm. */
const [HEAD_TEXT_MM, SMALL_HEAD_MM, PAGE_NAME_MM] = [3.6, 2.6, 45];

/** The line above and the ruler below, by which one sees that the printer did not scale. */
export function frame(size: PageSize, head: string, page: string): Ink[] {
  const [width, height] = PAGE_MM[size];
  const widthMm = width - 2 * MARGIN_MM - PAGE_NAME_MM;
  const isShort = linesOf(head, HEAD_TEXT_MM, widthMm).length === 1;
  const at = { x: MARGIN_MM, y: MARGIN_MM + (isShort ? 4 : -1) };
  return [
    isShort
      ? { kind: 'text', at, text: head, sizeMm: HEAD_TEXT_MM, align: 'left' }
      : { kind: 'paragraph', at, text: head, sizeMm: SMALL_HEAD_MM, widthMm, heightMm: HEAD_MM },
    { kind: 'text', at: { x: width - MARGIN_MM, y: MARGIN_MM + 4 }, text: page, sizeMm: 3.6, align: 'right' },
    ...checkRuler(MARGIN_MM, height - MARGIN_MM - 6),
  ];
}

function checkRuler(x: number, y: number): Ink[] {
  const rule = (from: number, count: number, stepMm: number, tallEvery: number): Ink[] => [
    { kind: 'line', from: { x: from, y }, to: { x: from + count * stepMm, y }, strokeMm: 0.2 },
    ...Array.from({ length: count + 1 }, (_, i): Ink => {
      const at = from + i * stepMm;
      const tall = i % tallEvery === 0 ? 3.2 : 1.6;
      return { kind: 'line', from: { x: at, y }, to: { x: at, y: y - tall }, strokeMm: 0.2 };
    }),
  ];
  const second = x + 62;
  return [
    ...rule(x, 10, 5, 2),
    { kind: 'text', at: { x, y: y + 4 }, text: '50 mm', sizeMm: 3, align: 'left' },
    ...rule(second, 16, 25.4 / 8, 8),
    { kind: 'text', at: { x: second, y: y + 4 }, text: '2″', sizeMm: 3, align: 'left' },
    {
      kind: 'text',
      at: { x: second + 58, y: y + 0.4 },
      text: 'Print at 100 %. Measure both before you cut.',
      sizeMm: 3,
      align: 'left',
    },
  ];
}
