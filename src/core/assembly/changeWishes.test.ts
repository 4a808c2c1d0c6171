import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { cutGrid, hexagonMosaic, mixedMosaic, rosette } from '../testing';
import {
  NO_WISHES,
  changeWishes,
  planAssembly,
  unitKey,
  validatePlan,
  type OrderChange,
  type Wishes,
} from '.';

const BLOCKS = [rosette(1), cutGrid(3, 2, [0, 1]), hexagonMosaic(12), mixedMosaic(16)].map(buildSeamGraph);
const made = ({ left, right }: { left: readonly number[]; right: readonly number[] }) => unitKey([...left, ...right]); // prettier-ignore

test('however a host presses, the order stays valid, and every wish is followed or told with its reason', () => {
  const press = fc.record({
    kind: fc.constantFrom('earlier', 'later', 'apart', 'pin', 'unpin', 'school', 'place'),
    join: fc.nat(40),
    at: fc.nat(40),
    school: fc.constantFrom('rows', 'rings', 'pairs', undefined),
  });
  fc.assert(
    fc.property(
      fc.constantFrom(...BLOCKS),
      fc.array(press, { minLength: 1, maxLength: 6 }),
      (graph, presses) => {
        let wishes: Wishes = { ...NO_WISHES, isBatched: false };
        let plan = planAssembly(graph, undefined, undefined, 'best', wishes);
        for (const { kind, join, at, school } of presses) {
          const [own, other] = [join % plan.joins.length, at % plan.joins.length];
          const change = (kind === 'school' ? { kind, join: own, school } : kind === 'place' ? { kind, join: own, at: other } : { kind, join: own }) as OrderChange; // prettier-ignore
          const changed = changeWishes(graph, plan.joins, wishes, change);
          if ('refused' in changed) {
            expect(changed.refused).toMatch(/\.$/);
            continue;
          }
          wishes = changed.wishes;
          expect(wishes.isBatched).toBe(false);
          plan = planAssembly(graph, undefined, undefined, 'best', wishes);
          expect(validatePlan(graph, plan)).toEqual([]);
          const units = new Set(plan.joins.map(made));
          const idle = (wish: string) => plan.idle.flatMap((one) => (one.wish === wish ? [one.index] : []));
          wishes.pins.forEach(({ patches }, i) => expect(units.has(unitKey(patches)) || idle('pins').includes(i)).toBe(true)); // prettier-ignore
          const pairs = new Set(plan.joins.map(({ left, right }) => [unitKey(left), unitKey(right)].sort().join('|'))); // prettier-ignore
          wishes.apart.forEach(([a, b], i) => expect(!pairs.has([unitKey(a), unitKey(b)].sort().join('|')) || idle('apart').includes(i)).toBe(true)); // prettier-ignore
          const order = plan.joins.map(made);
          wishes.before.forEach(([a, b], i) => expect(idle('before').includes(i) || order.indexOf(unitKey(a)) < order.indexOf(unitKey(b))).toBe(true)); // prettier-ignore
        }
      },
    ),
    { numRuns: 20 },
  );
});

test('a join is put where it is dragged, unless what it needs is made there', () => {
  const graph = buildSeamGraph(cutGrid(4, 3, []));
  const { joins } = planAssembly(graph);
  const press = (change: OrderChange) => changeWishes(graph, joins, NO_WISHES, change);
  const last = joins.length - 1;
  expect(press({ kind: 'place', join: 2, at: 2 })).toEqual({ refused: 'It stands there already.' });
  expect(press({ kind: 'place', join: last, at: 0 })).toEqual({ refused: expect.stringMatching(/^This join needs the unit/) }); // prettier-ignore
  expect(press({ kind: 'place', join: 0, at: last })).toEqual({ refused: expect.stringMatching(/^The join there needs/) }); // prettier-ignore
  expect(press({ kind: 'pin', join: 99 })).toEqual({ refused: 'This join is no longer part of the order.' });
  // A join of two patches needs nothing: it can be dragged to the front.
  const free = joins.findIndex(({ left, right }, i) => i > 1 && left.length + right.length === 2);
  const moved = press({ kind: 'place', join: free, at: 0 });
  if ('refused' in moved) throw new Error(moved.refused);
  const plan = planAssembly(graph, undefined, undefined, 'best', moved.wishes);
  expect(plan.joins.findIndex((one) => made(one) === made(joins[free]!))).toBe(0);
});

test('what a unit is made by is chosen, changed and taken back', () => {
  const graph = buildSeamGraph(rosette(2));
  const { joins } = planAssembly(graph);
  const big = joins.findIndex(({ left }) => left.length >= 6);
  let wishes: Wishes = NO_WISHES;
  const press = (change: OrderChange) => {
    const changed = changeWishes(graph, joins, wishes, change);
    if ('refused' in changed) throw new Error(changed.refused);
    wishes = changed.wishes;
  };
  press({ kind: 'school', join: big, school: 'rings' });
  press({ kind: 'school', join: big, school: 'pairs' });
  expect(wishes.pins.map(({ school }) => school)).toEqual(['pairs']);
  press({ kind: 'school', join: big, school: undefined });
  expect(wishes.pins.map(({ school }) => school)).toEqual([undefined]);
  press({ kind: 'unpin', join: big });
  expect(wishes.pins).toEqual([]);
});
