import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { partition, rosette, starOfDiamonds } from '../testing';
import { bendsDue } from './bendsDue';
import { exactTree } from './exactTree';
import { treeCost } from './treeCost';
import { TreeWays } from './treeWays';

const cutUp = fc
  .array(fc.record({ which: fc.nat(50), share: fc.integer({ min: 2, max: 8 }).map((tenths) => tenths / 10) }), { minLength: 2, maxLength: 8 })
  .map((cuts) => partition(240, 200, cuts)); // prettier-ignore

test('a limit leaves out what is as dear, and finds what is cheaper at the same cost as without one', () => {
  fc.assert(
    fc.property(cutUp, (patches) => {
      const graph = buildSeamGraph(patches);
      const members = patches.map((_, index) => index);
      const free = exactTree(graph, members)!;
      const cost = new TreeWays(graph).costOf(free);
      const within = exactTree(graph, members, [], new TreeWays(graph), cost + 1e-6)!;
      // Of orders that cost the same either may be the one that is found.
      expect(new TreeWays(graph).costOf(within)).toBeCloseTo(cost, 9);
      expect(exactTree(graph, members, [], new TreeWays(graph), cost - 1e-6)).toBeUndefined();
    }),
    { numRuns: 60 },
  );
});

test('the bends that a set of patches is due are those of its best order where every point asks for one, and never more', () => {
  const dueOf = (patches: ReturnType<typeof rosette>, members: readonly number[]) => {
    const graph = buildSeamGraph(patches);
    const place = new Map(members.map((patch, index) => [patch, index]));
    const seams = graph.seams.flatMap(({ patches: both }, seam) => (both.every((one) => place.has(one)) ? [seam] : []));
    const due = bendsDue(graph, place, seams, members.length);
    return { due, least: treeCost(graph, exactTree(graph, members)!).bends };
  }; // prettier-ignore
  // Seven hexagons close six points; three that share one close it; two close none.
  const seven = dueOf(rosette(1), [0, 1, 2, 3, 4, 5, 6]);
  expect([seven.due.at(-1), seven.least]).toEqual([6, 6]);
  expect(dueOf(rosette(1), [0, 1, 2]).due.at(-1)).toBe(dueOf(rosette(1), [0, 1, 2]).least);
  expect(dueOf(rosette(1), [1, 2]).due.at(-1)).toBe(0);
  // Through the middle of a star of eight a line goes straight.
  expect(dueOf(starOfDiamonds(8), [0, 1, 2, 3, 4, 5, 6, 7]).due.at(-1)).toBe(0);
  fc.assert(
    fc.property(cutUp, (patches) => {
      const { due, least } = dueOf(patches, patches.map((_, index) => index)); // prettier-ignore
      expect(due.at(-1)).toBeLessThanOrEqual(least);
    }),
    { numRuns: 60 },
  );
});
