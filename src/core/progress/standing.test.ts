import fc from 'fast-check';
import { expect, test } from 'vitest';
import { planAssembly, validatePlan } from '../assembly';
import { buildSeamGraph } from '../block';
import { roundWork, withUnits, type BlockSheet } from '../sheet';
import { rosette, starOfDiamonds, plannedSheet } from '../testing';
import { doneWork, standing } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const blocks = { rosette: rosette(1), star: starOfDiamonds(8) };
const sheetOf = (patches: typeof blocks.star, order?: Parameters<typeof roundWork>[0]): BlockSheet =>
  plannedSheet(patches, SETTINGS, undefined, order ? { order } : {});
const plan = ({ steps, patches }: BlockSheet) => steps.map((step) => withUnits(step, patches));

test('whatever was sewn by one order, by another it all counts and nothing is taken apart', () => {
  fc.assert(
    fc.property(fc.constantFrom(...Object.values(blocks)), fc.constantFrom('rows', 'rings', 'pairs', 'wedges'), fc.nat(15), (patches, school, count) => {
      const before = plan(sheetOf(patches, { school })).filter(({ kind }) => kind === 'join').slice(0, count);
      const work = doneWork(before);
      const own = sheetOf(patches, roundWork({ school: 'best' }, work));
      const steps = plan(own);
      const { covered, isAtOdds } = standing(steps, new Set(), work);
      expect(isAtOdds).toBe(false);
      const joins = steps.filter(({ kind }) => kind === 'join');
      // As many joins are left as there are pieces to put together.
      const sewn = work.units.reduce((sum, unit) => sum + unit.length - 1, 0);
      expect(joins.length - joins.filter(({ id }) => covered.includes(id)).length).toBe(patches.length - 1 - sewn);
      expect(own.plan.hand?.wishes.filter(({ idle }) => idle) ?? []).toEqual([]);
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

test('an order is at odds only with what it would have to take apart', () => {
  const graph = buildSeamGraph(blocks.rosette);
  const { joins } = planAssembly(graph);
  expect(validatePlan(graph, { joins })).toEqual([]);
  const steps = plan(sheetOf(blocks.rosette));
  const id = (patch: number) => blocks.rosette[patch]?.id as string;
  const first = joins[0]!;
  const pair = [...first.left, ...first.right].map(id);
  const fits = doneWork([{ id: 'x', kind: 'join', units: [[pair[1]!], [pair[0]!]] }]);
  expect(standing(steps, new Set(), fits)).toMatchObject({ isAtOdds: false });
  // A patch of the first unit sewn to one that comes in much later.
  const last = joins.at(-1)!.right[0]!;
  const odd = doneWork([{ id: 'y', kind: 'join', units: [[id(first.left[0]!)], [id(last)]] }]);
  expect(standing(steps, new Set(), odd).isAtOdds).toBe(true);
});

test('patches that were joined count as basted, however the basting was grouped', () => {
  const steps = plan(sheetOf(blocks.rosette));
  const all = doneWork(steps.filter(({ kind }) => kind === 'join'));
  const { covered } = standing(steps, new Set(), all);
  expect(covered).toEqual(expect.arrayContaining(steps.filter(({ kind }) => kind === 'baste').map(({ id }) => id)));
}); // prettier-ignore
