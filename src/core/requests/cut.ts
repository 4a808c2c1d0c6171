import { nest, type NestCloth, type NestOptions, type Nested, type PieceKind, type Turns } from '../nesting';
import { FAR_MM, polygonAt } from './outlineAt';
import { checkDistinct, listAt, numberAt, recordAt, refuse, requestOf, textAt, wordAt } from './read';

const TURNS: readonly Turns[] = ['any', 'half', 'none'];

/** Limits of one request. */
const MOST_KINDS = 500;
const MOST_PIECES = 10_000;
const MOST_USED = 200;

export interface CutRequest {
  readonly kinds: readonly PieceKind[];
  readonly cloth: NestCloth;
}

/** Reads a `kevlo.cut-request/1`. @throws InvalidInputError `request` */
export function readCutRequest(text: string): CutRequest {
  const request = requestOf(text, 'kevlo.cut-request/1');
  wordAt(request.unit ?? 'mm', 'unit', ['mm']);
  const cloth = readCloth(request.cloth);
  const kinds = listAt(request.pieces, 'pieces', MOST_KINDS).map((value, index) => readPiece(value, `pieces[${index}]`));
  if (kinds.length === 0) refuse('pieces', 'there is nothing to cut.', 'List at least one piece.');
  checkDistinct(kinds.map(({ id }) => id), 'pieces');
  const count = kinds.reduce((sum, { count: own }) => sum + own, 0);
  if (count > MOST_PIECES)
    refuse('pieces', `${count} pieces are more than ${MOST_PIECES}.`, 'Cut them in several requests: one for each bag, or each drop.');
  if (!Number.isFinite(cloth.length)) checkAcross(kinds, cloth);
  return { kinds, cloth };
} // prettier-ignore

function readCloth(value: unknown): NestCloth {
  const cloth = recordAt(value, 'cloth');
  const width = numberAt(cloth.widthMm, 'cloth.widthMm', { least: 0, most: FAR_MM, isOpen: true });
  const selvedge = numberAt(cloth.selvedgeMm ?? 0, 'cloth.selvedgeMm', { least: 0, most: FAR_MM });
  if (2 * selvedge >= width)
    refuse('cloth.selvedgeMm', `two selvedges of ${selvedge} mm leave nothing of ${width} mm.`, 'Give the width of one selvedge.');
  const used = listAt(cloth.used ?? [], 'cloth.used', MOST_USED).map((area, index) => polygonAt(area, `cloth.used[${index}]`));
  const length = cloth.lengthMm === null || cloth.lengthMm === undefined
    ? Infinity
    : numberAt(cloth.lengthMm, 'cloth.lengthMm', { least: 0, most: FAR_MM, isOpen: true });
  return { width, length, selvedge, turns: wordAt(cloth.turns ?? 'any', 'cloth.turns', TURNS), used };
} // prettier-ignore

function readPiece(value: unknown, place: string): PieceKind {
  const piece = recordAt(value, place);
  return {
    id: textAt(piece.id, `${place}.id`),
    polygon: polygonAt(piece.outline, `${place}.outline`),
    count: numberAt(piece.count, `${place}.count`, { least: 0, most: MOST_PIECES, isWhole: true }),
  };
}

/** On a roll every piece is placed: each must go across in some turn. */
function checkAcross(kinds: readonly PieceKind[], { width, selvedge, turns }: NestCloth): void {
  const usable = width - 2 * selvedge;
  for (const { id, polygon, count } of kinds) {
    if (count === 0) continue;
    const least = leastWidth(polygon, turns);
    if (least > usable + 1e-6)
      refuse(`piece “${id}”`, `it is ${least.toFixed(1)} mm wide, the cloth between its selvedges ${usable.toFixed(1)} mm.`, 'Take a wider cloth, a smaller allowance, or let it be turned.');
  }
} // prettier-ignore

function leastWidth(polygon: PieceKind['polygon'], turns: Turns): number {
  const widthAt = (angle: number) => {
    const across = polygon.map(({ x, y }) => Math.cos(angle) * x - Math.sin(angle) * y);
    return Math.max(...across) - Math.min(...across);
  };
  if (turns !== 'any') return widthAt(0);
  // The narrowest box lies along a side.
  const angles = polygon.map((p, i) => {
    const q = polygon[(i + 1) % polygon.length] ?? p;
    return Math.PI / 2 - Math.atan2(q.y - p.y, q.x - p.x);
  });
  return Math.min(...angles.map(widthAt));
}

/** Lays the pieces of a request. */
export function cut({ kinds, cloth }: CutRequest, options: NestOptions): Nested {
  return nest(kinds, cloth, options);
}

/** Places are told to a millionth of a millimetre. */
const PLACE_MM = 1e6;

/** The answer as a `kevlo.cut-result/1`. */
export function cutResult({ kinds }: CutRequest, nested: Nested): object {
  const round = (value: number) => Math.round(value * PLACE_MM) / PLACE_MM;
  return {
    format: 'kevlo.cut-result/1',
    unit: 'mm',
    placed: nested.placed.map(({ kind, turnDeg, x, y }) => ({ piece: kinds[kind]?.id, turnDeg, x: round(x), y: round(y) })),
    left: nested.left.flatMap((count, kind) => (count > 0 ? [{ piece: kinds[kind]?.id, count }] : [])),
    lengthMm: round(nested.lengthMm),
    density: Math.round(nested.density * 1e6) / 1e6,
    boundLengthMm: round(nested.boundLengthMm),
    strips: { lengthMm: nested.stripsLengthMm === undefined ? null : round(nested.stripsLengthMm) },
  };
} // prettier-ignore
