import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { BagContents } from '../bags';
import { bagCode, bagState, extraLines, mergeTicks, packingLines, placeOfBag, readBagCode, sayCode, substitutions, type Ticks } from '.'; // prettier-ignore

const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXY';
const code = bagCode('block-1', 'maker-1');

test('a code is the same each time, another for another bag, and read however it is typed', () => {
  expect(bagCode('block-1', 'maker-1')).toBe(code);
  expect(code).toMatch(/^[0-9A-HJKMNP-TV-Y]{9}$/);
  expect(new Set(['block-1/maker-2', 'block-2/maker-1', 'block-1/maker-1'].map((both) => bagCode(...(both.split('/') as [string, string])))).size).toBe(3); // prettier-ignore
  expect(readBagCode(` ${sayCode(code).toLowerCase()} `)).toBe(code);
  expect(sayCode('012345678')).toBe('012-345-678');
  const withOnes = Array.from({ length: 400 }, (_, i) => bagCode('b', String(i))).find((one) => /0/.test(one) && /1/.test(one)) ?? ''; // prettier-ignore
  expect(readBagCode(withOnes.replaceAll('0', 'o').replaceAll('1', 'l'))).toBe(withOnes);
  for (const other of [
    '',
    'hello',
    code.slice(1),
    `${code}0`,
    'x'.repeat(5000),
    'https://elsewhere.example/',
  ])
    expect(readBagCode(other)).toBeUndefined();
});

test('one wrong sign, or two beside each other that changed places, is never taken for a bag', () => {
  const bags = fc.tuple(fc.uuid(), fc.uuid()).map(([block, maker]) => bagCode(block, maker));
  fc.assert(
    fc.property(bags, fc.nat(8), fc.nat(29), (own, place, step) => {
      expect(readBagCode(own)).toBe(own);
      const wrong = SIGNS[(SIGNS.indexOf(own[place]!) + 1 + step) % 31];
      expect(readBagCode(own.slice(0, place) + wrong + own.slice(place + 1))).toBeUndefined();
      const at = place % 7;
      const swapped = own.slice(0, at) + own[at + 1]! + own[at]! + own.slice(at + 2);
      if (swapped !== own) expect(readBagCode(swapped)).toBeUndefined();
    }),
  );
});

const contents = {
  papers: [{ name: '1″ hexagon', count: 37, spares: 2, left: 0, right: 0, kind: { outline: { corners: [], bulges: [] } } }, { name: 'kite', count: 8, spares: 1, left: 4, right: 4, kind: { outline: { corners: [], bulges: [] } } }],
  fabrics: [{ fabric: 'Fog', cuts: [{ kindName: 'kite', widthMm: 50, lengthMm: 75, count: 8 }] }],
  extras: [{ kindName: 'strip', widthMm: 40, lengthMm: 300, count: 2 }],
} as unknown as BagContents; // prettier-ignore
const lines = packingLines(contents, 'metric');

test('lines hold all that a bag holds, spares too; what is short, over, and no longer belongs there is told', () => {
  expect(lines.map(({ group, count, what }) => [group, count, what])).toEqual([['papers', 39, '1″ hexagon'], ['papers', 9, 'kite'], ['cloth', 8, 'Fog, 50 mm × 75 mm'], ['top', 2, 'strip, 40 mm × 300 mm']]); // prettier-ignore
  expect(lines[1]?.note).toBe('8 and 1 spare; 4 L, 4 R to wrap');
  const full: Ticks = Object.fromEntries(lines.map(({ key, count }) => [key, { count, at: 1 }]));
  expect(bagState(lines, full)).toMatchObject({ short: 0, over: 0, strays: [], isComplete: true });
  expect(bagState(lines, {})).toMatchObject({ short: 4, isComplete: false });
  const [first = ''] = Object.keys(full);
  expect(bagState(lines, { ...full, [first]: { count: 40, at: 2 } })).toMatchObject({ short: 0, over: 1, isComplete: false }); // prettier-ignore
  const stray = bagState(lines, { ...full, 'papers:square': { count: 3, at: 2 }, 'papers:disc': { count: 0, at: 2 } }); // prettier-ignore
  expect([stray.strays, stray.isComplete]).toEqual([[{ key: 'papers:square', count: 3 }], false]);
});

test('what several helpers say comes out the same in any order and however often it is told; the last word on a line counts', () => {
  const tick = fc.record(
    { count: fc.nat(3), at: fc.nat(4), instead: fc.constantFrom('Slate', 'Tar') },
    { requiredKeys: ['count', 'at'] },
  );
  const said = fc.dictionary(fc.constantFrom('a', 'b', 'c'), tick);
  fc.assert(
    fc.property(said, said, said, (a, b, c) => {
      const all = mergeTicks(mergeTicks(a, b), c);
      expect(mergeTicks(c, mergeTicks(b, a))).toEqual(all);
      expect(mergeTicks(mergeTicks(all, b), all)).toEqual(all);
      for (const key of Object.keys(all)) {
        const latest = Math.max(...[a, b, c].map((one) => one[key]?.at ?? -1));
        expect(all[key]?.at).toBe(latest);
      }
    }),
  );
});

test('what lies in place of something else is told by what belongs there, and only where it lies there', () => {
  expect(
    substitutions({
      'cloth:Fog:kite:50 mm × 75 mm': { count: 8, at: 1, instead: 'Slate' },
      'papers:kite': { count: 0, at: 1, instead: 'disc' },
      'papers:hexagon': { count: 39, at: 1 },
    }),
  ).toEqual([{ what: 'Fog, kite, 50 mm × 75 mm', instead: 'Slate' }]);
});

test('extras: what goes into the first bag goes into one bag of each maker, whatever they leave out; of one name there is one line', () => {
  const extras = { first: [{ what: 'needles', count: 3 }], last: [{ what: 'backing', count: 1 }], every: [{ what: 'needles', count: 1 }] }; // prettier-ignore
  const order = ['a', 'b', 'c'];
  const linesOf = (block: string, skips: string[]) => extraLines(extras, placeOfBag(order, skips, block)).map(({ what, count }) => [what, count]); // prettier-ignore
  expect(linesOf('a', [])).toEqual([['needles', 4]]);
  expect(linesOf('b', [])).toEqual([['needles', 1]]);
  expect(linesOf('c', [])).toEqual([['needles', 1], ['backing', 1]]); // prettier-ignore
  expect(linesOf('b', ['a', 'c'])).toEqual([['needles', 4], ['backing', 1]]); // prettier-ignore
  fc.assert(
    fc.property(fc.subarray(order), (skips) => {
      const own = order.filter((id) => !skips.includes(id));
      const places = own.map((id) => placeOfBag(order, skips, id));
      expect(places.filter(({ isFirst }) => isFirst)).toHaveLength(Math.min(1, own.length));
      expect(places.filter(({ isLast }) => isLast)).toHaveLength(Math.min(1, own.length));
    }),
  );
});
