import { itemAt, lastOf } from '../lists';
import type { SeamGraph } from '../block';
import { contract } from './contract';
import { cutTree } from './cutTree';
import { hasNoLines } from './evenHalves';
import { exactTree, type Apart } from './exactTree';
import { isField, recogniseFigure, starTree, type Figure, type TreeKind } from './figures';
import { improveTree } from './improveTree';
import { keepApart } from './keepApart';
import { isSparing, type Candidate, type Chosen, type Quicker } from './mostServing';
import { findMotifs, findStars } from './motifs';
import { piecesTree } from './piecesTree';
import { ringsTree } from './ringsTree';
import { schoolTree, type School } from './schools';
import type { SewingSettings } from './sewingSettings';
import { sparingStripTree, stripTrees } from './stripTree';
import { leaf, type Tree } from './tree';
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
  readonly settings: SewingSettings;
  /** Called for each patch and unit that is done; throws to stop. */
  readonly goOn: () => void;
  /** Of several orders the one that serves best: among those with the fewest bends. */
  readonly choose: (graph: SeamGraph, orders: readonly Candidate[], figure: Figure | undefined) => Chosen;
}

/** The order of one connected group, and whether every order was weighed. */
export interface GroupOrder {
  readonly tree: Tree;
  readonly isExact: boolean;
  /** Whether the school has an order for this group; else it is ordered with the fewest bends. */
  readonly isTaught: boolean;
  /** The order that is taught for such a group where that is not the one that serves best. */
  readonly taught?: Candidate;
  /** One with as few bends that takes less time, where it was not taken. */
  readonly quicker?: Quicker;
}

/** Blocks up to this size are looked at for turns onto themselves, and for all schools. */
const MOST_TURNED = 600;
const MOST_COMPARED = 60;
/** Fields of one shape larger than this, without lines, are not weighed unit by unit: pieces that grow serve them better. */
const MOST_WEIGHED = 150;
/** Units of up to so many patches are tried on one growing piece: of small fields several sizes, of large ones the one that is found soon. */
const PIECES: readonly { readonly upTo: number; readonly sizes: readonly number[] }[] = [
  { upTo: 250, sizes: [32, 64, 110] },
  { upTo: 600, sizes: [64] },
  { upTo: Infinity, sizes: [20] },
];
/** Strips of fewer patches have no room for larger pieces side by side than are tried anyhow. */
const LEAST_SPARED = 90;
const COMPARED = ['wedges', 'rows', 'rings', 'pairs'] as const;

/** Plans one connected group: pinned units first, each by its school, then the whole with those taken as patches. */
export function groupTree(task: GroupTask): GroupOrder {
  const { members, pins } = task;
  const own = pins.find(({ patches }) => unitKey(patches) === unitKey(members));
  const school = own?.school ?? task.school;
  const all = new Set(members);
  const inside = pins.filter((pin) => pin !== own && pin.patches.every((patch) => all.has(patch)));
  if (inside.length === 0) return freeTree({ ...task, school });
  const small = withUnits(task, inside, school);
  const { tree, isTaught } = freeTree(small.task);
  return { tree: small.expand(tree), isExact: false, isTaught };
}

/** The same group with the largest of the pinned units within it, each planned by its own school, taken as patches. */
function withUnits(
  task: GroupTask,
  inside: readonly Pin[],
  school: School,
): { readonly task: GroupTask; readonly expand: (tree: Tree) => Tree } {
  const { graph, members } = task;
  const largest = inside.filter(
    ({ patches }) => !inside.some((other) => other.patches.length > patches.length && other.patches.includes(itemAt(patches, 0))),
  ); // prettier-ignore
  const pinned = largest.map(
    ({ patches }) => groupTree({ ...task, members: patches, school, pins: inside }).tree,
  );
  const taken = new Set(largest.flatMap(({ patches }) => patches));
  const units = [...pinned, ...members.filter((patch) => !taken.has(patch)).map(leaf)];
  const { graph: small, expand, membersOf } = contract(graph, units);
  const apart = task.apart.flatMap(([left, right]): Apart[] => {
    const [a, b] = [membersOf(left), membersOf(right)];
    return a && b ? [[a, b]] : [];
  });
  const whole = units.map((_, index) => index);
  return { task: { ...task, graph: small, members: whole, school, apart, pins: [] }, expand };
}

/** The quickest order in place of the one that serves best. */
export function asQuickest({ tree, isExact, quicker }: GroupOrder): GroupOrder {
  return { tree: quicker?.tree ?? tree, isExact, isTaught: quicker !== undefined };
}

function freeTree(task: GroupTask): GroupOrder {
  const { graph, members, school, apart, goOn } = task;
  if (school === 'quickest') return asQuickest(freeTree({ ...task, school: 'best' }));
  const costs = new TreeWays(graph);
  const improve = (tree: Tree) => improveTree(graph, tree, apart, goOn, costs);
  const inner: Inner = { order: (own) => cutTree(graph, own, goOn), improve };
  if (school !== 'best') {
    const taught =
      school === 'star-first' || school === 'figures'
        ? firstOrder(task, school)
        : sewable(graph, schoolTree(graph, members, school, inner));
    const tree = keepApart(graph, taught ?? improve(inner.order(members)), apart);
    return { tree, isExact: false, isTaught: taught !== undefined };
  }
  const { found, figure, isExact } = candidates(task);
  const chosen = found.length === 1 ? itemAt(found, 0) : task.choose(graph, found, figure);
  return { ...chosen, isExact, isTaught: true };
}

interface Candidates {
  readonly found: readonly Candidate[];
  readonly figure: Figure | undefined;
  readonly isExact: boolean;
}

/** Orders of a group that may serve, the exact or the plainest first. */
function candidates(task: GroupTask): Candidates {
  const { graph, members, apart, goOn } = task;
  const figure = members.length <= MOST_TURNED ? recogniseFigure(graph, members) : undefined;
  const isPlain = figure?.name === 'mosaic' || figure?.name === 'rosette';
  const isLarge = members.length > MOST_WEIGHED && hasNoLines(graph);
  if (isLarge && (members.length > MOST_TURNED ? isField(graph, members) : isPlain))
    return { found: fieldOrders(task, figure), figure, isExact: false };
  const costs = new TreeWays(graph);
  const improve = (tree: Tree) => improveTree(graph, tree, apart, goOn, costs);
  const inner: Inner = { order: (own) => cutTree(graph, own, goOn), improve };
  const exact = exactTree(graph, members, apart);
  const plain = exact ?? keepApart(graph, cutTree(graph, members, goOn), apart);
  // Of all large groups that were compared the improved order was the quicker by far: the plain one is not sewn just to be timed.
  const isTimed = exact !== undefined || members.length <= MOST_TURNED;
  const found: Candidate[] = isTimed ? [{ tree: plain, kind: 'plain' }] : [];
  const add = (kind: TreeKind, tree: Tree) => found.push({ kind, tree: keepApart(graph, tree, apart) });
  const isSmall = members.length <= MOST_COMPARED;
  if (!exact) found.push({ tree: improve(plain), kind: 'plain' });
  if (members.length >= 4 && members.length <= MOST_TURNED) {
    for (const other of isSmall ? COMPARED : (['wedges'] as const)) {
      const taught = sewable(graph, schoolTree(graph, members, other, inner));
      if (!taught) continue;
      add(other, taught);
      if (!exact && other !== 'wedges') found.push({ kind: 'plain', tree: improve(lastOf(found).tree) });
    }
  }
  const [star] = figure?.taught.includes('halves') ? findStars(graph, members) : [];
  if (star) add('halves', starTree(graph, star));
  for (const kind of ['star-first', 'figures'] as const) {
    if (figure?.taught.includes(kind)) for (const tree of madeFirst(task, kind)) add(kind, tree);
  }
  if (exact && figure?.name === 'rosette') add('rings', ringsTree(graph, members));
  if (!exact && isPlain) found.push(...fieldOrders(task, figure));
  return { found, figure, isExact: exact !== undefined };
}

/**
 * Orders of a field of one shape. Nothing is learnt there by making units alike: what counts is that the thread goes on and that
 * the work stays small in the hand; a strip is cut where that serves best. Of a rosette also its rings.
 */
function fieldOrders(task: GroupTask, figure: Figure | undefined): Candidate[] {
  const { graph, members, apart } = task;
  const sizes = PIECES.find(({ upTo }) => members.length <= upTo)?.sizes ?? [];
  const tried = sizes.filter((most, i) => i === 0 || members.length > most / 2);
  const found = tried.map((most): Candidate => ({ kind: 'pieces', tree: piecesTree(task, members, most) }));
  const strips = stripTrees(task, members);
  for (const tree of strips) found.push({ kind: 'pieces', tree });
  const isFew = (tree: Tree) => isSparing(graph, tree, task.settings);
  if (strips.length > 0 && members.length >= LEAST_SPARED && !found.some(({ tree }) => isFew(tree))) {
    const sparing = sparingStripTree(task, members, isFew);
    if (sparing) found.push({ kind: 'pieces', tree: sparing });
  }
  if (figure?.name === 'rosette') found.push({ kind: 'rings', tree: ringsTree(graph, members) });
  return found.map(({ kind, tree }) => ({ kind, tree: keepApart(graph, tree, apart) }));
}

/**
 * Orders that make some units first, all alike, and then whatever may serve with those: stars, or all figures of the group.
 * @returns none where the group has no such units
 */
function madeFirst(task: GroupTask, kind: 'star-first' | 'figures'): Tree[] {
  const { graph, members } = task;
  const motifs = kind === 'figures' ? findMotifs(graph, members) : findStars(graph, members);
  const units = motifs.filter(({ patches }) => patches.length < members.length);
  if (units.length === 0) return [];
  const pins = units.map(({ patches }): Pin => ({ patches, school: 'best' }));
  const small = withUnits(task, pins, 'best');
  return candidates(small.task).found.map(({ tree }) => small.expand(tree));
}

/** The one of those orders that serves best. */
function firstOrder(task: GroupTask, kind: 'star-first' | 'figures'): Tree | undefined {
  const found = madeFirst(task, kind).map((tree): Candidate => ({ kind, tree }));
  return found.length === 0 ? undefined : task.choose(task.graph, found, undefined).tree;
}

/** A tree whose joins all have seams to sew. In a rough drawing a wedge that turns onto another need not hang together as that does. */
function sewable(graph: SeamGraph, tree: Tree | undefined): Tree | undefined {
  return tree && treeCost(graph, tree).bends < Infinity ? tree : undefined;
}
