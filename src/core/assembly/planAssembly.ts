import { groupsOf, type Seam, type SeamGraph } from '../block';
import { bendsBound } from './bendsBound';
import { findCut } from './findCut';
import { chainsOf, type Chain } from './interface';
import { releaseAfterJoins } from './releases';
import { sewInOrder } from './sewInOrder';
import { DEFAULT_SEWING, type SewingSettings } from './sewingSettings';

/** Sewing two units together along all seams between them. */
export interface Join {
  /** `j1`, `j2`, … in sewing order. */
  readonly id: string;
  /** Patch indices of the larger unit, and of the smaller one. */
  readonly left: readonly number[];
  readonly right: readonly number[];
  readonly seams: readonly number[];
  /** In the direction in which to sew. */
  readonly chains: readonly Chain[];
  readonly bends: number;
  readonly lengthMm: number;
  /** Threads begun for this join; 0 when the thread of the join before carries on and suffices. */
  readonly threadStarts: number;
  readonly carriesOn: boolean;
  readonly minutes: number;
  /** Patches whose papers may come out now. */
  readonly releases: readonly number[];
}

export interface AssemblyPlan {
  readonly school: 'best';
  readonly bendsBound: number;
  readonly joins: readonly Join[];
  readonly totals: {
    readonly joins: number;
    readonly bends: number;
    readonly threadStarts: number;
    readonly minutes: number;
  };
}

/** Called now and then with the share done, 0 to 1; return false to stop. */
export type ReportProgress = (share: number) => boolean | void;

/** Thrown when a progress callback asks to stop. */
export class CancelledError extends Error {}

interface Tree {
  readonly members: readonly number[];
  readonly parts?: readonly [Tree, Tree];
}

/**
 * Plans the order of sewing for every layer and every connected group of a block.
 * Guarantees: each seam is sewn exactly once, each join puts together two connected units along all seams between
 * them, and no paper is released before all its edges are sewn. Bends equal the bound wherever straight cuts allow it.
 * Cost: about n log n in the number of patches for drawings that halve well.
 */
export function planAssembly(
  graph: SeamGraph,
  settings: SewingSettings = DEFAULT_SEWING,
  onProgress: ReportProgress = () => true,
): AssemblyPlan {
  const counter = { done: 0, total: graph.patches.length, onProgress };
  const layers = [...new Set(graph.patches.map(({ layer }) => layer))].sort((a, b) => a - b);
  const roots = layers.flatMap((layer) => {
    const own = graph.patches.flatMap((patch, index) => (patch.layer === layer ? [index] : []));
    return groupsOf(graph, own).map((group) => buildTree(graph, group, counter));
  });
  const pairs = roots.flatMap((root) => listJoins(root));
  const bare = pairs.map(({ left, right }) => describeJoin(graph, left, right));
  const joins = sewInOrder(releaseAfterJoins(graph, bare), settings);
  const sum = (value: (join: Join) => number) => joins.reduce((total, join) => total + value(join), 0);
  return {
    school: 'best',
    bendsBound: bendsBound(graph),
    joins,
    totals: {
      joins: joins.length,
      bends: sum(({ bends }) => bends),
      threadStarts: sum(({ threadStarts }) => threadStarts),
      minutes: sum(({ minutes }) => minutes),
    },
  };
}

interface Counter {
  done: number;
  readonly total: number;
  readonly onProgress: ReportProgress;
}

function buildTree(graph: SeamGraph, members: readonly number[], counter: Counter): Tree {
  if (members.length === 1) {
    counter.done += 1;
    const goOn = counter.done % 16 !== 0 || counter.onProgress(counter.done / counter.total) !== false;
    if (!goOn) throw new CancelledError('The planning was cancelled.');
    return { members };
  }
  const groups = findCut(graph, members);
  return joinTrees(
    graph,
    groups.map((group) => buildTree(graph, group, counter)),
  );
}

/** Puts units together one by one, each time the neighbour that costs the fewest chains and bends. */
function joinTrees(graph: SeamGraph, trees: readonly Tree[]): Tree {
  const waiting = [...trees].sort((a, b) => b.members.length - a.members.length);
  let whole = waiting.shift() as Tree;
  while (waiting.length > 0) {
    const costs = waiting.map((tree) => joinCost(graph, whole.members, tree.members));
    const best = costs.indexOf(Math.min(...costs));
    const [next] = waiting.splice(best, 1) as [Tree];
    const parts = [whole, next].sort((a, b) => b.members.length - a.members.length) as [Tree, Tree];
    whole = { members: [...whole.members, ...next.members], parts };
  }
  return whole;
}

function joinCost(graph: SeamGraph, left: readonly number[], right: readonly number[]): number {
  const chains = chainsOf(graph, seamsBetween(graph, left, right));
  if (chains.length === 0) return Infinity;
  return chains.length * 1000 + chains.reduce((sum, { bends }) => sum + bends.length, 0);
}

function seamsBetween(graph: SeamGraph, left: readonly number[], right: readonly number[]): number[] {
  const [few, many] = left.length < right.length ? [left, new Set(right)] : [right, new Set(left)];
  const seams = new Set<number>();
  for (const patch of few) {
    for (const seam of graph.seamsOf[patch] as readonly number[]) {
      const [a, b] = (graph.seams[seam] as Seam).patches;
      if (many.has(a === patch ? b : a)) seams.add(seam);
    }
  }
  return [...seams].sort((a, b) => a - b);
}

/** Joins of a tree, the larger part's first, each after the joins it needs. Iterative: plans can be deep. */
function listJoins(root: Tree): { left: readonly number[]; right: readonly number[] }[] {
  const backwards: Tree[] = [];
  const stack = [root];
  for (let tree = stack.pop(); tree; tree = stack.pop()) {
    if (!tree.parts) continue;
    backwards.push(tree);
    stack.push(...tree.parts);
  }
  return backwards.reverse().map((tree) => {
    const [left, right] = tree.parts as readonly [Tree, Tree];
    return { left: left.members, right: right.members };
  });
}

export type BareJoin = Pick<Join, 'left' | 'right' | 'seams' | 'chains'>;

function describeJoin(graph: SeamGraph, left: readonly number[], right: readonly number[]): BareJoin {
  const seams = seamsBetween(graph, left, right);
  return { left, right, seams, chains: chainsOf(graph, seams) };
}
