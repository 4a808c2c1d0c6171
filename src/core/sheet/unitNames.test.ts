import { expect, test } from 'vitest';
import { buildSeamGraph, type Patch } from '../block';
import { cutGrid, patch, plannedSheet, rosette, starOfDiamonds } from '../testing';
import { Names } from './names';
import { UnitNames } from './unitNames';
import type { JoinStep } from '.';

const SETTINGS = { sparesPercent: 5, allowanceMm: 6.35, system: 'inch' as const };
const stepsOf = (patches: readonly Patch[], order?: object) => plannedSheet(patches, SETTINGS, undefined, order ? { order: { school: 'best', ...order } } : {}).steps.filter((step): step is JoinStep => step.kind === 'join'); // prettier-ignore
const firstOf = ({ text }: JoinStep) => /^Right sides together, sew (.*?): /.exec(text)?.[1];

test('rows are counted from the top, what is not whole yet is so far, and several together are told from and to', () => {
  const steps = stepsOf(cutGrid(4, 3, [0]), { school: 'rows' });
  const said = steps.map((step) => `${firstOf(step)}${/ This makes [^.]+\./.exec(step.text)?.[0] ?? ''}`);
  expect(said.some((text) => /to row 1 so far \(3 patches\) This makes row 1\./.test(text))).toBe(true);
  expect(said).toContain('row 2 to row 1 This makes rows 1 and 2.');
  expect(said.at(-1)).toBe('row 3 to rows 1 and 2');
});

test('a piece without a name is told by the numbers on its papers, in their order; a large one by the lowest', () => {
  const names = new Names(buildSeamGraph(cutGrid(4, 3, [0])), [], () => 'square');
  expect(names.of([10, 1, 8])).toBe('the piece of 2, 9, 11');
  expect(names.of([10, 1, 8, 9, 5, 4])).toBe('the piece of 2, 5, 6, 9, 10, 11');
  expect(names.of([10, 1, 8, 9, 5, 4, 6])).toBe('the piece with 2 (7 patches)');
});

test('a rosette grows by one name, a star is one when it is whole', () => {
  const grown = stepsOf(rosette(2)).map(firstOf);
  for (const [i, text] of grown.slice(7).entries()) expect(text).toMatch(new RegExp(`to the rosette so far \\(${i + 8} patches\\)$`)); // prettier-ignore
  expect(stepsOf(starOfDiamonds(6)).at(-1)?.text).toMatch(/sew the (lower|right) half to the (upper|left) half: .* This makes the star\./);
}); // prettier-ignore

test('the two halves of a star within a block are called so, as they lie', () => {
  const star = starOfDiamonds(6);
  const [tip, corner] = [star[0]!.outline.corners[2]!, star[0]!.outline.corners[1]!];
  // A triangle at the tip of one of its points: the star is not the whole block.
  const graph = buildSeamGraph([...star, patch(6, [[tip.x, tip.y], [corner.x, corner.y], [tip.x + 9, tip.y - 40]])]); // prettier-ignore
  const joins = [{ left: [0], right: [1] }, { left: [0, 1], right: [2] }, { left: [3], right: [4] }, { left: [3, 4], right: [5] }, { left: [0, 1, 2], right: [3, 4, 5] }, { left: [0, 1, 2, 3, 4, 5], right: [6] }]; // prettier-ignore
  const names = new UnitNames(graph, joins);
  expect([names.nameOf([0, 1, 2]), names.nameOf([3, 4, 5]), names.nameOf([0, 1, 2, 3, 4, 5])]).toEqual(['the lower half of the star', 'the upper half of the star', 'the star']); // prettier-ignore
});

test('the last two of a block are its halves, as they lie', () => {
  const graph = buildSeamGraph(cutGrid(2, 2, [0]));
  const down = [{ left: [0], right: [2] }, { left: [1], right: [3] }, { left: [1, 3], right: [0, 2] }]; // prettier-ignore
  const names = new UnitNames(graph, down);
  expect([names.nameOf([0, 2]), names.nameOf([3, 1]), names.nameOf([0, 1])]).toEqual(['the left half', 'the right half', undefined]); // prettier-ignore
  const over = [{ left: [0], right: [1] }, { left: [2], right: [3] }, { left: [2, 3], right: [0, 1] }]; // prettier-ignore
  expect(new UnitNames(graph, over).nameOf([0, 1])).toBe('row 1');
  // Those that are alike go by their letter.
  const alike = down.map((join, i) => (i < 2 ? { ...join, repeat: { letter: 'A', copy: i + 1, copies: 2 } } : join)); // prettier-ignore
  expect([new UnitNames(graph, alike).nameOf([0, 2]), new UnitNames(graph, alike).alikeName([0, 2])]).toEqual([undefined, 'pair A']); // prettier-ignore
});

test('whatever the block, a thing is called by one name from when it is made, and no two that differ by the same', () => {
  for (const patches of [rosette(2), cutGrid(4, 4, [0, 1]), starOfDiamonds(8)]) {
    const graph = buildSeamGraph(patches);
    const steps = stepsOf(patches);
    const names = new UnitNames(graph, steps);
    const said = new Map<string, string>();
    for (const { left, right } of steps) {
      const unit = [...left, ...right];
      const name = names.nameOf(unit);
      if (!name) continue;
      expect(names.alikeName(unit)).toBeUndefined();
      expect(said.get(name) ?? unit.join()).toBe(unit.join());
      said.set(name, unit.join());
    }
  }
});
