import fc from 'fast-check';
import { expect, test } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument, type ClothRule, type OrderChoices } from '../block';
import { defaultPaper, makePaper } from '../catalogue';
import { mirrored } from '../geometry';
import { hexagonMosaic } from '../testing';
import { deletePatches, mergeDocuments } from '.';

const base: BlockDocument = { format: BLOCK_FORMAT, patches: hexagonMosaic(9) };
const [kite, jewel] = [makePaper(defaultPaper('slanted-strip')), makePaper(defaultPaper('jewel'))];
const ids = base.patches.map(({ id }) => id);
const both = (mine: Partial<BlockDocument>, theirs: Partial<BlockDocument>, from: Partial<BlockDocument> = {}) =>
  mergeDocuments({ ...base, ...from }, { ...base, ...mine }, { ...base, ...theirs }).document; // prettier-ignore

test('who takes a patch out does not take back how someone else meanwhile has papers folded', () => {
  const start: BlockDocument = { ...base, basting: { patches: { [ids[0]!]: 'clockwise', [ids[1]!]: 'long-first' } } }; // prettier-ignore
  const mine = deletePatches(start, [0]);
  const theirs: BlockDocument = { ...start, basting: { ...start.basting, kinds: [{ outline: kite, method: 'glue' }] } }; // prettier-ignore
  for (const [a, b] of [[mine, theirs], [theirs, mine]] as const) {
    expect(mergeDocuments(start, a, b).document.basting).toEqual({
      kinds: [{ outline: kite, method: 'glue' }],
      patches: { [ids[1]!]: 'long-first' },
    });
  } // prettier-ignore
});

test('folds of different papers are both kept; of the same paper, known either way up, mine', () => {
  const mine = { basting: { kinds: [{ outline: kite, method: 'thread' }] } };
  const theirs = { basting: { kinds: [{ outline: mirrored(kite), method: 'glue' }, { outline: jewel, convention: 'long-first' }] } }; // prettier-ignore
  expect(both(mine, theirs).basting).toEqual({
    kinds: [
      { outline: kite, method: 'thread' },
      { outline: jewel, convention: 'long-first' },
    ],
  });
  // What I took back and they left alone is gone.
  expect(both({}, mine, mine).basting).toBeUndefined();
});

test('the order: each choice by itself, wishes of both, and what either took back is gone', () => {
  const pin = (...units: number[]) => ({ patches: units.map((i) => ids[i]!) });
  const from: OrderChoices = { school: 'rows', pins: [pin(0, 1), pin(3, 4)], isBatched: true };
  const mine: OrderChoices = { ...from, pins: [pin(0, 1), pin(3, 4), pin(6, 7)], policy: 'per-unit' };
  const theirs: OrderChoices = { ...from, school: 'rings', pins: [pin(3, 4), pin(4, 5)] };
  const merged = both({ order: mine }, { order: theirs }, { order: from }).order;
  expect(merged).toEqual({
    school: 'rings',
    isBatched: true,
    policy: 'per-unit',
    pins: [pin(3, 4), pin(6, 7), pin(4, 5)],
  });
  // Both took everything back, each one half of it.
  const half: OrderChoices = { school: 'best', pins: [pin(0, 1)], apart: [[[ids[0]!], [ids[1]!]]] };
  const own = both({ order: { school: 'best', pins: half.pins! } }, { order: { school: 'best', apart: half.apart! } }, { order: half }); // prettier-ignore
  expect(own.order).toBeUndefined();
});

test('notes, parts and rules of both are kept, whoever saves first', () => {
  const rule = fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), kind: fc.constant('not-facing' as const), fabric: fc.constantFrom('Woad', 'Fog') }); // prettier-ignore
  const rules = fc.uniqueArray(rule, { selector: ({ id }) => id, maxLength: 4 });
  const notes = fc.dictionary(fc.constantFrom('j1', 'j2', 'j3'), fc.constantFrom('Slowly.', 'Press.'));
  const side = fc.record({ rules, notes });
  const byId = (list: readonly ClothRule[] = []) => Object.fromEntries(list.map((one) => [one.id, one]));
  /** What one change of three states leaves: unchanged by one means the other's. */
  const expected = <T>(from: Record<string, T>, mine: Record<string, T>, theirs: Record<string, T>) => {
    const same = (p: T | undefined, q: T | undefined) => JSON.stringify(p) === JSON.stringify(q);
    return Object.fromEntries(
      [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].flatMap((id) => {
        const clash = !same(from[id], mine[id]) && !same(from[id], theirs[id]) && !same(mine[id], theirs[id]);
        const one = same(from[id], mine[id]) ? theirs[id] : mine[id];
        return one === undefined || clash ? [] : [[id, one]];
      }),
    );
  };
  fc.assert(
    fc.property(side, side, side, (from, mine, theirs) => {
      const merged = both(mine, theirs, from);
      const swapped = both(theirs, mine, from);
      for (const [read, want] of [
        [(one: BlockDocument) => byId(one.rules) as Record<string, unknown>, expected<unknown>(byId(from.rules), byId(mine.rules), byId(theirs.rules))],
        [(one: BlockDocument) => (one.notes ?? {}) as Record<string, unknown>, expected<unknown>(from.notes, mine.notes, theirs.notes)],
      ] as const) {
        expect(read(merged)).toMatchObject(want);
        // Where nobody contradicts, it is the same whoever comes first.
        for (const id of Object.keys(want)) expect(read(swapped)[id]).toEqual(want[id]);
      } // prettier-ignore
    }),
  );
});
