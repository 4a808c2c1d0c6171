import fc from 'fast-check';
import { expect, test } from 'vitest';
import { makePaper } from '../catalogue';
import { mirrored } from '../geometry';
import { PAPER_MARKS, findLookAlikes, markOf, proposeMarks } from '.';

const bar = (lengthMm: number) => makePaper({ family: 'rectangle', widthMm: 30, lengthMm });
const named = (lengths: readonly number[]) => lengths.map((one) => ({ name: `${one}`, outline: bar(one), isHanded: false })); // prettier-ignore

test('papers that are hard to tell apart never bear the same mark, and what resembles nothing bears none', () => {
  const lengths = fc.uniqueArray(fc.integer({ min: 40, max: 60 }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(lengths, (list) => {
      const papers = named(list);
      const found = findLookAlikes(papers);
      const marks = proposeMarks(papers);
      const alike = new Set<number>();
      for (const one of found) {
        if (one.kind !== 'pair') continue;
        const [a, b] = one.papers;
        alike.add(a).add(b);
        expect(marks[a] === marks[b], `${list[a]} and ${list[b]}`).toBe(false);
      }
      marks.forEach((mark, index) => expect(mark === undefined || alike.has(index)).toBe(true));
    }),
    { numRuns: 40 },
  );
});

test('what the host chose comes first and others give way to it; no mark is a choice too', () => {
  const papers = named([50, 52, 80]);
  expect(proposeMarks(papers)).toEqual([undefined, 'stripe', undefined]);
  const chosen = [
    { outline: mirrored(bar(50)), mark: 'stripe' as const },
    { outline: bar(80), mark: 'two dots' as const },
  ];
  expect(proposeMarks(papers, chosen)).toEqual(['stripe', undefined, 'two dots']);
  expect(proposeMarks(papers, [{ outline: bar(52), mark: 'none' }])).toEqual(['stripe', undefined, undefined]); // prettier-ignore
});

test('a paper is known by its mark wherever and however it lies', () => {
  const marked = PAPER_MARKS.map((mark, i) => ({ outline: bar(40 + 5 * i), mark }));
  for (const { outline, mark } of marked) expect(markOf(mirrored(outline), marked)).toBe(mark);
  expect(markOf(bar(100), marked)).toBeUndefined();
});
