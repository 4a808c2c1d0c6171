import { itemAt } from '../lists';
import { packSheets } from '../cutting';
import {
  boxOf,
  moveOutline,
  movePoint,
  narrowestBox,
  roomiest,
  shiftBy,
  type Motion,
  type Outline,
  type Point,
} from '../geometry';
import type { PaperMark } from '../shapes';
import { counted, times } from '../words';
import { PAGE_MM, frame, roomOf, type Ink, type PageSize, type PrintJob, type PrintPage } from './ink';
import { tile } from './tile';

/** Papers to print. */
export interface PaperRun {
  readonly name: string;
  readonly outline: Outline;
  readonly count: number;
  readonly mark?: PaperMark;
  /** Printed on papers of a shape that has hands: the letter lies towards whoever wraps. */
  readonly hand?: 'L' | 'R';
}

export interface PapersOptions {
  readonly title: string;
  readonly size: PageSize;
  /** Distance between papers, mm; 0 lets them share a cut. */
  readonly gapMm?: number;
  /** Whether each paper gets a ring of 6 mm to be punched: for a pin while basting, and to pop the paper out. */
  readonly hasHole?: boolean;
}

export interface PapersJob extends PrintJob {
  /** Of the sheets' area, how much becomes paper: 0 to 1. */
  readonly usedShare: number;
  /** Papers that are larger than a page and are printed in parts. */
  readonly inParts: readonly string[];
}

/** Cutting lines: fine enough to cut on. */
const LINE_MM = 0.2;
/** Radius of the hole, and how far its middle must lie from every side, mm. */
const HOLE_MM = 3;
const HOLE_ROOM_MM = 9;
/** Height of the letter, mm. */
const LETTER_MM = 3.4;

/**
 * Lays papers at true size on pages, nested to waste little, with counts, marks, hands and a check ruler; papers larger
 * than a page come in parts with crosses to match.
 */
export function papersJob(runs: readonly PaperRun[], options: PapersOptions): PapersJob {
  const { title, size, gapMm = 0, hasHole = true } = options;
  const room = roomOf(size);
  const packed = packSheets(runs, room.maxX - room.minX, room.maxY - room.minY, gapMm);
  const nested = new Set(packed.tooLarge);
  const whole = packed.sheets.map((sheet, number): PrintPage => {
    const counts = new Map<number, number>();
    const ink = sheet.flatMap(({ kind, motion }) => {
      counts.set(kind, (counts.get(kind) ?? 0) + 1);
      const to: Motion = { ...motion, x: motion.x + room.minX, y: motion.y + room.minY };
      return paperInk(itemAt(runs, kind), to, hasHole);
    });
    const said = [...counts].map(([kind, count]) => times(count, itemAt(runs, kind).name)).join(', ');
    return {
      ink: [...frame(size, `${title}: ${said}`, `sheet ${number + 1} of ${packed.sheets.length}`), ...ink],
    };
  });
  const parts = [...nested].flatMap((kind) => {
    const run = itemAt(runs, kind);
    // Laid along the page, so that as few pages as can be are needed.
    const upright = turnedUpright(run.outline);
    const ink = paperInk({ ...run, outline: upright }, shiftBy(0, 0), hasHole);
    return tile(`${title}: ${run.name}, print ${counted(run.count, 'time')}`, ink, boxOf(upright), size)
      .pages;
  });
  const [widthMm, heightMm] = PAGE_MM[size];
  return {
    title,
    widthMm,
    heightMm,
    pages: [...whole, ...parts],
    usedShare: packed.usedShare,
    inParts: [...nested].map((kind) => runs[kind]?.name ?? ''),
  };
}

function turnedUpright(outline: Outline): Outline {
  const { angle } = narrowestBox(outline);
  const turn = Math.PI / 2 - angle;
  return moveOutline({ isReflection: false, cos: Math.cos(turn), sin: Math.sin(turn), x: 0, y: 0 }, outline);
}

function paperInk(run: PaperRun, to: Motion, hasHole: boolean): Ink[] {
  const outline = moveOutline(to, run.outline);
  const { at: roomy, roomMm } = roomiest(run.outline);
  const middle = movePoint(to, roomy);
  const ink: Ink[] = [{ kind: 'outline', outline, strokeMm: LINE_MM }];
  const isPunched = hasHole && roomMm > HOLE_ROOM_MM;
  if (isPunched) ink.push({ kind: 'dot', at: middle, radiusMm: HOLE_MM, isFilled: false });
  if (run.hand && roomMm > LETTER_MM) {
    const at = { x: middle.x, y: middle.y + (isPunched ? HOLE_MM + LETTER_MM : LETTER_MM / 2) };
    ink.push({ kind: 'text', at, text: run.hand, sizeMm: LETTER_MM, align: 'centre' });
  }
  return [...ink, ...(run.mark ? markInk(run.mark, outline, middle) : [])];
}

/** A mark beside the first corner, inside the paper: lines or dots across the way from the corner to the middle. */
export function markInk(mark: PaperMark, outline: Outline, middle: Point): Ink[] {
  const corner = itemAt(outline.corners, 0);
  const way = Math.hypot(middle.x - corner.x, middle.y - corner.y) || 1;
  const along = { x: (middle.x - corner.x) / way, y: (middle.y - corner.y) / way };
  const across = { x: -along.y, y: along.x };
  const count = mark.startsWith('two') ? 2 : 1;
  const share = [0.42, 0.58];
  return Array.from({ length: count }, (_, i): Ink => {
    const at = {
      x: corner.x + along.x * way * itemAt(share, i),
      y: corner.y + along.y * way * itemAt(share, i),
    };
    const reach = Math.min(3, way * 0.2);
    if (mark.includes('dot')) return { kind: 'dot', at, radiusMm: Math.min(1.1, reach), isFilled: true };
    const [from, to] = mark.includes('stripe') ? [-reach, reach] : [0, reach];
    const tip = mark.includes('stripe') ? 0 : reach;
    return {
      kind: 'line',
      from: { x: at.x + across.x * from, y: at.y + across.y * from },
      to: { x: at.x + across.x * to + along.x * tip, y: at.y + across.y * to + along.y * tip },
      strokeMm: 0.7,
    };
  });
}
