import { itemAt } from '../lists';
import type { Patch } from '../block';
import {
  compose,
  isSamePlace,
  moveOutline,
  reflectIn,
  turnAbout,
  STAY,
  type Motion,
  type Outline,
  type Point,
} from '../geometry';
import { attach, type AttachWish } from './attach';
import { Board } from './board';
import { FreshIds } from './freshIds';

/** What copying made, and what was left out because something lies there already. */
export interface Copied {
  readonly added: readonly Patch[];
  /** Copies that fall exactly on a patch that is there: nothing to do. */
  readonly alreadyThere: number;
  /** Copies that would cover other patches. */
  readonly inTheWay: number;
}

export interface RoundWish {
  readonly centre: Point;
  /** How many times the pattern repeats in a full turn. */
  readonly folds: number;
  /** Whether each wedge is also reflected, in the line at this angle (degrees, clockwise from the right). */
  readonly mirrorDeg?: number;
}

/** Most patches of a block made by hand. */
export const MOST_PATCHES = 10_000;

/** Copies patches round a centre, so that one wedge makes the whole. */
export function fillRound(patches: readonly Patch[], source: readonly number[], wish: RoundWish): Copied {
  const { centre, folds, mirrorDeg } = wish;
  const mirrors = mirrorDeg === undefined ? [STAY] : [STAY, reflectIn(centre, mirrorDeg)];
  const motions = mirrors.flatMap((mirror) =>
    Array.from({ length: folds }, (_, k) => compose(turnAbout(centre, (360 * k) / folds), mirror)),
  );
  return copyBy(patches, source, motions.slice(1));
}

/** Copies patches by each of some motions, where nothing is in the way. Groups are copied as groups. */
export function copyBy(
  patches: readonly Patch[],
  source: readonly number[],
  motions: readonly Motion[],
): Copied {
  const ids = new FreshIds(patches);
  const grown = new Growing(patches);
  let [alreadyThere, inTheWay] = [0, 0];
  const added: Patch[] = [];
  for (const motion of motions) {
    const groups = new Map<string, string>();
    for (const index of source) {
      const { part: _part, isLocked: _lock, edges, ...patch } = itemAt(patches, index);
      const outline = moveOutline(motion, patch.outline);
      const state = grown.stateAt(outline, patch.layer);
      if (state === 'there') alreadyThere++;
      else if (state === 'covered') inTheWay++;
      else {
        if (patches.length + added.length >= MOST_PATCHES) return { added, alreadyThere, inTheWay };
        const group = patch.group === undefined ? {} : { group: renamed(groups, patch.group, ids) };
        const sides = edges ? { edges: motion.isReflection ? reflectedSides(edges, outline) : edges } : {};
        const copy: Patch = { ...patch, ...group, ...sides, id: ids.next(patch.id), outline };
        grown.add(copy);
        added.push(copy);
      }
    }
  }
  return { added, alreadyThere, inTheWay };
}

/** A reflection renumbers sides: side i becomes n − 1 − i. */
function reflectedSides(
  edges: NonNullable<Patch['edges']>,
  { corners }: Outline,
): NonNullable<Patch['edges']> {
  return Object.fromEntries(
    Object.entries(edges).map(([side, is]) => [corners.length - 1 - Number(side), is]),
  );
}

function renamed(groups: Map<string, string>, group: string, ids: FreshIds): string {
  const known = groups.get(group) ?? ids.next('group');
  groups.set(group, known);
  return known;
}

/** Lays a paper against every free stretch that one of its edges matches: a ring round what is there. */
export function ringRound(
  patches: readonly Patch[],
  paper: Outline,
  fabric: string,
  wish: Pick<AttachWish, 'turn' | 'isTurnedOver'>,
): Copied {
  const board = new Board(patches);
  const ids = new FreshIds(patches);
  const grown = new Growing(patches);
  const added: Patch[] = [];
  let [alreadyThere, inTheWay] = [0, 0];
  for (const stretch of board.allFree()) {
    const ghost = attach(board, paper, stretch, { ...wish, isForced: false, layer: 0 });
    if (ghost.kind !== 'fits') continue;
    const state = grown.stateAt(ghost.outline, 0);
    if (state === 'there') alreadyThere++;
    else if (state === 'covered') inTheWay++;
    else {
      const patch: Patch = { id: ids.next('p'), outline: ghost.outline, fabric, layer: 0 };
      grown.add(patch);
      added.push(patch);
    }
  }
  return { added, alreadyThere, inTheWay };
}

/** Two papers are in one place when their corners are this near, mm. */
const SAME_PLACE_MM = 0.3;

/** Patches, and those that are being added to them. */
class Growing {
  private readonly board: Board;
  private extra: Patch[] = [];
  private extraBoard: Board | undefined;

  constructor(patches: readonly Patch[]) {
    this.board = new Board(patches);
  }

  add(patch: Patch): void {
    this.extra.push(patch);
    this.extraBoard = undefined;
  }

  stateAt(outline: Outline, layer: number): 'free' | 'there' | 'covered' {
    // The few that were added last are kept in a small board of their own.
    this.extraBoard ??= new Board(this.extra);
    for (const board of [this.board, this.extraBoard]) {
      const covered = board.covered(outline, layer);
      if (
        covered.some(({ patch }) => isSamePlace(itemAt(board.patches, patch).outline, outline, SAME_PLACE_MM))
      )
        return 'there';
      if (covered.length > 0) return 'covered';
    }
    return 'free';
  }
}
