import type { Box, Point } from '../geometry';
import { frame, roomOf, type Ink, type PageSize, type PrintJob, type PrintPage } from './ink';

/** Neighbouring pages show this much of the same, so that they can be laid on each other, mm. */
export const TILE_OVERLAP_MM = 10;

/**
 * Spreads a drawing over as many pages as it needs, with crosses by which they are matched. A drawing that fits is
 * put in the middle of one page.
 * @param box what the drawing covers, mm
 */
export function tile(title: string, ink: readonly Ink[], box: Box, size: PageSize): PrintJob {
  const room = roomOf(size);
  const [width, height] = [room.maxX - room.minX, room.maxY - room.minY];
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const count = (length: number, space: number) =>
    length <= space ? 1 : Math.ceil((length - TILE_OVERLAP_MM) / (space - TILE_OVERLAP_MM));
  const [columns, rows] = [count(w, width), count(h, height)];
  const pages: PrintPage[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const from = {
        x: columns === 1 ? box.minX - (width - w) / 2 : box.minX + column * (width - TILE_OVERLAP_MM),
        y: rows === 1 ? box.minY : box.minY + row * (height - TILE_OVERLAP_MM),
      };
      const shift = (point: Point): Point => ({
        x: point.x - from.x + room.minX,
        y: point.y - from.y + room.minY,
      });
      const name = columns * rows === 1 ? '' : `row ${row + 1} of ${rows}, page ${column + 1} of ${columns}`;
      pages.push({
        ink: [
          ...frame(size, title, name),
          ...(columns * rows === 1 ? [] : matchMarks(room, row, column, rows, columns)),
        ],
        windowed: { window: room, ink: ink.map((one) => moveInk(one, shift)) },
      });
    }
  }
  const [pageWidth, pageHeight] = size === 'A4' ? [210, 297] : [215.9, 279.4];
  return { title, widthMm: pageWidth, heightMm: pageHeight, pages };
}

/** The same thing elsewhere on the page. */
export function moveInk(ink: Ink, shift: (point: Point) => Point): Ink {
  switch (ink.kind) {
    case 'outline':
      return { ...ink, outline: { ...ink.outline, corners: ink.outline.corners.map(shift) } };
    case 'line':
      return { ...ink, from: shift(ink.from), to: shift(ink.to) };
    default:
      return { ...ink, at: shift(ink.at) };
  }
}

/** Crosses in the middle of the strip that two pages share: lay cross on cross. */
function matchMarks(room: Box, row: number, column: number, rows: number, columns: number): Ink[] {
  const half = TILE_OVERLAP_MM / 2;
  const xs = [...(column > 0 ? [room.minX + half] : []), ...(column < columns - 1 ? [room.maxX - half] : [])];
  const ys = [...(row > 0 ? [room.minY + half] : []), ...(row < rows - 1 ? [room.maxY - half] : [])];
  const places: Point[] = [
    ...xs.flatMap((x) =>
      [0.25, 0.75].map((share) => ({ x, y: room.minY + (room.maxY - room.minY) * share })),
    ),
    ...ys.flatMap((y) =>
      [0.25, 0.75].map((share) => ({ x: room.minX + (room.maxX - room.minX) * share, y })),
    ),
  ];
  return places.flatMap(({ x, y }): Ink[] => [
    { kind: 'line', from: { x: x - 3, y }, to: { x: x + 3, y }, strokeMm: 0.25 },
    { kind: 'line', from: { x, y: y - 3 }, to: { x, y: y + 3 }, strokeMm: 0.25 },
    { kind: 'dot', at: { x, y }, radiusMm: 1.5, isFilled: false },
  ]);
}
