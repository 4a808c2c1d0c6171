import { itemAt } from '../lists';
import { inflatePathsD, EndType, JoinType } from 'clipper2-ts';
import { moveOutline, toPolygon, turnAbout, type Motion, type Outline, type Point } from '../geometry';
import { clearance, profileOf, type Profile } from './profile';

/** Rows of one shape in a rectangle. */
export interface Lattice {
  /** Where each copy goes, row by row from the top left; the rectangle begins at 0, 0. */
  readonly places: readonly Motion[];
  /** How far down the first `count` places reach, mm. */
  readonly reach: (count: number) => {
    readonly widthMm: number;
    readonly heightMm: number;
    readonly lastRowTopMm: number;
  };
}

/** Curves are taken this much too large at most, mm. */
const SAG_MM = 0.05;
/** Offsets tried for every second row, as parts of the pitch. */
const OFFSETS = 24;
/** Slack that keeps what fits exactly from being left out by rounding, mm. */
const SLACK_MM = 1e-6;

interface Turned {
  readonly angle: number;
  /** Corner of the turned box, to be moved to 0, 0. */
  readonly corner: Point;
  readonly polygon: readonly Point[];
  /** Reaches of the shape as it lies and turned half round, along rows and down from row to row. */
  readonly inRow: Faces;
  readonly down: Faces;
  readonly width: number;
  readonly height: number;
}

interface Faces {
  readonly own: Profile;
  readonly over: Profile;
}

/**
 * Packs copies of a shape into a rectangle by rows: in a row every second copy may be turned half round and each
 * slides up to its neighbour; every second row is shifted and slides up under the one before. For each direction
 * of a side this is a double lattice; the best of all directions is taken (after Kuperberg and Kuperberg, 1990).
 * @param wanted no more copies than this; among layouts that hold them the lowest wins
 * @param gapMm least distance between copies, 0 where they may share a cut
 * Cost: sides × offsets × rows; a few ms for a sheet of hundred.
 */
export function packLattice(
  outline: Outline,
  widthMm: number,
  heightMm: number,
  wanted: number,
  gapMm = 0,
): Lattice {
  let best: { rows: Row[]; turned: Turned; count: number; low: number } | undefined;
  for (const turned of turnings(outline, gapMm)) {
    // A gap is half outside each copy: none is needed along the rim.
    const [width, height] = [widthMm + gapMm, heightMm + gapMm];
    if (turned.width > width + SLACK_MM || turned.height > height + SLACK_MM) continue;
    for (const alternates of [false, true]) {
      const pitch = rowPitch(turned, alternates);
      for (let k = 0; k < OFFSETS; k++) {
        const rows = stack(turned, alternates, pitch, (pitch.both * k) / OFFSETS, width, height, wanted);
        const count = rows.reduce((sum, { cells }) => sum + cells.length, 0);
        const last = rows.at(-1);
        const low = last ? last.top + turned.height : 0;
        if (!best || count > best.count || (count === best.count && low < best.low - SLACK_MM))
          best = { rows, turned, count, low };
        if (rows.length < 2) break;
      }
    }
  }
  return latticeOf(best, gapMm);
}

interface Cell {
  readonly x: number;
  readonly isTurned: boolean;
}
interface Row {
  readonly top: number;
  readonly cells: readonly Cell[];
}

function latticeOf(best: { rows: Row[]; turned: Turned; count: number } | undefined, gapMm: number): Lattice {
  const cells = (best?.rows ?? []).flatMap(({ top, cells: own }) => own.map((cell) => ({ ...cell, top })));
  const turned = best?.turned;
  return {
    places: turned
      ? cells.map(({ x, top, isTurned }) => placeOf(turned, x - gapMm / 2, top - gapMm / 2, isTurned))
      : [],
    reach: (count) => {
      const used = cells.slice(0, count);
      const lastTop = used.at(-1)?.top ?? 0;
      const inLast = used.filter(({ top }) => top === lastTop);
      return {
        heightMm: used.length === 0 ? 0 : lastTop + (turned?.height ?? 0),
        widthMm: Math.max(0, ...inLast.map(({ x }) => x + (turned?.width ?? 0))),
        lastRowTopMm: lastTop,
      };
    },
  };
}

function placeOf(
  { angle, corner, width, height }: Turned,
  x: number,
  top: number,
  isTurned: boolean,
): Motion {
  const turn = turnAbout({ x: 0, y: 0 }, angle + (isTurned ? 180 : 0));
  return isTurned
    ? { ...turn, x: x + width + corner.x, y: top + height + corner.y }
    : { ...turn, x: x - corner.x, y: top - corner.y };
}

/**
 * The shape with each side in turn lying level, and standing, either way up: a row that begins with the other of two
 * copies may hold one more. Turns that give the same polygon count once. Gap added all round by half.
 */
function turnings(outline: Outline, gapMm: number): Turned[] {
  const { corners } = outline;
  const found = new Map<string, Turned>();
  corners.forEach((a, i) => {
    const b = itemAt(corners, (i + 1) % corners.length);
    const level = (-Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
    for (const quarter of [0, 90, 180, 270]) {
      const one = turned(outline, level + quarter, gapMm);
      const key = one.polygon.map(({ x, y }) => `${x.toFixed(3)},${y.toFixed(3)}`).sort().join(' '); // prettier-ignore
      if (!found.has(key)) found.set(key, one);
    }
  });
  return [...found.values()];
}

function turned(outline: Outline, angle: number, gapMm: number): Turned {
  const laid = moveOutline(turnAbout({ x: 0, y: 0 }, angle), outline);
  const isCurved = laid.bulges.some((bulge) => bulge !== 0);
  const raw = toPolygon(laid, SAG_MM);
  const grown = gapMm / 2 + (isCurved ? SAG_MM : 0);
  const swollen = grown === 0 ? raw : swell(raw, grown);
  const xs = swollen.map(({ x }) => x);
  const ys = swollen.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const polygon = swollen.map(({ x, y }) => ({ x: x - left, y: y - top }));
  const over = polygon.map(({ x, y }) => ({ x: width - x, y: height - y }));
  const faces = (axis: 'x' | 'y'): Faces => ({ own: profileOf(polygon, axis), over: profileOf(over, axis) });
  const corner = { x: left, y: top };
  return { angle, corner, polygon, inRow: faces('x'), down: faces('y'), width, height };
}

/** A polygon grown by a distance all round; acute points are cut off at twice it. */
export function swell(polygon: readonly Point[], byMm: number): Point[] {
  const grown = inflatePathsD([[...polygon]], byMm, JoinType.Miter, EndType.Polygon, 2, 4);
  const [widest] = grown.sort((a, b) => b.length - a.length);
  return widest?.map(({ x, y }) => ({ x, y })) ?? [...polygon];
}

interface Pitch {
  /** From a copy to the next, and from that to the one after. */
  readonly first: number;
  readonly both: number;
}

function rowPitch({ inRow: { own, over } }: Turned, alternates: boolean): Pitch {
  const alike = clearance(own, own);
  if (!alternates) return { first: alike, both: 2 * alike };
  const first = clearance(own, over);
  // Slender shapes may reach past their neighbour to the copy after it.
  return { first, both: Math.max(first + clearance(over, own), alike) };
}

function stack(
  shape: Turned,
  alternates: boolean,
  pitch: Pitch,
  offset: number,
  width: number,
  height: number,
  wanted: number,
): Row[] {
  const rows: Row[] = [];
  const cellsFrom = (start: number): Cell[] => {
    const cells: Cell[] = [];
    for (let i = 0; ; i++) {
      const x = start + Math.floor(i / 2) * pitch.both + (i % 2) * pitch.first;
      if (x + shape.width > width + SLACK_MM) return cells;
      cells.push({ x, isTurned: alternates && i % 2 === 1 });
    }
  };
  const [even, odd] = [cellsFrom(0), cellsFrom(offset)];
  if (even.length === 0) return rows;
  const first = rowDrop(shape, even, odd);
  const second = Math.max(
    rowDrop(shape, odd.length > 0 ? odd : even, even),
    // A row may reach past the next one to the row after it.
    rowDrop(shape, even, even) - first,
    odd.length > 0 ? rowDrop(shape, odd, odd) - first : 0,
  );
  const drop = [first, second] as const;
  let [top, left] = [0, wanted];
  for (let i = 0; top + shape.height <= height + SLACK_MM && left > 0; i++) {
    const cells = i % 2 === 0 ? even : odd;
    if (cells.length > 0) {
      rows.push({ top, cells: cells.slice(0, left) });
      left -= Math.min(left, cells.length);
    }
    top += cells.length === 0 ? drop[1] : drop[i % 2 === 0 ? 0 : 1];
    if (rows.length > 2000) break;
  }
  return rows;
}

/** Least distance down from one row to the next: the greatest that any pair of near copies asks for. */
function rowDrop(shape: Turned, upper: readonly Cell[], lower: readonly Cell[]): number {
  const form = ({ isTurned }: Cell) => (isTurned ? shape.down.over : shape.down.own);
  let most = 0;
  // Rows repeat: many pairs lie to each other alike, and one of them speaks for all.
  const seen = new Set<string>();
  for (const cell of upper) {
    for (const other of lower) {
      const shift = other.x - cell.x;
      if (Math.abs(shift) >= shape.width) continue;
      const key = `${cell.isTurned}${other.isTurned}${shift.toFixed(4)}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const need = clearance(form(cell), form(other), shift);
      if (need > most) most = need;
    }
  }
  return most > 0 ? most : shape.height;
}
