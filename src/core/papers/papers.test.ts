import fc from 'fast-check';
import { expect, test } from 'vitest';
import { DEFAULT_SEWING } from '../assembly';
import type { Patch } from '../block';
import { defaultSetting, type Setting } from '../setting';
import { groupKinds } from '../shapes';
import { hexagonMosaic, partition, patch, plannedOrder, rosette, starOfDiamonds } from '../testing';
import { outerPapers, papersOverTime, projectPapers, takingOut, type SewnBlock } from '.';

const SIDE = 120;
/** A block of count × count squares. */
function grid(count: number): Patch[] {
  const e = SIDE / count;
  return Array.from({ length: count * count }, (_, i) => {
    const [x, y] = [(i % count) * e, Math.floor(i / count) * e];
    return patch(i, [[x, y], [x + e, y], [x + e, y + e], [x, y + e]]); // prettier-ignore
  });
}

function sewn(id: string, patches: readonly Patch[]): SewnBlock {
  const { joins } = plannedOrder(patches);
  return { id, name: `Block ${id}`, patches, joins, usesPerPaper: patches.map(() => 1000) };
}

function settingOf(blocks: readonly SewnBlock[], columns: number, change: Partial<Setting> = {}): Setting {
  const sizes = blocks.map(({ id }) => ({ id, widthMm: SIDE, heightMm: SIDE }));
  return { ...defaultSetting(sizes, columns, 20), cellWidthMm: SIDE, cellHeightMm: SIDE, ...change };
}

test('edge to edge, rim papers come out when both neighbours are made, at the rim of the top when that is finished', () => {
  const [a, b] = [sewn('a', grid(2)), sewn('b', grid(2))];
  const setting = settingOf([a, b], 2, { joint: 'edge-to-edge' });
  const [first, second] = outerPapers({ ...setting, rows: 1, making: ['b', 'a'] }, [a, b]);
  // Every square of a 2 × 2 lies at a corner of its block, and so at the rim of the top.
  expect([first?.block, second?.block]).toEqual(['b', 'a']);
  expect([...(first?.outAfter.values() ?? [])]).toEqual([Infinity, Infinity, Infinity, Infinity]);
  const inner = [sewn('c', grid(3)), sewn('d', grid(3))];
  const [left] = outerPapers({ ...settingOf(inner, 2, { joint: 'edge-to-edge' }), rows: 1 }, inner);
  const outAfter = [...(left?.outAfter ?? [])].filter(([, turn]) => turn < Infinity);
  // Only the middle square of the side that faces the other block is surrounded when that is made.
  expect(outAfter.map(([, turn]) => turn)).toEqual([1]);
});

test('with sashing a rim is free when its strips are on; what is sewn onto a square is free when it is done', () => {
  const square = sewn('a', grid(3));
  const star = sewn('star', starOfDiamonds(6));
  const rows = { rows: 1, columns: 2, places: ['a', 'star'] };
  const blocks = [square, star];
  const first = outerPapers(
    settingOf(blocks, 2, { ...rows, school: 'first', making: ['a', 'star'] }),
    blocks,
  );
  expect([...(first[0]?.outAfter.values() ?? [])]).toEqual(new Array(8).fill(0));
  const later = outerPapers(
    settingOf(blocks, 2, { ...rows, school: 'later', making: ['a', 'star'] }),
    blocks,
  );
  // The strip between the two goes to the second: the three squares on that side wait for it.
  expect([...(later[0]?.outAfter.values() ?? [])].filter((turn) => turn === 1)).toHaveLength(3);
  expect(later[1]).toMatchObject({ isAppliqued: true });
  expect(new Set(later[1]?.outAfter.values())).toEqual(new Set([1]));
});

test('in rows and columns each side of a block waits for the block behind the strip that it touches', () => {
  const blocks = ['a', 'b', 'c', 'd'].map((id) => sewn(id, grid(3)));
  const setting = settingOf(blocks, 2, { school: 'later', making: ['a', 'b', 'c', 'd'] });
  const turns = outerPapers(setting, blocks).map(({ outAfter }) => [...outAfter].sort(([p], [q]) => p - q).map(([, turn]) => turn)); // prettier-ignore
  // The squares of each block but its middle one, row by row; blocks are made from 0 on.
  expect(turns).toEqual([
    [0, 0, 1, 0, 1, 2, 2, 2],
    [1, 1, 1, 1, 1, 3, 3, 3],
    [2, 2, 3, 2, 3, 2, 2, 3],
    [3, 3, 3, 3, 3, 3, 3, 3],
  ]);
});

/** Blocks of one size cut up at random, in a row, made in any order. */
const projects = fc
  .array(fc.array(fc.record({ which: fc.nat(5), share: fc.constantFrom(0.25, 0.5) }), { maxLength: 6 }), {
    minLength: 1,
    maxLength: 5,
  }) // prettier-ignore
  .chain((cuts) => {
    const blocks = cuts.map((cut, i) => sewn(`${i}`, partition(SIDE, SIDE, cut)));
    return fc.record({
      blocks: fc.constant(blocks),
      making: fc.shuffledSubarray(
        blocks.map(({ id }) => id),
        { minLength: blocks.length },
      ),
      joint: fc.constantFrom('edge-to-edge' as const, 'sashing' as const),
      school: fc.constantFrom('first' as const, 'later' as const),
    });
  });

test('a heap of papers, bought only when it is empty, grows to the peak, and what need not be kept is never missed', () => {
  fc.assert(
    fc.property(projects, ({ blocks, making, joint, school }) => {
      const setting = settingOf(blocks, blocks.length, { rows: 1, making, joint, school });
      const found = projectPapers(blocks, setting, 0);
      const turns = outerPapers(setting, blocks);
      const order = turns.map(({ block }) => blocks.find(({ id }) => id === block)!);
      const { kindOf } = groupKinds(order.flatMap(({ patches }) => patches.map(({ outline }) => outline)));
      let at = 0;
      const kinds = order.map(({ patches }) => kindOf.slice(at, (at += patches.length)));
      found.kinds.forEach(({ uses, policies }, kind) => {
        expect(uses).toBe(kindOf.filter((one) => one === kind).length);
        for (const isThrifty of [false, true]) {
          let [heap, bought] = [0, 0];
          kinds.forEach((own, turn) => {
            const wanted = own.filter((one) => one === kind).length;
            bought += Math.max(0, wanted - heap);
            heap = Math.max(0, heap - wanted);
            for (let before = 0; before <= turn; before++)
              kinds[before]!.forEach((one, patch) => {
                const after = Math.max(before, turns[before]!.outAfter.get(patch) ?? before);
                if (one === kind && after === turn) heap += 1;
              });
            const keep = found.blocks[turn]!.keep.find((one) => one.kind === kind)?.count ?? 0;
            if (isThrifty) heap = Math.min(heap, keep);
          });
          expect(bought).toBe(policies['all-first'].peak);
        }
      });
    }),
    { numRuns: 60 },
  );
});

test('papers needed never fall below the peak nor below what wear asks for, and spares come on top', () => {
  const worn = { ...sewn('a', rosette(3)), usesPerPaper: rosette(3).map(() => 2) };
  const [kind] = projectPapers([worn, { ...worn, id: 'b', name: 'B' }, { ...worn, id: 'c', name: 'C' }], null, 10).kinds; // prettier-ignore
  expect(kind?.uses).toBe(3 * 37);
  expect(kind?.usesPerPaper).toBe(2);
  // Without a setting 18 papers of each rim stay in: 36 of two rims and 37 of the last block.
  expect(kind?.policies['all-first']).toEqual({ peak: 36 + 37, needed: 73 + 8 });
  expect(kind?.inBags).toBe(3 * (37 + 4));
  const once = { ...worn, usesPerPaper: worn.patches.map(() => 1) };
  expect(projectPapers([once], null, 0).kinds[0]?.policies['just-in-time'].needed).toBe(37);
});

test('papers are taken out only when they may be, and the fewer sittings cost no more than leaving all in', () => {
  for (const patches of [rosette(3), hexagonMosaic(36), grid(6), starOfDiamonds(8)]) {
    const { joins } = plannedOrder(patches);
    const { sittings, mostInHand, heavyMinutes } = takingOut(joins, DEFAULT_SEWING);
    const out = new Set<number>();
    for (const { beforeJoin, patches: taken, inHandBefore, inHandAfter } of sittings) {
      const free = new Set(joins.slice(0, beforeJoin).flatMap(({ releases }) => releases));
      expect(taken.every((patch) => free.has(patch) && !out.has(patch))).toBe(true);
      expect(inHandAfter).toBe(inHandBefore - taken.length);
      taken.forEach((patch) => out.add(patch));
    }
    expect(mostInHand.atOnce).toBeLessThanOrEqual(mostInHand.sittings);
    expect(mostInHand.sittings).toBeLessThanOrEqual(mostInHand.kept);
    expect(heavyMinutes.atOnce).toBeLessThanOrEqual(heavyMinutes.sittings + 1e-9);
    expect(heavyMinutes.sittings).toBeLessThanOrEqual(heavyMinutes.kept + 1e-9);
    expect(sittings.length).toBeLessThanOrEqual(joins.filter(({ releases }) => releases.length > 0).length);
  }
});

test('minutes that papers take are counted from where they slow the hand: a light unit costs nothing, each paper more its share', () => {
  const { joins } = plannedOrder(grid(2));
  const slow = (lightPapers: number) => takingOut(joins, { ...DEFAULT_SEWING, lightPapers, heavyShare: 0.5 }).heavyMinutes.kept;
  expect(slow(2)).toBe(0);
  const last = joins.at(-1)!;
  // Of the two pairs the larger holds one paper more than is light when they are joined: half as long again,
  // a third of what the join takes so.
  expect(slow(1)).toBeCloseTo(last.minutes / 3, 9);
}); // prettier-ignore

test('basting unit by unit holds no more papers than all at first, no fewer than just in time, at every moment', () => {
  for (const patches of [rosette(4), grid(6)]) {
    const { joins } = plannedOrder(patches);
    for (const { inUse } of papersOverTime(joins, patches.length)) {
      expect(inUse['per-unit']).toBeGreaterThanOrEqual(inUse['just-in-time']);
      expect(inUse['per-unit']).toBeLessThanOrEqual(inUse['all-first']);
    }
  }
});
