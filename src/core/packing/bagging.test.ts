import fc from 'fast-check';
import { expect, test } from 'vitest';
import { USUAL_BAGGING, bagAccount, outerBags, type Bagging } from '.';

const drops = [
  { id: 'd1', title: 'Drop 1', blocks: ['a', 'b'] },
  { id: 'd2', title: 'Drop 2', blocks: ['c', 'b'] },
];
const way = (per: Bagging['per'], isInner = false): Bagging => ({ per, isInner });

test('a bag of a drop holds what the maker sews of it; a block of two drops comes with the first, one of none by itself', () => {
  const order = ['a', 'b', 'c', 'd'];
  const mixed = { usual: way('drop'), drops: { d2: way('block', true) } };
  expect(outerBags(order, drops, mixed)).toEqual([
    { key: 'd1', drop: 'Drop 1', blocks: ['a', 'b'], isInner: false },
    { key: 'c', drop: undefined, blocks: ['c'], isInner: true },
    { key: 'd', drop: undefined, blocks: ['d'], isInner: false },
  ]);
  expect(outerBags(order, drops, mixed, ['a', 'd']).map(({ blocks }) => blocks)).toEqual([['b'], ['c']]);
  // Of what is left of Drop 1 there is no bag in a bag.
  expect(outerBags(order, drops, mixed, ['a'])[0]).toEqual({ key: 'b', drop: undefined, blocks: ['b'], isInner: false }); // prettier-ignore
  expect(outerBags(order, drops, USUAL_BAGGING).map(({ key }) => key)).toEqual(order);
});

test('whatever is chosen, every block that a maker sews lies in exactly one bag, in its order', () => {
  const ids = ['a', 'b', 'c', 'd', 'e'];
  const bagging = fc.record({ per: fc.constantFrom('block', 'drop'), isInner: fc.boolean() }) as fc.Arbitrary<Bagging>; // prettier-ignore
  const some = fc.subarray(ids);
  const choices = fc.record({ usual: bagging, drops: fc.dictionary(fc.constantFrom('x', 'y'), bagging) });
  fc.assert(
    fc.property(some, some, some, choices, (skips, x, y, own) => {
      const all = [{ id: 'x', title: 'X', blocks: x }, { id: 'y', title: 'Y', blocks: y }]; // prettier-ignore
      const bags = outerBags(ids, all, own, skips);
      expect(bags.flatMap(({ blocks }) => blocks).sort()).toEqual(ids.filter((id) => !skips.includes(id)));
      for (const { blocks } of bags) expect(blocks).toEqual(ids.filter((id) => blocks.includes(id)));
      expect(new Set(bags.map(({ key }) => key)).size).toBe(bags.length);
    }),
  );
});

test('what is in no bag or named for two is told with the names, and nothing where all lies in one', () => {
  const block = (id: string, settingPieces = 0) => ({ id, name: id.toUpperCase(), settingPieces });
  const makers = [{ name: 'Ada', skips: ['c', 'e'] }, { name: 'Bo', skips: ['e'] }]; // prettier-ignore
  expect(bagAccount({ blocks: [block('a', 3)], drops: drops.slice(0, 1), makers })).toEqual([]);
  expect(bagAccount({ blocks: [block('a')], drops: [], makers })).toEqual([]);
  expect(
    bagAccount({ blocks: [block('b'), block('c', 2), block('d'), block('e', 1)], drops, makers }),
  ).toEqual([
    'B is in Drop 1 and Drop 2: it is packed once, with Drop 1.',
    'Ada does not sew C: what the setting gives to it (2 pieces: strips, cornerstones or its square) is in none of their bags. Hand it out apart if their top has that place.',
    'D is in no drop: it has a bag of its own, and nothing says when it is handed out.',
    'E is in no drop: it has a bag of its own, and nothing says when it is handed out.',
    'Nobody sews E: it is in no bag.',
  ]);
});
