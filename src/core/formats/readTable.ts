import { dsvFormat } from 'd3-dsv';
import { InvalidInputError } from '../errors';

/** Rows and letters of a file that is read. */
export const MOST_ROWS = 2000;
const MOST_LETTERS = 1_000_000;

/** A cell that cannot be read, where it stands (the head is row 1) and how it is mended. */
export interface CellFault {
  readonly row: number;
  readonly column: string;
  readonly what: string;
}

/** A table from a spreadsheet: its headings, and rows of cells by heading. */
export interface Table {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string | undefined>>[];
}

/** Reads a spreadsheet’s file: comma, semicolon or tab between cells. @throws InvalidInputError `csv` where it is empty or too large */
export function readTable(text: string): Table {
  if (text.length > MOST_LETTERS) refuseTable('The file is too large.', `Keep it below ${MOST_ROWS} rows.`);
  const plain = text.replace(/^\uFEFF/, '');
  if (plain.trim() === '')
    refuseTable('The file is empty.', 'Save the list as CSV, its headings in the first row.');
  const rows = dsvFormat(delimiterOf(plain)).parse(plain);
  if (rows.length > MOST_ROWS) refuseTable(`The file has ${rows.length} rows.`, `Keep it below ${MOST_ROWS}.`); // prettier-ignore
  return { columns: rows.columns, rows };
}

/** @throws InvalidInputError `csv` */
export function refuseTable(what: string, mend: string): never {
  throw new InvalidInputError('csv', what, mend);
}

/** What stands most often in the first row between the cells. */
function delimiterOf(text: string): string {
  const [head = ''] = text.split(/\r?\n/, 1);
  const count = (mark: string) => head.split(mark).length;
  return [',', ';', '\t'].reduce((most, mark) => (count(mark) > count(most) ? mark : most));
}

/** A cell without what a spreadsheet adds: an apostrophe keeps it from taking the cell for a formula. */
export const plainCell = (cell: string | undefined): string =>
  (cell ?? '').trim().replace(/^'(?=[=+\-@])/, '');
