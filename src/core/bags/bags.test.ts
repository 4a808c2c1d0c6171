import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { planAssembly } from '../assembly';
import { papersInPlay, projectPapers, withSpares, type SpareRule } from '../papers';
import { paperRuns } from '../printing';
import { groupKinds } from '../shapes';
import { cutGrid, rosette } from '../testing';
import { bagContents, pickList, spareRule } from '.';

const SETTINGS = { sparesPercent: 5, allowanceMm: 6.35, system: 'inch' as const };
const bagOf = (patches: ReturnType<typeof rosette>) =>
  bagContents(patches, groupKinds(patches.map(({ outline }) => outline)), SETTINGS);

test('a bag holds every paper with spares rounded up, and cloth for every patch', () => {
  const patches = rosette(3).map((one, i) => ({ ...one, fabric: i < 20 ? 'Tar' : 'Rope' }));
  const { papers, fabrics } = bagOf(patches);
  expect(papers).toMatchObject([{ name: '1″ hexagon', count: 37, spares: 2 }]);
  expect(fabrics.map(({ fabric, cuts }) => [fabric, cuts.map(({ count }) => count)])).toEqual([['Rope', [17]], ['Tar', [20]]]);
  // Flat to flat 1.732″ and point to point 2″, ¼″ all round, up to the next ⅛″.
  expect(fabrics[0]?.cuts[0]?.widthMm).toBeCloseTo(2.25 * 25.4, 6);
  expect(fabrics[0]?.cuts[0]?.lengthMm).toBeCloseTo(2.5 * 25.4, 6);
}); // prettier-ignore

test('spares of a paper follow its own rule in the bag, the print and the count of the project; nothing spare of what is not there', () => {
  const patches = rosette(3);
  const sorted = groupKinds(patches.map(({ outline }) => outline));
  const sparesBy = (rule: SpareRule | undefined, name = '1″ hexagon') => {
    const spareRules = rule ? { [name]: rule } : {};
    const [bag] = bagContents(patches, sorted, { ...SETTINGS, spareRules }).papers;
    const [run] = paperRuns({ patches }, [], 'inch', SETTINGS.sparesPercent, spareRules);
    const block = { id: 'a', name: 'A', patches, joins: [], usesPerPaper: patches.map(() => 1) };
    const [kind] = projectPapers([block], null, SETTINGS.sparesPercent, (own) => spareRule(own, { system: 'inch', spareRules })).kinds; // prettier-ignore
    return [bag!.spares, run!.count - 37, kind!.inBags - 37, kind!.policies['all-first'].needed - 37];
  };
  expect(sparesBy(undefined)).toEqual([2, 2, 2, 2]);
  expect(sparesBy({ percent: 20 })).toEqual([8, 8, 8, 8]);
  expect(sparesBy({ count: 5 })).toEqual([5, 5, 5, 5]);
  expect(sparesBy({ count: 0 })).toEqual([0, 0, 0, 0]);
  expect(sparesBy({ count: 5 }, '2″ hexagon')).toEqual([2, 2, 2, 2]);
  expect(withSpares(0, 5, { count: 5 })).toBe(0);
});

test('the pick list adds up blocks that take the same thing, and says how', () => {
  const [a, b] = [bagOf(rosette(1)), bagOf(rosette(2))];
  const { papers, cloth } = pickList([{ block: 'A', contents: a, bags: 14 }, { block: 'B', contents: b, bags: 3 }]); // prettier-ignore
  expect(papers).toMatchObject([{ what: '1″ hexagon', total: 14 * 8 + 3 * 20 }]);
  expect(papers[0]?.parts).toEqual([{ block: 'A', perBag: 8, bags: 14 }, { block: 'B', perBag: 20, bags: 3 }]); // prettier-ignore
  expect(cloth.reduce((sum, { lines }) => sum + lines.reduce((all, { total }) => all + total, 0), 0)).toBe(
    7 * 14 + 19 * 3,
  );
});

test('what one block takes twice stands once in its line; wide cuts come first', () => {
  const [a, b] = [bagOf(rosette(1)), bagOf(cutGrid(2, 2, [0]))];
  const { papers, cloth } = pickList([{ block: 'A', contents: a, bags: 2 }, { block: 'B', contents: a, bags: 3 }, { block: 'A', contents: a, bags: 2 }, { block: 'C', contents: b, bags: 1 }]); // prettier-ignore
  expect(papers.find(({ what }) => what === '1″ hexagon')?.parts).toEqual([{ block: 'A', perBag: 16, bags: 2 }, { block: 'B', perBag: 8, bags: 3 }]); // prettier-ignore
  for (const { lines } of cloth) {
    const widths = lines.map(({ widthMm }) => widthMm);
    expect(widths).toEqual([...widths].sort((x, y) => y - x));
    expect(new Set(widths).size).toBe(2);
  }
});

test.each([[0, 5, 0], [20, 5, 21], [21, 5, 23], [100, 0, 100], [3, 100, 6]])('%d papers with %d %% spares are %d', (count, percent, all) => {
  expect(withSpares(count, percent)).toBe(all);
}); // prettier-ignore

test('just-in-time basting needs no more papers than basting all first, and never fewer than the open edges hold', () => {
  const graph = buildSeamGraph(cutGrid(6, 6, [0]));
  const { joins } = planAssembly(graph);
  const kindOf = new Int32Array(36);
  const [first] = papersInPlay(joins, kindOf, 1, 'all-first');
  const [late] = papersInPlay(joins, kindOf, 1, 'just-in-time');
  expect(first).toMatchObject({ uses: 36, peakInUse: 36, needed: 36 });
  expect(late?.peakInUse).toBeLessThan(36);
  expect(late?.peakInUse).toBeGreaterThanOrEqual(20);
});
