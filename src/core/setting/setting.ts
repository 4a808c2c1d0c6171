import { itemAt } from '../lists';
import { InvalidInputError } from '../errors';

/** How the blocks of a project are joined into its top. Lengths in mm, finished. */
export interface Setting {
  /** Even rows; or every second row set off by half a block, with half blocks at both sides. */
  readonly layout: 'grid' | 'offset';
  readonly columns: number;
  readonly rows: number;
  /** Size that each block takes up in the top. */
  readonly cellWidthMm: number;
  readonly cellHeightMm: number;
  readonly joint: 'sashing' | 'edge-to-edge';
  readonly sashMm: number;
  readonly hasCornerstones: boolean;
  readonly borderMm: number;
  /** Block in each cell, row by row; null where there is none yet. */
  readonly places: readonly (string | null)[];
  /** Blocks in the order in which they are made; blocks that are missing come after, by their place. */
  readonly making: readonly string[];
  /** Who gets a strip between two blocks: the one made first, or the one made later. */
  readonly school: 'first' | 'later';
}

/** One place of the top. */
export interface Cell {
  readonly row: number;
  /** Which half of a block fits here, in an offset row's ends. */
  readonly half?: 'left' | 'right';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A strip of sashing or a cornerstone, with the cells that it touches. */
export interface Strip {
  readonly id: string;
  readonly kind: 'horizontal' | 'vertical' | 'cornerstone';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly touches: readonly number[];
}

/** The top worked out: everything in its place, mm from the top left corner. */
export interface TopLayout {
  readonly cells: readonly Cell[];
  readonly strips: readonly Strip[];
  readonly widthMm: number;
  readonly heightMm: number;
}

const LEAST_CELL_MM = 20;
const MOST_CELL_MM = 2000;

/** @throws InvalidInputError `setting`, naming the figure */
export function checkSetting(setting: Setting): void {
  const { columns, rows, cellWidthMm, cellHeightMm, sashMm, borderMm, joint } = setting;
  const fail = (name: string, message: string, mend: string): never => {
    throw new InvalidInputError('setting', message, mend, { name });
  };
  const isCount = (count: number) => Number.isInteger(count) && count >= 1 && count <= 30;
  if (!isCount(columns))
    fail('columns', `${columns} is no number of columns.`, 'Give a whole number from 1 to 30.');
  if (!isCount(rows)) fail('rows', `${rows} is no number of rows.`, 'Give a whole number from 1 to 30.');
  if (setting.layout === 'offset' && columns < 2)
    fail('columns', 'One column cannot be set off by half a block.', 'Give two or more, or an even grid.');
  for (const [name, size] of [
    ['cellWidthMm', cellWidthMm],
    ['cellHeightMm', cellHeightMm],
  ] as const)
    if (!(size >= LEAST_CELL_MM && size <= MOST_CELL_MM))
      fail(
        name,
        `A block ${size} mm wide or high cannot be set.`,
        `Give from ${LEAST_CELL_MM} mm to ${MOST_CELL_MM} mm.`,
      );
  if (joint === 'sashing' && !(sashMm >= 5 && sashMm <= 500))
    fail(
      'sashMm',
      `Sashing ${sashMm} mm wide cannot be sewn.`,
      'Give from 5 mm to 500 mm, or set edge to edge.',
    );
  if (!(borderMm >= 0 && borderMm <= 1000))
    fail('borderMm', `A border of ${borderMm} mm is impossible.`, 'Give from 0 to 1000 mm.');
}

/**
 * Works out where cells, strips and cornerstones lie. In an even grid with sashing there are (rows + 1) × columns
 * level strips, rows × (columns + 1) upright ones and (rows + 1) × (columns + 1) cornerstones (without cornerstones the
 * level strips run across); offset rows are parted by strips that run right across.
 */
export function layOutTop(setting: Setting): TopLayout {
  checkSetting(setting);
  const { columns, rows, cellWidthMm: w, cellHeightMm: h, borderMm } = setting;
  const s = setting.joint === 'sashing' ? setting.sashMm : 0;
  const isOffset = setting.layout === 'offset';
  const width = columns * w + (columns + 1) * s;
  const cells: Cell[] = [];
  const rowCells: number[][] = [];
  for (let row = 0; row < rows; row++) {
    const own: number[] = [];
    const y = borderMm + s + row * (h + s);
    const add = (x: number, cellWidth: number, half?: 'left' | 'right') => {
      own.push(cells.length);
      cells.push({ row, x: borderMm + x, y, width: cellWidth, height: h, ...(half ? { half } : {}) });
    };
    if (isOffset && row % 2 === 1) {
      // Two halves and the columns between them take up what the whole ones do, less half a strip each.
      const half = (width - 2 * s - (columns - 1) * w - columns * s) / 2;
      add(s, half, 'right');
      for (let i = 0; i < columns - 1; i++) add(s + half + s + i * (w + s), w);
      add(width - s - half, half, 'left');
    } else for (let i = 0; i < columns; i++) add(s + i * (w + s), w);
    rowCells.push(own);
  }
  const strips =
    s === 0 ? [] : isOffset ? offsetStrips(setting, cells, rowCells, width) : gridStrips(setting, rowCells);
  return { cells, strips, widthMm: width + 2 * borderMm, heightMm: rows * h + (rows + 1) * s + 2 * borderMm };
}

function gridStrips(setting: Setting, rowCells: readonly (readonly number[])[]): Strip[] {
  const { columns, rows, cellWidthMm: w, cellHeightMm: h, sashMm: s, borderMm: b } = setting;
  const cell = (row: number, column: number) => rowCells[row]?.[column];
  const known = (...list: (number | undefined)[]) => list.filter((one) => one !== undefined);
  const strips: Strip[] = [];
  for (let row = 0; row <= rows; row++) {
    const y = b + row * (h + s);
    if (!setting.hasCornerstones) {
      const touches = [...(rowCells[row - 1] ?? []), ...(rowCells[row] ?? [])];
      strips.push({
        id: `h${row}`,
        kind: 'horizontal',
        x: b,
        y,
        width: columns * w + (columns + 1) * s,
        height: s,
        touches,
      });
      continue;
    }
    for (let column = 0; column <= columns; column++) {
      const x = b + column * (w + s);
      const corner = known(
        cell(row - 1, column - 1),
        cell(row - 1, column),
        cell(row, column - 1),
        cell(row, column),
      );
      strips.push({
        id: `c${row}-${column}`,
        kind: 'cornerstone',
        x,
        y,
        width: s,
        height: s,
        touches: corner,
      });
      if (column < columns)
        strips.push({
          id: `h${row}-${column}`,
          kind: 'horizontal',
          x: x + s,
          y,
          width: w,
          height: s,
          touches: known(cell(row - 1, column), cell(row, column)),
        });
    }
  }
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column <= columns; column++) {
      const touches = known(cell(row, column - 1), cell(row, column));
      strips.push({
        id: `v${row}-${column}`,
        kind: 'vertical',
        x: b + column * (w + s),
        y: b + s + row * (h + s),
        width: s,
        height: h,
        touches,
      });
    }
  }
  return strips;
}

function offsetStrips(
  setting: Setting,
  cells: readonly Cell[],
  rowCells: readonly (readonly number[])[],
  width: number,
): Strip[] {
  const { rows, cellHeightMm: h, sashMm: s, borderMm: b } = setting;
  const strips: Strip[] = [];
  for (let row = 0; row <= rows; row++) {
    const touches = [...(rowCells[row - 1] ?? []), ...(rowCells[row] ?? [])];
    strips.push({ id: `h${row}`, kind: 'horizontal', x: b, y: b + row * (h + s), width, height: s, touches });
  }
  rowCells.forEach((own, row) => {
    const ends = [...own.map((index) => itemAt(cells, index).x - s), b + width - s];
    ends.forEach((x, i) => {
      const touches = [own[i - 1], own[i]].filter((one) => one !== undefined);
      strips.push({
        id: `v${row}-${i}`,
        kind: 'vertical',
        x,
        y: b + s + row * (h + s),
        width: s,
        height: h,
        touches,
      });
    });
  });
  return strips;
}

/** A setting to begin with, for blocks of some sizes. */
export function defaultSetting(
  blocks: readonly { id: string; widthMm: number; heightMm: number }[],
  columns: number,
  stepMm: number,
): Setting {
  const largest = Math.max(stepMm * 6, ...blocks.map(({ widthMm, heightMm }) => Math.max(widthMm, heightMm)));
  const cell = Math.ceil((largest - 0.01) / (stepMm / 2)) * (stepMm / 2);
  const rows = Math.max(1, Math.ceil(blocks.length / columns));
  return {
    layout: 'grid',
    columns,
    rows,
    cellWidthMm: cell,
    cellHeightMm: cell,
    joint: 'sashing',
    sashMm: stepMm * 1.5,
    hasCornerstones: true,
    borderMm: 0,
    places: Array.from({ length: columns * rows }, (_, i) => blocks[i]?.id ?? null),
    making: blocks.map(({ id }) => id),
    school: 'first',
  };
}
