import { itemAt, knownOf } from '../lists';
import Flatbush from 'flatbush';
import { analyseBlock, groupsOf, type BlockDocument, type Patch, type Seam, type SeamGraph } from '../block';
import {
  SAME_POINT_MM,
  bestMotion,
  convexDepth,
  directionAt,
  distance,
  edgeLength,
  edgesOf,
  isConvex,
  layAgainst,
  middleOfCorners,
  moveOutline,
  shiftBy,
  toPolygon,
  turnDegrees,
  type Edge,
  type Motion,
  type Point,
} from '../geometry';
import { attach } from './attach';
import { Board } from './board';
import { changePatches, movePatches } from './edit';

/** A way of putting one problem right, and the block after it. */
export interface Mend {
  /** Calls papers by the numbers that the board shows. */
  readonly label: string;
  readonly document: BlockDocument;
}

/** Corners this near were meant to be one, mm. */
const NEAR_MM = 2;
/** Most that parts are slid apart or together, mm. */
const MOST_SLIDE_MM = 25;

function outlineOf(document: BlockDocument, index: number) {
  return itemAt(document.patches, index).outline;
}

/** Moves one patch to where its corners meet those of its neighbours, as well as can be; its paper stays as it is. */
export function sendHome(document: BlockDocument, mover: number): Mend | undefined {
  return sendAllHome(document, [mover], mover);
}

/**
 * The same for all that hangs well together with a patch: up to the pairs of patches that a problem speaks of. So a row that
 * slipped along its neighbour comes back as a whole.
 */
export function sendGroupHome(document: BlockDocument, mover: number, anchor: number): Mend | undefined {
  const { graph, problems } = analyseBlock(document.patches);
  const bad = new Set(problems.map(({ patches }) => [...patches].sort().join('|')));
  // Parts that slide along each other come to share short seams that were never meant.
  const isBad = ({ lengthMm, patches }: Seam) =>
    lengthMm <= NEAR_MM + SAME_POINT_MM || bad.has(patches.map((patch) => graph.patches[patch]?.id as string).sort().join('|')); // prettier-ignore
  const own = groupOf(document, mover, graph, new Set(graph.seams.flatMap((seam, i) => (isBad(seam) ? [i] : [])))); // prettier-ignore
  return own.length < 2 || own.includes(anchor) ? undefined : sendAllHome(document, own, mover);
}

/** What hangs together with a patch by the seams that are not left out, by their numbers in the document. */
function groupOf(
  document: BlockDocument,
  patch: number,
  graph: SeamGraph,
  without?: ReadonlySet<number>,
): number[] {
  const at = new Map(document.patches.map(({ id }, index) => [id, index]));
  const groups = groupsOf(graph, graph.patches.map((_, i) => i), without); // prettier-ignore
  const numbered = groups.map((group) => group.map((i) => knownOf(at, graph.patches[i]?.id as string)));
  // A patch drawn twice is not in the graph.
  return numbered.find((group) => group.includes(patch)) ?? [patch];
}

function sendAllHome(document: BlockDocument, own: readonly number[], mover: number): Mend | undefined {
  const moving = new Set(own);
  if (own.some((index) => document.patches[index]?.isLocked)) return undefined;
  const still = document.patches.flatMap(({ layer, outline }, index) =>
    moving.has(index) ? [] : outline.corners.map((at) => ({ at, layer })),
  );
  if (still.length === 0) return undefined;
  const index = new Flatbush(still.length);
  for (const { at } of still) index.add(at.x, at.y);
  index.finish();
  const [from, to]: [Point[], Point[]] = [[], []];
  for (const one of own) {
    const { layer, outline } = itemAt(document.patches, one);
    for (const corner of outline.corners) {
      const reach = NEAR_MM + SAME_POINT_MM;
      const [near] = index.neighbors(corner.x, corner.y, 1, reach, (i) => still[i]?.layer === layer);
      if (near === undefined) continue;
      from.push(corner);
      to.push(itemAt(still, near).at);
    }
  }
  return from.length === 0 ? undefined : moved(document, own, mover, bestMotion(from, to));
}

/** All that hangs together with a patch, unless the anchor hangs there too: then only a patch that is joined to nothing. */
function movable(document: BlockDocument, mover: number, anchor: number): number[] | undefined {
  const own = groupOf(document, mover, analyseBlock(document.patches).graph);
  return own.includes(anchor) || own.some((index) => document.patches[index]?.isLocked) ? undefined : own;
}

/** The two sides that nearly lie on each other. */
function facingSides(document: BlockDocument, a: number, b: number): { own: Edge; other: Edge } | undefined {
  let best: { own: Edge; other: Edge; off: number } | undefined;
  for (const own of edgesOf(outlineOf(document, a))) {
    for (const other of edgesOf(outlineOf(document, b))) {
      const [d, e] = [directionAt(own, 0), directionAt(other, edgeLength(other))];
      if (turnDegrees(d, { x: -e.x, y: -e.y }) > 10) continue;
      const off = Math.min(distance(own.a, other.b), distance(own.b, other.a));
      if (!best || off < best.off) best = { own, other, off };
    }
  }
  return best;
}

/** Lays what hangs on the mover along the side of the anchor that it nearly lies on. */
export function moveOnto(document: BlockDocument, mover: number, anchor: number): Mend | undefined {
  const own = movable(document, mover, anchor);
  const sides = facingSides(document, mover, anchor);
  if (!own || !sides) return undefined;
  const isStartNearer = distance(sides.own.a, sides.other.b) <= distance(sides.own.b, sides.other.a);
  const motion = layAgainst(sides.own, sides.other, !isStartNearer);
  return moved(document, own, mover, motion);
}

function moved(
  document: BlockDocument,
  own: readonly number[],
  mover: number,
  motion: Motion,
): Mend | undefined {
  const before = outlineOf(document, mover);
  const after = moveOutline(motion, before);
  const way = Math.max(...before.corners.map((corner, i) => distance(corner, itemAt(after.corners, i))));
  if (way > MOST_SLIDE_MM || way < 1e-6) return undefined;
  const what = `paper ${mover + 1}${own.length === 1 ? '' : ` and the ${own.length - 1} joined to it`}`;
  return { label: `Move ${what} by ${way.toFixed(2)} mm`, document: movePatches(document, own, motion) };
}

/** Changes a paper so that its corners meet those of the anchor. */
export function pullCorners(document: BlockDocument, mover: number, anchor: number): Mend | undefined {
  const patch = itemAt(document.patches, mover);
  if (patch.isLocked) return undefined;
  const anchors = outlineOf(document, anchor).corners;
  let most = 0;
  const corners = patch.outline.corners.map((corner) => {
    const near = anchors.filter((other) => distance(corner, other) < NEAR_MM);
    if (near.length === 0) return corner;
    const target = near.reduce((best, one) => (distance(corner, one) < distance(corner, best) ? one : best));
    most = Math.max(most, distance(corner, target));
    return target;
  });
  if (most < 1e-6) return undefined;
  return {
    label: `Pull paper ${mover + 1} to fit: it changes by ${most.toFixed(2)} mm`,
    document: changePatches(document, [mover], (one) => ({ ...one, outline: { ...one.outline, corners } })),
  };
}

/** Slides what hangs on the mover out of the anchor, the shortest way. */
export function slideApart(document: BlockDocument, mover: number, anchor: number): Mend | undefined {
  const own = movable(document, mover, anchor);
  if (!own) return undefined;
  const [a, b] = [toPolygon(outlineOf(document, anchor), 0.1), toPolygon(outlineOf(document, mover), 0.1)];
  const depth = convexDepth(a, b);
  if (depth <= 0 || depth > MOST_SLIDE_MM) return undefined;
  const directions = [...a, ...b].map((point, i, all) => {
    const next = itemAt(all, (i + 1) % all.length);
    const length = distance(point, next) || 1;
    return { x: -(next.y - point.y) / length, y: (next.x - point.x) / length };
  });
  const isFree = ({ x, y }: Point) => {
    const shifted = b.map((point) => ({ x: point.x + x, y: point.y + y }));
    return convexDepth(a, shifted) <= 0.01;
  };
  const way = directions
    .flatMap(({ x, y }) => [depth, -depth].map((by) => ({ x: x * by, y: y * by })))
    .find(isFree);
  return way && moved(document, own, mover, shiftBy(way.x, way.y));
}

/** Makes an overlap appliqué, where it is too deep for a slip. */
export function layOver(document: BlockDocument, upper: number, lower: number): Mend | undefined {
  const [over, under] = [document.patches[upper], document.patches[lower]];
  if (!over || !under || over.isLocked) return undefined;
  const [a, b] = [toPolygon(over.outline, 0.1), toPolygon(under.outline, 0.1)];
  if (isConvex(a) && isConvex(b) && convexDepth(a, b) <= NEAR_MM) return undefined;
  return {
    label: `Appliqué paper ${upper + 1} over paper ${lower + 1}`,
    document: changePatches(document, [upper], (one) => ({ ...one, layer: under.layer + 1 })),
  };
}

/** Lays a lone patch against the nearest edge of its length, turned as little as can be. */
export function moveToNeighbour(document: BlockDocument, lone: number): Mend | undefined {
  const patch = itemAt(document.patches, lone);
  if (patch.isLocked) return undefined;
  const board = new Board(document.patches.filter((_, index) => index !== lone));
  const middle = middleOfCorners(patch.outline);
  const reach = Math.max(...patch.outline.corners.map((corner) => distance(corner, middle))) + MOST_SLIDE_MM;
  const stretch = board.nearestFree(middle, reach);
  if (!stretch) return undefined;
  let best: { way: number; outline: Patch['outline'] } | undefined;
  for (let turn = 0; turn < patch.outline.corners.length; turn++) {
    const ghost = attach(board, patch.outline, stretch, { turn, isTurnedOver: false, isForced: false });
    if (ghost.kind !== 'fits' || ghost.covers.length > 0) continue;
    const way = distance(middleOfCorners(ghost.outline), middle);
    if (!best || way < best.way) best = { way, outline: ghost.outline };
  }
  if (!best) return undefined;
  const { way, outline } = best;
  return {
    label: `Move paper ${lone + 1} against its neighbour, by ${way.toFixed(1)} mm`,
    document: changePatches(document, [lone], (one) => ({ ...one, outline })),
  };
}
