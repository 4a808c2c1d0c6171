import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultPaper, makePaper } from '../catalogue';
import { mirrored, moveOutline, turnAbout } from '../geometry';
import { isSamePaper } from '../shapes';
import { withKindChoice, type KindChoice } from '.';

const papers = (['slanted-strip', 'kite', 'regular', 'jewel'] as const).map((family) => makePaper(defaultPaper(family))); // prettier-ignore

test('each paper is remembered once, either way up and wherever it lies; what is proposed again is forgotten', () => {
  const press = fc.record({
    paper: fc.nat(papers.length - 1),
    turn: fc.integer({ min: 0, max: 359 }),
    isOver: fc.boolean(),
    choice: fc.record(
      {
        convention: fc.constantFrom('clockwise', 'long-first', null),
        method: fc.constantFrom('glue', 'starch', null),
      },
      { requiredKeys: [] },
    ),
  });
  fc.assert(
    fc.property(fc.array(press, { maxLength: 12 }), (presses) => {
      const model = new Map<number, KindChoice>();
      let kinds: ReturnType<typeof withKindChoice> = [];
      for (const { paper, turn, isOver, choice } of presses) {
        const still = papers[paper]!;
        const laid = moveOutline(turnAbout({ x: 3, y: 9 }, turn), isOver ? mirrored(still) : still);
        kinds = withKindChoice(kinds, laid, choice);
        model.set(paper, { ...model.get(paper), ...choice });
      }
      papers.forEach((paper, index) => {
        const { convention, method } = model.get(index) ?? {};
        const found = kinds.filter((one) => isSamePaper(one.outline, paper));
        const wanted = { ...(convention ? { convention } : {}), ...(method ? { method } : {}) };
        expect(found.map(({ outline: _, ...rest }) => rest)).toEqual(Object.keys(wanted).length > 0 ? [wanted] : []); // prettier-ignore
      });
    }),
  );
});
