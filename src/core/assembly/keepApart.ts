import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { EXACT_PATCHES, exactTree, type Apart } from './exactTree';
import { frontOf } from './improveTree';
import { joinedLast, type Tree } from './tree';
import { unitKey } from './wishes';

/**
 * Changes an order so that certain units are not joined to each other: the unit in which that would happen is ordered
 * anew from the few that it is made from, and where that does not help the unit that this one belongs to.
 * @returns the order as it was where no other is possible
 */
export function keepApart(graph: SeamGraph, tree: Tree, apart: readonly Apart[]): Tree {
  let whole = tree;
  for (const pair of apart) {
    const path = pathTo(whole, pair);
    if (!path) continue;
    for (let up = path.length - 1; up >= 0; up--) {
      const unit = itemAt(path, up);
      const front = frontAround(unit, path.slice(up + 1), EXACT_PATCHES);
      const other = front && exactTree(graph, front, apart);
      if (other) {
        whole = replaced(whole, path.slice(0, up + 1), other);
        break;
      }
    }
  }
  return whole;
}

/** Units from the whole down to the one that is joined from the two, which is the last. */
function pathTo(tree: Tree, [left, right]: Apart): Tree[] | undefined {
  const size = left.length + right.length;
  const [a, b] = [unitKey(left), unitKey(right)];
  const path: Tree[] = [];
  for (let at: Tree | undefined = tree; at?.parts;) {
    path.push(at);
    if (at.members.length === size) {
      const keys = at.parts.map(({ members }) => unitKey(members));
      return keys.includes(a) && keys.includes(b) ? path : undefined;
    }
    at = at.parts.find(({ members }) => members.length >= size && members.includes(itemAt(left, 0)));
  }
  return undefined;
}

/** What a unit is made from, taken apart at least along a path; undefined when that is too much to weigh. */
function frontAround(unit: Tree, path: readonly Tree[], most: number): readonly Tree[] | undefined {
  const opened = [unit, ...path];
  const front = opened.reduce<Tree[]>(
    (list, own) => list.flatMap((one) => (one === own && one.parts ? [...one.parts] : [one])),
    [unit],
  );
  if (front.length > most) return undefined;
  // What is left of the room goes to the largest of the others.
  const room = most - 2;
  while (front.length < room) {
    const largest = front.reduce((best, one) => (one.parts && (!best.parts || one.members.length > best.members.length) ? one : best)); // prettier-ignore
    if (!largest.parts) break;
    front.splice(front.indexOf(largest), 1, ...frontOf(largest, 2));
  }
  return front;
}

/** The tree with the last unit of a path put in place. */
function replaced(tree: Tree, path: readonly Tree[], other: Tree): Tree {
  let made = other;
  for (let up = path.length - 2; up >= 0; up--) {
    const [unit, old] = [itemAt(path, up), itemAt(path, up + 1)];
    const [a, b] = unit.parts as readonly [Tree, Tree];
    made = a === old ? joinedLast(made, b) : joinedLast(a, made);
  }
  return path[0] === tree ? made : tree;
}
