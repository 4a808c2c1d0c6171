import type { SeamGraph } from '../block';
import { pairsTree } from './pairsTree';
import { ringsTree } from './ringsTree';
import { LAID_DIRECTIONS, isCurved, rowsTree } from './rowsTree';
import type { Tree } from './tree';
import { wedgesTree, type Inner } from './wedgesTree';

/** Ways of ordering the work that are taught. */
export type School =
  'best' | 'quickest' | 'rows' | 'rings' | 'wedges' | 'pairs' | 'star-first' | 'figures' | 'base-strip';

/** What each school is called, and what speaks for it. */
export const SCHOOLS: Readonly<Record<School, { readonly name: string; readonly what: string }>> = {
  best: { name: 'Fewest bends', what: 'The fewest bends, then the fewest threads; straight seams first.' },
  quickest: {
    name: 'Least minutes',
    what: 'Of the orders with the fewest bends the quickest, even where it is not the one that is taught.',
  },
  rows: {
    name: 'Rows',
    what: 'Patches into rows, rows into the block: easy to lay out and to check, long seams at the end.',
  },
  rings: {
    name: 'Centre out',
    what: 'One patch after another round the middle: always in the hand, a bend at nearly every patch.',
  },
  wedges: {
    name: 'Equal wedges',
    what: 'The same group several times, then halves, then one long seam: learn it once.',
  },
  pairs: {
    name: 'Pairs, fours, eights',
    what: 'Two and two, then four and four: many alike, small in the hand for long.',
  },
  'star-first': {
    name: 'Star first',
    what: 'The star in two halves and one straight seam, then what is set in round it: the points meet first, while little hangs on them.',
  },
  figures: {
    name: 'Figures first',
    what: 'Stars, cubes, kites with their wings and squares of two triangles first, all alike; then the rest with those.',
  },
  'base-strip': {
    name: 'Laid over a base strip',
    what: 'Row by row, each patch laid over the row before and sewn down along its curve: no bends, but the final width must be known first.',
  },
};

/**
 * The order that a school teaches for one connected group.
 * @param inner orders what the school leaves open
 * @returns undefined where the school does not apply: no rows, no turn onto itself
 */
export function schoolTree(
  graph: SeamGraph,
  members: readonly number[],
  school: Exclude<School, 'best' | 'quickest' | 'star-first' | 'figures'>,
  inner: Inner,
): Tree | undefined {
  if (members.length < 3) return undefined;
  switch (school) {
    case 'rows':
      return rowsTree(graph, members);
    case 'rings':
      return ringsTree(graph, members);
    case 'wedges':
      return wedgesTree(graph, members, inner);
    case 'pairs':
      return pairsTree(graph, members);
    case 'base-strip':
      return isCurved(graph, members) ? rowsTree(graph, members, LAID_DIRECTIONS) : undefined;
  }
}
