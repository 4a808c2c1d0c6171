import { InvalidInputError } from '../errors';
import type { Ink, PrintJob } from './ink';
import { lineHeightMm, linesOf } from './lines';

/** A sheet of labels as it is bought, mm: where the first label begins, how far one lies from the next, how large each is. */
export interface LabelSheet {
  readonly pageWidthMm: number;
  readonly pageHeightMm: number;
  readonly rows: number;
  readonly columns: number;
  readonly labelWidthMm: number;
  readonly labelHeightMm: number;
  readonly leftMm: number;
  readonly topMm: number;
  /** From the left edge of a label to that of the next, and from top to top. */
  readonly pitchXMm: number;
  readonly pitchYMm: number;
}

/** Three by eight on A4 without gaps: changed to whatever lies on the packet. */
export const USUAL_LABELS: LabelSheet = {
  pageWidthMm: 210,
  pageHeightMm: 297,
  rows: 8,
  columns: 3,
  labelWidthMm: 70,
  labelHeightMm: 36,
  leftMm: 0,
  topMm: 4.5,
  pitchXMm: 70,
  pitchYMm: 36,
};

/** How far the figures of a sheet go. */
export const LABEL_LIMITS: Readonly<Record<keyof LabelSheet, { readonly least: number; readonly most: number }>> = {
  pageWidthMm: { least: 50, most: 450 },
  pageHeightMm: { least: 50, most: 450 },
  rows: { least: 1, most: 40 },
  columns: { least: 1, most: 20 },
  labelWidthMm: { least: 25, most: 450 },
  labelHeightMm: { least: 15, most: 450 },
  leftMm: { least: 0, most: 100 },
  topMm: { least: 0, most: 100 },
  pitchXMm: { least: 25, most: 450 },
  pitchYMm: { least: 15, most: 450 },
}; // prettier-ignore

/** A square code: its cells by rows, and which are dark. */
export interface CodeCells {
  readonly cells: number;
  readonly dark: readonly boolean[];
}

/** What stands on one label. */
export interface BagLabel {
  readonly block: string;
  readonly maker: string;
  /** The code in signs, and as a square. */
  readonly code: string;
  readonly square: CodeCells;
  /** What lies in the bag, a line each; as many as there is room for. */
  readonly lines: readonly string[];
}

/** Rounding of figures that are typed, mm. */
const SLACK_MM = 0.05;

/** @throws InvalidInputError `labels` where labels would overlap or leave the page, with the figure as its place */
export function checkLabelSheet(sheet: LabelSheet): LabelSheet {
  const refuse = (name: keyof LabelSheet, what: string, mend: string): never => {
    throw new InvalidInputError('labels', what, mend, { name });
  };
  const { rows, columns, labelWidthMm, labelHeightMm, leftMm, topMm, pitchXMm, pitchYMm, pageWidthMm, pageHeightMm } = sheet;
  if (columns > 1 && pitchXMm < labelWidthMm - SLACK_MM) refuse('pitchXMm', 'Labels lie over each other sideways.', 'From label to label it is at least as far as a label is wide.');
  if (rows > 1 && pitchYMm < labelHeightMm - SLACK_MM) refuse('pitchYMm', 'Labels lie over each other from top to bottom.', 'From label to label it is at least as far as a label is high.');
  if (leftMm + (columns - 1) * pitchXMm + labelWidthMm > pageWidthMm + SLACK_MM) refuse('columns', 'The labels are wider than the page.', 'Look at the columns, the left margin and the pitch.');
  if (topMm + (rows - 1) * pitchYMm + labelHeightMm > pageHeightMm + SLACK_MM) refuse('rows', 'The labels are higher than the page.', 'Look at the rows, the top margin and the pitch.');
  return sheet;
} // prettier-ignore

/** Blank along the edges of a label, mm; the size of its words; the most a square code takes of its height. */
const [PAD_MM, TEXT_MM, SQUARE] = [2.5, 2.6, 0.55];

type Paragraph = Extract<Ink, { kind: 'paragraph' }>;

/**
 * Labels on bought sheets, row by row.
 * @param used labels that are gone from the first sheet: printing begins after them
 * @throws InvalidInputError as {@link checkLabelSheet}
 */
export function labelSheets(title: string, labels: readonly BagLabel[], sheet: LabelSheet, used = 0): PrintJob {
  checkLabelSheet(sheet);
  const perPage = sheet.rows * sheet.columns;
  const pages: { ink: Ink[] }[] = [];
  labels.forEach((label, index) => {
    const place = (used % perPage) + index;
    const page = Math.floor(place / perPage);
    const at = place % perPage;
    const x = sheet.leftMm + (at % sheet.columns) * sheet.pitchXMm;
    const y = sheet.topMm + Math.floor(at / sheet.columns) * sheet.pitchYMm;
    (pages[page] ??= { ink: [] }).ink.push(...labelInk(label, x, y, sheet));
  });
  return { title, widthMm: sheet.pageWidthMm, heightMm: sheet.pageHeightMm, pages };
} // prettier-ignore

function labelInk({ block, maker, code, square, lines }: BagLabel, x: number, y: number, { labelWidthMm, labelHeightMm }: LabelSheet): Ink[] {
  const side = Math.min(labelHeightMm * SQUARE, labelWidthMm / 3, 22);
  const wordsMm = labelWidthMm - side - 3 * PAD_MM;
  const head: Ink[] = [
    { kind: 'paragraph', at: { x: x + PAD_MM, y: y + PAD_MM - 1.4 }, text: block, sizeMm: 3.6, widthMm: wordsMm, heightMm: 6 },
    { kind: 'paragraph', at: { x: x + PAD_MM, y: y + PAD_MM + 4.2 }, text: maker, sizeMm: 3, widthMm: wordsMm, heightMm: 5 },
    { kind: 'text', at: { x: x + labelWidthMm - PAD_MM - side / 2, y: y + PAD_MM + side + 2.6 }, text: code, sizeMm: 2.2, align: 'centre' },
    { kind: 'cells', at: { x: x + labelWidthMm - PAD_MM - side, y: y + PAD_MM }, sideMm: side, ...square },
  ];
  const lineMm = lineHeightMm(TEXT_MM);
  const from = y + PAD_MM + 11.6;
  const bottom = y + labelHeightMm - PAD_MM;
  /** Lines below each other, each with as many rows as its words take, as far as there is room. */
  const placed = (texts: readonly string[]): Paragraph[] => {
    let top = from;
    return texts.flatMap((text) => {
      // Beside the square there is less room than below it.
      const widthMm = top < y + PAD_MM + side + 4 ? wordsMm : labelWidthMm - 2 * PAD_MM;
      const heightMm = linesOf(text, TEXT_MM, widthMm).length * lineMm;
      const at = { x: x + PAD_MM, y: top - TEXT_MM };
      top += heightMm;
      return top > bottom + SLACK_MM ? [] : [{ kind: 'paragraph', at, text, sizeMm: TEXT_MM, widthMm, heightMm: heightMm + SLACK_MM }];
    });
  };
  // What is left out is counted: as many lines go as leave room to say how many more there are.
  for (let shown = lines.length; shown >= 0; shown--) {
    const all = shown === lines.length ? lines : [...lines.slice(0, shown), `and ${lines.length - shown} more`];
    const words = placed(all);
    if (words.length === all.length) return [...head, ...words];
  }
  return head;
} // prettier-ignore
