import { SHELF_LIMITS, readPieces, type ShelfCloth } from '../cloth';
import type { ClothPiece } from '../cutting';
import { boltUnit, parseLength, type UnitSystem } from '../length';
import type { Turns } from '../nesting';
import { csvText } from './csvText';
import { plainCell, readTable, refuseTable, type CellFault } from './readTable';

/** A cloth of a project by its name. */
type NamedCloth = ShelfCloth & { readonly name: string };

/** Columns of a shelf in their order; a file may have them in any order and leave some out. */
const COLUMNS = ['cloth', 'width mm', 'selvedge mm', 'pieces lie', 'repeat across mm', 'repeat along mm', 'columns', 'in stock', 'price', 'frays', 'pieces mm'] as const; // prettier-ignore
type Column = (typeof COLUMNS)[number];

const TURNS: Readonly<Record<Turns, string>> = { any: 'any way', half: 'half turns', none: 'one way' };
const [STRAIGHT, HALF_DROP] = ['side by side', 'half drop'];
const [YES, NO, NONE] = ['yes', 'no', 'none'];

const unitOf = (system: UnitSystem) => (system === 'inch' ? 'yd' : 'm');
const round = (value: number) => String(Math.round(value * 1000) / 1000);

/** The shelf for a spreadsheet: lengths in mm, stock and price in the yards or metres that the cloth is sold by. */
export function shelfCsv(shelf: readonly NamedCloth[], system: UnitSystem): string {
  const unit = boltUnit(system);
  const head = COLUMNS.map((name) => (name === 'in stock' || name === 'price' ? `${name}, ${unitOf(system)}` : name)); // prettier-ignore
  const rows = shelf.map((cloth) => [
    cloth.name,
    round(cloth.widthMm),
    round(cloth.selvedgeMm),
    TURNS[cloth.turns],
    round(cloth.repeatWidthMm),
    round(cloth.repeatHeightMm),
    cloth.isHalfDrop ? HALF_DROP : STRAIGHT,
    round(cloth.stockMm / unit),
    round((cloth.pricePerMetre * unit) / 1000),
    cloth.frays ? YES : NO,
    cloth.pieces.map(({ widthMm, lengthMm }) => `${round(widthMm)} × ${round(lengthMm)}`).join('; ') || NONE,
  ]);
  return csvText([head, ...rows]);
}

/** What a file would make of a shelf. */
export interface ReadShelf<T extends NamedCloth> {
  readonly changed: readonly { readonly before: T; readonly after: T }[];
  /** Names in the file that the project has no cloth of. */
  readonly unknown: readonly string[];
  readonly faults: readonly CellFault[];
}

/**
 * Reads a shelf from a spreadsheet's file: comma, semicolon or tab between cells. A column that is not there, and a cell that is
 * empty, leave things as they are; a row with a fault changes nothing.
 * @throws InvalidInputError `csv` where it is no such table
 */
export function readShelfCsv<T extends NamedCloth>(text: string, shelf: readonly T[], system: UnitSystem): ReadShelf<T> {
  const { columns, rows } = readTable(text);
  const headings = headingsOf(columns);
  if (headings.cloth === undefined)
    refuseTable('The file has no column “cloth”.', `Its first row names the columns: ${COLUMNS.join(', ')}.`);
  const changed = new Map<string, { before: T; after: T }>();
  const [unknown, faults]: [string[], CellFault[]] = [[], []];
  rows.forEach((row, index) => {
    const cell = (column: Column) => plainCell(row[headings[column] ?? '']);
    const name = cell('cloth');
    const before = changed.get(name)?.after ?? shelf.find((cloth) => cloth.name === name);
    if (name === '') return;
    if (!before) {
      unknown.push(name);
      return;
    }
    const { after, wrong } = readRow(before, cell, system);
    faults.push(...wrong.map((fault) => ({ row: index + 2, ...fault })));
    if (wrong.length === 0 && JSON.stringify(after) !== JSON.stringify(before))
      changed.set(name, { before: changed.get(name)?.before ?? before, after });
  });
  return { changed: [...changed.values()], unknown, faults };
} // prettier-ignore

/** Which heading of the file stands for which column: its beginning decides, so that units may follow. */
function headingsOf(columns: readonly string[]): Partial<Record<Column, string>> {
  const found: Partial<Record<Column, string>> = {};
  for (const heading of columns) {
    const own = heading.trim().toLowerCase();
    const column = COLUMNS.find((name) => own.startsWith(name.replace(/ mm$/, '')));
    if (column && found[column] === undefined) found[column] = heading;
  }
  return found;
}

function readRow<T extends NamedCloth>(before: T, cell: (column: Column) => string, system: UnitSystem): { after: T; wrong: Omit<CellFault, 'row'>[] } {
  const wrong: Omit<CellFault, 'row'>[] = [];
  const unit = boltUnit(system);
  const number = (column: Column, key: keyof typeof SHELF_LIMITS, read: (text: string) => number, factor = 1) => {
    const text = cell(column);
    // What was written rounded and not changed since is as it was.
    if (text === '' || text === round(before[key] * factor)) return before[key];
    const { least, most } = SHELF_LIMITS[key];
    const value = read(text);
    if (value >= least && value <= most) return value;
    wrong.push({ column, what: `“${text.slice(0, 40)}” is no figure that can stand here.` });
    return before[key];
  };
  const choice = <V>(column: Column, usual: V, among: readonly (readonly [V, string])[]): V => {
    const text = cell(column).toLowerCase();
    const own = among.find(([, word]) => word === text);
    if (text !== '' && !own) wrong.push({ column, what: `Write one of: ${among.map(([, word]) => word).join(', ')}.` });
    return own && text !== '' ? own[0] : usual;
  };
  const piecesOf = () => {
    const text = cell('pieces mm');
    if (text === '') return before.pieces;
    const read = text === NONE ? [] : readPieces(text, 'mm');
    if (read === undefined) wrong.push({ column: 'pieces mm', what: `“${text.slice(0, 40)}” is no list of pieces: write them like 300 × 500; 200 × 200.` });
    // What was written rounded and not changed since is as it was.
    return read === undefined || JSON.stringify(read) === JSON.stringify(before.pieces.map(roundPiece)) ? before.pieces : read;
  };
  const after: T = {
    ...before,
    widthMm: number('width mm', 'widthMm', readLength),
    selvedgeMm: number('selvedge mm', 'selvedgeMm', readLength),
    turns: choice<Turns>('pieces lie', before.turns, Object.entries(TURNS) as [Turns, string][]),
    repeatWidthMm: number('repeat across mm', 'repeatWidthMm', readLength),
    repeatHeightMm: number('repeat along mm', 'repeatHeightMm', readLength),
    isHalfDrop: choice('columns', before.isHalfDrop, [[false, STRAIGHT], [true, HALF_DROP]]),
    stockMm: number('in stock', 'stockMm', (text) => exactly(readNumber(text) * unit), 1 / unit),
    pricePerMetre: number('price', 'pricePerMetre', (text) => exactly((readNumber(text) * 1000) / unit), unit / 1000),
    frays: choice('frays', before.frays, [[true, YES], [false, NO]]),
    pieces: piecesOf(),
  };
  if (2 * after.selvedgeMm >= after.widthMm) wrong.push({ column: 'selvedge mm', what: 'Two selvedges as wide as this leave nothing of the cloth.' });
  if (after.repeatWidthMm > 0 !== after.repeatHeightMm > 0) wrong.push({ column: 'repeat along mm', what: 'A repeat has both a width and a height, or neither.' });
  return { after, wrong };
} // prettier-ignore

const roundPiece = ({ widthMm, lengthMm }: ClothPiece): ClothPiece => ({ widthMm: Number(round(widthMm)), lengthMm: Number(round(lengthMm)) }); // prettier-ignore

function readLength(text: string): number {
  if (/^0+([.,]0*)?$/.test(text)) return 0;
  try {
    return parseLength(text, 'mm');
  } catch {
    return NaN;
  }
}

/** 2.01 m are 2010 mm, and not a hair less. */
const exactly = (value: number) => Math.round(value * 1e6) / 1e6;

function readNumber(text: string): number {
  const plain = text.replace(',', '.');
  return /^\d{1,7}(\.\d{1,6})?$/.test(plain) ? Number(plain) : NaN;
}
