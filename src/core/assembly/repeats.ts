import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import {
  distance,
  isSamePlace,
  middleOfCorners,
  moveOutline,
  movePoint,
  turnAbout,
  type Motion,
  type Outline,
  type Point,
} from '../geometry';
import type { BareJoin, Repeat } from './join';

/** Larger units are not compared: a block has them once, or its maker sees it. */
const MOST_PATCHES = 150;
/** Patches of congruent units lie within this of each other, laid on each other, mm. */
const SAME_MM = 0.5;
/** Units are looked up by the mean reach of their patches, in drawers this wide, mm: congruent ones lie in neighbouring drawers. */
const DRAWER_MM = 1;

interface Shape {
  readonly centre: Point;
  /** Those farthest from the centre first. */
  readonly patches: readonly Placed[];
  /** mm. */
  readonly meanReach: number;
}

/** A patch within its unit, and how far its middle is from the centre, mm. */
interface Placed {
  readonly looks: Looks;
  readonly reach: number;
}

/** What is compared of a patch. */
interface Looks {
  /** A number for its cloth and how many corners it has. */
  readonly cloth: number;
  readonly outline: Outline;
  readonly middle: Point;
}

/**
 * Finds units that are alike: the same shapes in the same cloths, laid alike, joined from like parts. Turned is the same; turned
 * over is not.
 * @returns for each join the number of what it makes, the same for like units; undefined for what is too large to compare
 * Cost: units of one size and content are compared, patches squared at worst for each pair.
 */
export function likeUnits(graph: SeamGraph, joins: readonly BareJoin[]): (number | undefined)[] {
  const classes: Shape[] = [];
  const drawers = new Map<string, number[]>();
  const classOfUnit = new Map<string, number>();
  const key = (patches: readonly number[]) => `${patches.length}/${Math.min(...patches)}`;
  return joins.map(({ left, right }, index) => {
    const members = [...left, ...right];
    if (members.length > MOST_PATCHES) return undefined;
    const made = [left, right].map((unit) =>
      unit.length === 1 ? -1 : (classOfUnit.get(key(unit)) ?? -2 - index),
    );
    const shape = shapeOf(graph, members);
    const parts = [
      ...made.sort((a, b) => a - b).map(String),
      members.length,
      // Which cloths there are, in whatever order: a number that others have by chance costs one look more.
      shape.patches.reduce((sum, { looks }) => sum + mixed(looks.cloth), 0),
    ].join('|');
    const row = Math.floor(shape.meanReach / DRAWER_MM);
    const drawer = (step: number) => `${parts}@${row + step}`;
    const alike = [-1, 0, 1]
      .flatMap((step) => drawers.get(drawer(step)) ?? [])
      .sort((a, b) => a - b)
      .find((one) => isCongruent(itemAt(classes, one), shape));
    const own = alike ?? classes.length;
    if (alike === undefined) {
      classes.push(shape);
      drawers.set(drawer(0), [...(drawers.get(drawer(0)) ?? []), own]);
    }
    classOfUnit.set(key(members), own);
    return own;
  });
}

/**
 * Letters of what is made more than once, in the order of sewing.
 * @param likeOf for each join the number of what it makes, as {@link likeUnits} gives it
 * @returns for each join its letter and count, or undefined where the block has the unit once
 */
export function repeatsOf(likeOf: readonly (number | undefined)[]): (Repeat | undefined)[] {
  const copies = new Map<number | undefined, number>();
  for (const own of likeOf) copies.set(own, (copies.get(own) ?? 0) + 1);
  const made = new Map<number, { readonly letter: string; copy: number }>();
  return likeOf.map((own) => {
    const all = copies.get(own) ?? 0;
    if (own === undefined || all < 2) return undefined;
    const known = made.get(own) ?? { letter: letterOf(made.size), copy: 0 };
    made.set(own, known);
    known.copy += 1;
    return { letter: known.letter, copy: known.copy, copies: all };
  });
}

function shapeOf(graph: SeamGraph, members: readonly number[]): Shape {
  const looks = looksOf(graph.patches);
  const all = members.map((patch) => itemAt(looks, patch));
  const centre = centreOf(all);
  const patches = all.map((looks): Placed => ({ looks, reach: distance(looks.middle, centre) }));
  const meanReach = patches.reduce((sum, { reach }) => sum + reach, 0) / patches.length;
  return { centre, meanReach, patches: patches.sort((p, q) => q.reach - p.reach) };
}

/** What is compared of each patch, worked out once for a drawing. */
const looksOf = keptFor((patches: SeamGraph['patches']) => {
  const numbers = new Map<string, number>();
  return patches.map(({ fabric, outline }): Looks => {
    const name = `${fabric}/${outline.corners.length}`;
    const cloth = numbers.get(name) ?? numbers.size;
    numbers.set(name, cloth);
    return { cloth, outline, middle: middleOfCorners(outline) };
  });
});

/** Spreads small numbers, so that sums of different ones differ. */
function mixed(number: number): number {
  return Math.imul(number + 1, 0x9e3779b1) >>> 0;
}

function centreOf(patches: readonly Looks[]): Point {
  let [x, y] = [0, 0];
  for (const { middle } of patches) [x, y] = [x + middle.x, y + middle.y];
  return { x: x / patches.length, y: y / patches.length };
}

function isCongruent(a: Shape, b: Shape): boolean {
  const first = a.patches[0];
  if (!first || a.patches.length !== b.patches.length) return false;
  if (a.patches.some(({ reach }, i) => Math.abs(reach - (b.patches[i]?.reach ?? Infinity)) > SAME_MM))
    return false;
  return b.patches.some(({ looks, reach }) => {
    if (looks.cloth !== first.looks.cloth || Math.abs(reach - first.reach) > SAME_MM) return false;
    return turnsBetween(first.looks.outline, looks.outline).some((degrees) => {
      const turn = turnAbout(a.centre, degrees);
      const motion: Motion = {
        ...turn,
        x: turn.x + b.centre.x - a.centre.x,
        y: turn.y + b.centre.y - a.centre.y,
      };
      return a.patches.every((own) => liesIn(own, motion, b.patches));
    });
  });
}

/** Whether a patch, moved, lies on one of the others; those stand by their reach, which a motion of the whole leaves as it is. */
function liesIn({ looks, reach }: Placed, motion: Motion, others: readonly Placed[]): boolean {
  const at = movePoint(motion, looks.middle);
  for (const other of others) {
    if (other.reach > reach + SAME_MM) continue;
    if (other.reach < reach - SAME_MM) return false;
    const { cloth, middle, outline } = other.looks;
    if (cloth !== looks.cloth || distance(middle, at) > SAME_MM) continue;
    if (isSamePlace(moveOutline(motion, looks.outline), outline, SAME_MM)) return true;
  }
  return false;
}

/** Turns that could take one outline onto the other: each of its sides onto the first side. */
function turnsBetween(a: Outline, b: Outline): number[] {
  const heading = ({ corners }: Outline, i: number) => {
    const [p, q] = [itemAt(corners, i), itemAt(corners, (i + 1) % corners.length)];
    return (Math.atan2(q.y - p.y, q.x - p.x) * 180) / Math.PI;
  };
  const base = heading(a, 0);
  return b.corners.map((_, i) => heading(b, i) - base);
}

function letterOf(index: number): string {
  const tail = String.fromCharCode(65 + (index % 26));
  return index < 26 ? tail : letterOf(Math.floor(index / 26) - 1) + tail;
}
