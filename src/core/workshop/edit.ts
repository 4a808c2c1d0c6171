import { itemAt, knownOf } from '../lists';
import { tidied, type BlockDocument, type Part, type Patch } from '../block';
import {
  edgesOf,
  edgeLength,
  directionAt,
  moveOutline,
  movePoint,
  turnDegrees,
  turnOf,
  type Motion,
  type Point,
} from '../geometry';
import { Board } from './board';

/** Patches of a group are picked together. */
export function withGroups(patches: readonly Patch[], picked: Iterable<number>): number[] {
  const all = new Set(picked);
  const groups = new Set([...all].flatMap((index) => patches[index]?.group ?? []));
  if (groups.size > 0)
    patches.forEach(({ group }, index) => group !== undefined && groups.has(group) && all.add(index));
  return [...all].sort((a, b) => a - b);
}

/** Changes some patches; locked ones stay as they are unless the change is about locks. */
export function changePatches(
  document: BlockDocument,
  picked: readonly number[],
  change: (patch: Patch, index: number) => Patch,
): BlockDocument {
  const own = new Set(picked);
  return {
    ...document,
    patches: document.patches.map((patch, index) =>
      own.has(index) && !patch.isLocked ? change(patch, index) : patch,
    ),
  };
}

/** Moves, turns or turns over some patches. A part that is moved or turned as a whole stays there when it is made again. */
export function movePatches(
  document: BlockDocument,
  picked: readonly number[],
  motion: Motion,
): BlockDocument {
  const moved = changePatches(document, picked, (patch) => {
    const outline = moveOutline(motion, patch.outline);
    if (!motion.isReflection || !patch.edges) return { ...patch, outline };
    const last = outline.corners.length - 1;
    const edges = Object.fromEntries(
      Object.entries(patch.edges).map(([side, is]) => [last - Number(side), is]),
    );
    return { ...patch, outline, edges };
  });
  if (!document.parts || motion.isReflection) return moved;
  const still = new Set(
    document.patches.flatMap(({ part }, index) =>
      part !== undefined && moved.patches[index] === document.patches[index] ? [part] : [],
    ),
  );
  const takeAlong = (part: Part): Part => {
    if (still.has(part.id)) return part;
    const { x, y } = movePoint(motion, part);
    return { ...part, x, y, turnDeg: part.turnDeg + turnOf(motion) };
  };
  return { ...moved, parts: document.parts.map(takeAlong) };
}

/** Adds patches at the end. */
export function addPatches(document: BlockDocument, added: readonly Patch[]): BlockDocument {
  return { ...document, patches: [...document.patches, ...added] };
}

/** Takes patches out, and with them what rules and parts said of them. Locked ones stay. */
export function deletePatches(document: BlockDocument, picked: readonly number[]): BlockDocument {
  const gone = new Set(picked.filter((index) => !document.patches[index]?.isLocked));
  const patches = document.patches.filter((_, index) => !gone.has(index));
  return tidied({ ...document, patches });
}

/** Paints patches in one cloth, or in turn in several, in the order of `picked`. */
export function paint(
  document: BlockDocument,
  picked: readonly number[],
  fabrics: readonly string[],
): BlockDocument {
  const place = new Map(picked.map((index, i) => [index, i]));
  return changePatches(document, picked, (patch, index) => ({
    ...patch,
    fabric: fabrics[knownOf(place, index) % fabrics.length] ?? patch.fabric,
  }));
}

/** Locks or unlocks patches. */
export function setLocked(
  document: BlockDocument,
  picked: readonly number[],
  isLocked: boolean,
): BlockDocument {
  const own = new Set(picked);
  const patches = document.patches.map((patch, index): Patch => {
    if (!own.has(index)) return patch;
    const { isLocked: _was, ...open } = patch;
    return isLocked ? { ...open, isLocked: true } : open;
  });
  return { ...document, patches };
}

/** Makes patches one group, or (with no name) none. */
export function setGroup(
  document: BlockDocument,
  picked: readonly number[],
  group: string | undefined,
): BlockDocument {
  return changePatches(document, picked, ({ group: _was, ...patch }) =>
    group === undefined ? patch : { ...patch, group },
  );
}

/** Most moving patches whose edges are tried for snapping; the rest follows. */
const MOST_SNAPPING = 80;

/**
 * How much further a dragged selection should go so that an edge of it lies on a free edge of the rest.
 * @param by how far it has been dragged, mm
 * @param reach how far snapping may pull, mm
 */
export function snapMove(
  board: Board,
  picked: readonly number[],
  by: Point,
  reach: number,
): Point | undefined {
  const moving = new Set(picked);
  let best: Point | undefined;
  let least = reach;
  for (const index of picked.slice(0, MOST_SNAPPING)) {
    const patch = itemAt(board.patches, index);
    for (const edge of edgesOf(patch.outline)) {
      const a = { x: edge.a.x + by.x, y: edge.a.y + by.y };
      const b = { x: edge.b.x + by.x, y: edge.b.y + by.y };
      const near = board.sides.index.search(
        Math.min(a.x, b.x) - reach,
        Math.min(a.y, b.y) - reach,
        Math.max(a.x, b.x) + reach,
        Math.max(a.y, b.y) + reach,
        (side) => {
          const other = itemAt(board.sides.patchOf, side);
          return !moving.has(other) && board.patches[other]?.layer === patch.layer;
        },
      );
      for (const side of near) {
        const other = board.sides.edges[side];
        if (!other || Math.abs(other.bulge + edge.bulge) > 0.01) continue;
        const [ours, theirs] = [directionAt(edge, 0), directionAt(other, edgeLength(other))];
        if (turnDegrees(ours, { x: -theirs.x, y: -theirs.y }) > 1) continue;
        for (const [own, target] of [
          [a, other.b],
          [b, other.a],
        ] as const) {
          const pull = { x: target.x - own.x, y: target.y - own.y };
          const way = Math.hypot(pull.x, pull.y);
          if (way < least) [best, least] = [pull, way];
        }
      }
    }
  }
  return best;
}
