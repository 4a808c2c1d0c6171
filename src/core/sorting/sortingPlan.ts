/** Papers of one kind in a heap that is to be sorted. */
export interface HeapKind {
  readonly name: string;
  readonly count: number;
}

/** One cup of a round: the kinds that are put into it together; a single one is sorted then. */
export interface CupContent {
  readonly kinds: readonly string[];
  readonly pieces: number;
}

/** One round at the sorter: what is taken up, and what goes into which cup. */
export interface SortingRound {
  /** What is sorted: the whole heap, or what a cup of an earlier round holds. */
  readonly kinds: readonly string[];
  readonly pieces: number;
  readonly cups: readonly CupContent[];
}

export interface SortingPlan {
  /** In the order in which they are done: the heap first, then cups that hold several kinds. */
  readonly rounds: readonly SortingRound[];
  /** How often a piece is taken up, all together; dealing them out into bags not counted. */
  readonly touches: number;
}

interface Node {
  readonly pieces: number;
  readonly kinds: readonly string[];
  readonly parts: readonly Node[];
}

/**
 * Sorts a heap of several kinds with so many cups so that pieces are taken up as seldom as can be: a round puts every piece of what it
 * sorts into a cup, and a cup with several kinds is sorted in a round of its own. That is a tree whose leaves are the kinds, and the
 * touches are their counts times their depths: least by the code of Huffman for as many signs as there are cups (1952).
 * Cost: n log n for n kinds.
 * @param cups at least 2
 */
export function sortingPlan(kinds: readonly HeapKind[], cups: number): SortingPlan {
  const some = kinds.filter(({ count }) => count > 0);
  if (some.length < 2) return { rounds: [], touches: 0 };
  const most = Math.max(2, Math.floor(cups));
  const nodes: Node[] = some.map(({ name, count }) => ({ pieces: count, kinds: [name], parts: [] }));
  // The first joining may be smaller, so that all others fill every cup.
  let take = nodes.length <= most ? nodes.length : ((nodes.length - 2) % (most - 1)) + 2;
  while (nodes.length > 1) {
    // Stable: of equals the earlier kind, so that a plan is the same each time.
    nodes.sort((a, b) => a.pieces - b.pieces || a.kinds.length - b.kinds.length);
    const parts = nodes.splice(0, take);
    nodes.push(joined(parts));
    take = Math.min(most, nodes.length);
  }
  const rounds = roundsOf(nodes[0] as Node);
  return { rounds, touches: rounds.reduce((sum, { pieces }) => sum + pieces, 0) };
}

function joined(parts: readonly Node[]): Node {
  return {
    pieces: parts.reduce((sum, { pieces }) => sum + pieces, 0),
    kinds: parts.flatMap(({ kinds }) => kinds),
    parts,
  };
}

/** Rounds from the heap down, those of one depth together: what lies in cups is sorted before more is added. */
function roundsOf(root: Node): SortingRound[] {
  const rounds: SortingRound[] = [];
  const open: Node[] = [root];
  for (let node = open.shift(); node; node = open.shift()) {
    if (node.parts.length === 0) continue;
    const cups = [...node.parts].sort((a, b) => b.pieces - a.pieces);
    rounds.push({ kinds: node.kinds, pieces: node.pieces, cups: cups.map(({ kinds, pieces }) => ({ kinds, pieces })) }); // prettier-ignore
    open.push(...cups);
  }
  return rounds;
}

/** What one block takes of each kind, for all of its bags. */
export type BlockTakes = readonly HeapKind[];

/** How often a piece is taken up in the mean, dealing out into bags counted, sorted all at once and block by block. */
export interface TouchesCompared {
  readonly pieces: number;
  readonly atOnce: number;
  readonly blockByBlock: number;
}

/**
 * Compares sorting a heap of several blocks at once with going through it block by block: there each block’s pieces are looked for in
 * all that is left, and then sorted by kind.
 */
export function compareTouches(blocks: readonly BlockTakes[], cups: number): TouchesCompared {
  const piecesOf = (kinds: BlockTakes) => kinds.reduce((sum, { count }) => sum + count, 0);
  const pieces = blocks.reduce((sum, kinds) => sum + piecesOf(kinds), 0);
  if (pieces === 0) return { pieces: 0, atOnce: 0, blockByBlock: 0 };
  let [left, touches] = [pieces, 0];
  blocks.forEach((kinds, index) => {
    // Of the last block nothing has to be looked for: it is what is left.
    if (index < blocks.length - 1) touches += left;
    touches += sortingPlan(kinds, cups).touches;
    left -= piecesOf(kinds);
  });
  return {
    pieces,
    atOnce: (sortingPlan(together(blocks), cups).touches + pieces) / pieces,
    blockByBlock: (touches + pieces) / pieces,
  };
}

/** What several blocks take of each kind together, in the order in which the kinds first come. */
export function together(blocks: readonly BlockTakes[]): HeapKind[] {
  const sums = new Map<string, number>();
  for (const { name, count } of blocks.flat()) sums.set(name, (sums.get(name) ?? 0) + count);
  return [...sums].map(([name, count]) => ({ name, count }));
}
