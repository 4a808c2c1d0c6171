import { itemAt, lastOf } from '../lists';
import type { SeamGraph } from '../block';
import { contract } from './contract';
import { exactTree, type Apart } from './exactTree';
import { halfSquares, recogniseFigure, type Figure, type TreeKind } from './figures';
import { findCut } from './findCut';
import { improveTree } from './improveTree';
import { keepApart } from './keepApart';
import { inRings } from './inRings';
import { ringsTree } from './ringsTree';
import { schoolTree, type School } from './schools';
import { joinTrees, leaf, type Tree } from './tree';
import { treeCost } from './treeCost';
import { TreeWays } from './treeWays';
import type { Inner } from './wedgesTree';
import { unitKey, type Pin } from './wishes';

/** What planning one group needs. */
export interface GroupTask {
  readonly graph: SeamGraph;
  readonly members: readonly number[];
  readonly school: School;
  /** Of these those that lie within the group are followed. */
  readonly pins: readonly Pin[];
  readonly apart: readonly Apart[];
  /** Called for each patch and unit that is done; throws to stop. */
  readonly goOn: () => void;
  /** Of several orders with as few bends the one that serves best. */
  readonly choose: (graph: SeamGraph, orders: readonly Candidate[], figure: Figure | undefined) => Tree;
}

/** An order that was found, and the way in which it puts the group together. */
export interface Candidate {
  readonly tree: Tree;
  readonly kind: TreeKind;
}

/** The order of one connected group, and whether every order was weighed. */
export interface GroupOrder {
  readonly tree: Tree;
  readonly isExact: boolean;
  /** Whether the school has an order for this group; else it is ordered with the fewest bends. */
  readonly isTaught: boolean;
}

/** Blocks up to this size are looked at for turns onto themselves, and for all schools. */
const MOST_TURNED = 600;
const MOST_COMPARED = 60;
/** Units of up to so many patches are tried patch by patch on one thread: small ones stay light, larger ones begin fewer threads. */
const RINGED = [14, 32, 64, Infinity] as const;
const COMPARED = ['wedges', 'rows', 'rings', 'pairs'] as const;

/** Plans one connected group: pinned units first, each by its school, then the whole with those taken as patches. */
export function groupTree(task: GroupTask): GroupOrder {
  const { graph, members, pins } = task;
  const own = pins.find(({ patches }) => unitKey(patches) === unitKey(members));
  const school = own?.school ?? task.school;
  const all = new Set(members);
  const inside = pins.filter((pin) => pin !== own && pin.patches.every((patch) => all.has(patch)));
  if (inside.length === 0) return freeTree({ ...task, school });
  const largest = inside.filter(
    ({ patches }) => !inside.some((other) => other.patches.length > patches.length && other.patches.includes(itemAt(patches, 0))),
  ); // prettier-ignore
  const pinned = largest.map(
    ({ patches }) => groupTree({ ...task, members: patches, school, pins: inside }).tree,
  );
  const taken = new Set(largest.flatMap(({ patches }) => patches));
  const units = [...pinned, ...members.filter((patch) => !taken.has(patch)).map(leaf)];
  if (units.length === 1) return { tree: itemAt(units, 0), isExact: false, isTaught: false };
  const { graph: small, expand, membersOf } = contract(graph, units);
  const apart = task.apart.flatMap(([left, right]): Apart[] => {
    const [a, b] = [membersOf(left), membersOf(right)];
    return a && b ? [[a, b]] : [];
  });
  const whole = units.map((_, index) => index);
  const { tree, isTaught } = freeTree({ ...task, graph: small, members: whole, school, apart, pins: [] });
  return { tree: expand(tree), isExact: false, isTaught };
}

function freeTree(task: GroupTask): GroupOrder {
  const { graph, members, school, apart, goOn } = task;
  const costs = new TreeWays(graph);
  const improve = (tree: Tree) => improveTree(graph, tree, apart, goOn, costs);
  const inner: Inner = { order: (own) => cutTree(graph, own, goOn), improve };
  if (school !== 'best') {
    const taught = sewable(graph, schoolTree(graph, members, school, inner));
    const tree = keepApart(graph, taught ?? improve(inner.order(members)), apart);
    return { tree, isExact: false, isTaught: taught !== undefined };
  }
  const exact = exactTree(graph, members, apart);
  const plain = exact ?? keepApart(graph, cutTree(graph, members, goOn), apart);
  const found: Candidate[] = [{ tree: plain, kind: 'plain' }];
  const add = (kind: TreeKind, tree: Tree) => found.push({ kind, tree: keepApart(graph, tree, apart) });
  const isSmall = members.length <= MOST_COMPARED;
  const figure = members.length <= MOST_TURNED ? recogniseFigure(graph, members) : undefined;
  if (!exact) found.push({ tree: improve(plain), kind: 'plain' });
  if (members.length >= 4 && members.length <= MOST_TURNED) {
    for (const other of exact || !isSmall ? (['wedges'] as const) : COMPARED) {
      const taught = sewable(graph, schoolTree(graph, members, other, inner));
      if (!taught) continue;
      add(other, taught);
      if (other !== 'wedges') found.push({ kind: 'plain', tree: improve(lastOf(found).tree) });
    }
  }
  if (figure?.name === 'half-squares') {
    // Triangles into squares first, all alike; then whatever is best with those.
    const pins = halfSquares(graph, members).map((patches): Pin => ({ patches }));
    add('squares-first', groupTree({ ...task, pins }).tree);
  }
  if (members.length <= MOST_TURNED) {
    if (figure?.name === 'rosette') add('rings', ringsTree(graph, members));
    // Where all patches are of one shape nothing is learnt by making units alike: what counts is that the thread goes on.
    if (!exact && (figure?.name === 'mosaic' || figure?.name === 'rosette'))
      for (const most of RINGED) if (members.length > most / 2) add('ringed', inRings(graph, plain, most));
  }
  const bends = found.map(({ tree }) => treeCost(graph, tree).bends);
  const least = Math.min(...bends);
  const equals = found.filter((_, i) => bends[i] === least);
  return {
    tree: equals.length === 1 ? itemAt(equals, 0).tree : task.choose(graph, equals, figure),
    isExact: exact !== undefined,
    isTaught: true,
  };
}

/** A tree whose joins all have seams to sew. In a rough drawing a wedge that turns onto another need not hang together as that does. */
function sewable(graph: SeamGraph, tree: Tree | undefined): Tree | undefined {
  return tree && treeCost(graph, tree).bends < Infinity ? tree : undefined;
}

function cutTree(graph: SeamGraph, members: readonly number[], goOn: () => void): Tree {
  if (members.length === 1) {
    goOn();
    return leaf(itemAt(members, 0));
  }
  const groups = findCut(graph, members);
  return joinTrees(
    graph,
    groups.map((group) => cutTree(graph, group, goOn)),
  );
}
