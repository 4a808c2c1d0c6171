import { FillRule, areaPathsD, intersectD } from 'clipper2-ts';
import { itemAt } from '../lists';
import { narrowestBox, type Point } from '../geometry';
import type { UnitSystem } from '../length';
import { chanceFrom } from '../chance';
import { fillPiece } from './fillPiece';
import { firstLayout } from './firstLayouts';
import { groundOf } from './ground';
import { lengthOf, type Ground, type Laid } from './layout';
import { looser } from './looser';
import { polygonArea, type PieceKind, type Turns } from './pieces';
import { press } from './press';
import { lengthByStrips } from './strips';

/** Cloth to cut from. Mm; x from selvedge to selvedge, y along them. */
export interface NestCloth {
  readonly width: number;
  /** Infinity for a roll. */
  readonly length: number;
  /** Cannot be used, at either side. */
  readonly selvedge: number;
  readonly turns: Turns;
  /** Areas that are cut out already or flawed. */
  readonly used: readonly (readonly Point[])[];
}

/** A piece in its place: a point p of its outline lies at R(turn)·p + (x, y), R turning clockwise on screen. */
export interface PlacedPiece {
  readonly kind: number;
  readonly turnDeg: number;
  readonly x: number;
  readonly y: number;
}

export interface Nested {
  readonly placed: readonly PlacedPiece[];
  /** How many of each kind found no place. */
  readonly left: readonly number[];
  /** How far down the pieces reach, mm. */
  readonly lengthMm: number;
  /** Area of the pieces as a share of the usable cloth above `lengthMm` that was not used before. */
  readonly density: number;
  /** No layout of all pieces is shorter, mm: their area, the lowest pose of each. */
  readonly boundLengthMm: number;
  /** What all pieces take by strips, mm; undefined where one does not go across. */
  readonly stripsLengthMm: number | undefined;
}

export interface NestOptions {
  readonly seed?: number;
  /** Share of the time that is spent, asked often: from 1 on the search ends with the best so far. A first layout is always finished. */
  readonly spent: () => number;
  readonly onBetter?: (nested: Nested) => void;
  /** Grid to which strips are rounded up. */
  readonly system?: UnitSystem;
}

/**
 * Lays cut pieces on cloth: on a roll all of them, as short as can be found; on a piece of given length as many as can be found,
 * earlier kinds before later ones. Pieces are turned as the cloth allows, never turned over, and lie nowhere on each other or on
 * used areas.
 *
 * A first layout by lattices and by bottom-left filling is pressed together until the search is over. Pieces that share a cut
 * overlap by less than a ten-thousandth of a millimetre.
 */
export function nest(kinds: readonly PieceKind[], cloth: NestCloth, options: NestOptions): Nested {
  const width = cloth.width - 2 * cloth.selvedge;
  const used = cloth.used.map((area) => area.map(({ x, y }) => ({ x: x - cloth.selvedge, y })));
  const laidBy = kinds.map((kind) => ({ ...kind, polygon: looserWhereItFits(kind.polygon, width) }));
  const ground = groundOf(laidBy, width, cloth.turns, used);
  const sums = sumsOf(kinds, cloth, ground, options.system ?? 'metric');
  const told = (laid: readonly Laid[]) => nestedOf(kinds, ground, cloth.selvedge, laid, sums);
  const { onBetter } = options;
  const search = {
    chance: chanceFrom(options.seed ?? 1),
    spent: options.spent,
    isOver: () => options.spent() >= 1,
    ...(onBetter ? { onBetter: (laid: readonly Laid[]) => onBetter(told(laid)) } : {}),
  };
  if (Number.isFinite(cloth.length))
    return told(fillPiece(laidBy, ground, cloth.length, cloth.turns, search));
  const first = firstLayout(laidBy, ground, cloth.turns, search);
  return told(press(ground, first, sums.bound, search));
}

/** A coarser outline, but not where the last tenths of a millimetre of the cloth's width are wanted. */
function looserWhereItFits(polygon: readonly Point[], width: number): readonly Point[] {
  const { width: least } = narrowestBox({ corners: polygon, bulges: polygon.map(() => 0) });
  return least > width - 2 ? polygon : looser(polygon);
}

interface Sums {
  readonly bound: number;
  readonly strips: number | undefined;
  readonly usedAbove: (length: number) => number;
}

function sumsOf(kinds: readonly PieceKind[], cloth: NestCloth, ground: Ground, system: UnitSystem): Sums {
  const area = kinds.reduce((sum, { polygon, count }) => sum + count * polygonArea(polygon), 0);
  const lowest = Math.max(0, ...kinds.flatMap(({ count, polygon }, kind) => count === 0 ? [] : [lowestOf(ground, kind, polygon, cloth.turns)]));
  const usedAbove = usedIn(cloth);
  // What is used takes room as well: the shortest stretch with so much left.
  let [short, long] = [area / ground.width, (area + usedAbove(Infinity)) / ground.width];
  for (let round = 0; round < 60 && long - short > 1e-6; round++) {
    const middle = (short + long) / 2;
    if (middle * ground.width - usedAbove(middle) >= area) long = middle;
    else short = middle;
  }
  return {
    bound: Math.max(short, lowest),
    strips: lengthByStrips(kinds, { all: ground.poses, ofKind: ground.posesOf }, ground.width, system),
    usedAbove,
  };
} // prettier-ignore

/** Least height in which a kind can lie: with any turn the width of its narrowest box, which has a side of the hull along it. */
function lowestOf({ poses, posesOf }: Ground, kind: number, polygon: readonly Point[], turns: Turns): number {
  if (turns === 'any') return narrowestBox({ corners: polygon, bulges: polygon.map(() => 0) }).width;
  return Math.min(...itemAt(posesOf, kind).map((pose) => itemAt(poses, pose).height));
}

/** Area used above a length, mm², by the clipper, so that areas lying on each other count once. */
function usedIn({ used, width, selvedge }: NestCloth): (length: number) => number {
  if (used.length === 0) return () => 0;
  const paths = used.map((area) => [...area]);
  const most = Math.max(...used.flat().map(({ y }) => y)) + 1;
  return (length) => {
    const low = Math.min(length, most);
    const window = [{ x: selvedge, y: 0 }, { x: width - selvedge, y: 0 }, { x: width - selvedge, y: low }, { x: selvedge, y: low }]; // prettier-ignore
    return low <= 0 ? 0 : Math.abs(areaPathsD(intersectD(paths, [window], FillRule.NonZero, 3)));
  };
}

function nestedOf(
  kinds: readonly PieceKind[],
  ground: Ground,
  selvedge: number,
  laid: readonly Laid[],
  { bound, strips, usedAbove }: Sums,
): Nested {
  const placed = laid.map(({ pose, x, y }): PlacedPiece => {
    const { kind, turnDeg, originX, originY } = itemAt(ground.poses, pose);
    return { kind, turnDeg, x: x + originX + selvedge, y: y + originY };
  });
  const counts = kinds.map((_, kind) => placed.filter((one) => one.kind === kind).length);
  const lengthMm = lengthOf(ground, laid);
  const area = kinds.reduce((sum, { polygon }, kind) => sum + itemAt(counts, kind) * polygonArea(polygon), 0);
  const cloth = lengthMm * ground.width - usedAbove(lengthMm);
  return {
    placed,
    left: kinds.map(({ count }, kind) => count - itemAt(counts, kind)),
    lengthMm,
    density: cloth > 0 ? area / cloth : 0,
    boundLengthMm: bound,
    stripsLengthMm: strips,
  };
}
