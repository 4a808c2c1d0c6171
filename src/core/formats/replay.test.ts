import { expect, test } from 'vitest';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from '../generate';
import { hexagonMosaic, mixedMosaic, plate, rosette, starOfDiamonds } from '../testing';
import type { Patch } from '../block';
import { planDocument, type PlanDocument } from '.';

/**
 * Replays a plan document with nothing but what stands in it: patches by their corners, seams by their paths. Shares no code
 * with the planner: units are sets of names, the needle is a pair of numbers.
 */
type Point = readonly [number, number];

const SETTINGS = { allowanceMm: 6.35, system: 'inch' } as const;
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const off = ([a, b]: Point, [c, d]: Point) => Math.hypot(a - c, b - d);

interface Replayed {
  readonly faults: string[];
  readonly starts: number;
  readonly slides: number;
  readonly bends: number;
}

function replay({ patches, seams, assembly }: PlanDocument): Replayed {
  const faults: string[] = [];
  const corners = new Map(patches.map(({ id, corners: own }) => [id, own.map(({ x, y }): Point => [x, y])] as const));
  const pathOf = new Map(seams.map(({ id, path }) => [id, path as readonly Point[]] as const));
  const sidesOf = new Map(seams.map(({ id, patches: pair }) => [id, pair] as const));
  const unitOf = new Map(patches.map(({ id }) => [id, new Set([id])] as const));
  const sewn = new Set<string>();
  let needle: { at: Point; unit: ReadonlySet<string> } | undefined;
  let [starts, slides, bends] = [0, 0, 0];
  for (const join of assembly.joins) {
    const say = (what: string) => faults.push(`${join.id}: ${what}`);
    const [left, right] = [unitOf.get(join.left[0]!)!, unitOf.get(join.right[0]!)!];
    const isWhole = (unit: ReadonlySet<string>, named: readonly string[]) => unit.size === named.length && named.every((id) => unit.has(id));
    if (!isWhole(left, join.left) || !isWhole(right, join.right) || left === right) say('joins what is no unit');
    const due = [...sidesOf].filter(([, [a, b]]) => (left.has(a!) && right.has(b!)) || (left.has(b!) && right.has(a!))).map(([id]) => id);
    if (due.length === 0) say('joins units without a seam');
    if (join.runs.flatMap((run) => run.seams).sort().join() !== due.sort().join()) say('does not sew its seams');
    const whole = new Set([...left, ...right]);
    join.runs.forEach((run, index) => {
      const inHand = index === 0 ? needle?.unit : whole;
      if (run.carriesOn) {
        if (!needle || !inHand) say('goes on with no thread');
        else if (index === 0 && needle.unit !== left && needle.unit !== right) say('goes on in another unit');
        let at = needle?.at ?? [NaN, NaN];
        if (run.slides.length > 2) say('slides more than twice in a row');
        for (const { along: [patch, edge], from, to, lengthMm } of run.slides) {
          const own = corners.get(patch as string)!;
          const [a, b] = [own[edge as number]!, own[((edge as number) + 1) % own.length]!];
          if (!inHand?.has(patch as string)) say(`slides through ${patch}, which is not in hand`);
          if (off(at, from) > 0.2) say('slides from where the needle is not');
          const isAlong = (off(from, a) < 0.2 && off(to, b) < 0.2) || (off(from, b) < 0.2 && off(to, a) < 0.2);
          if (!isAlong) say('slides along no side');
          if (lengthMm > 60 + 1e-6 || lengthMm < off(a, b) - 0.01) say(`slides ${lengthMm} mm at once`);
          at = to;
          slides += 1;
        }
        if (off(at, run.start) > 0.2) say('goes on where the thread is not');
      } else {
        if (run.slides.length > 0) say('slides a new thread');
        starts += 1;
      }
      // The run hangs together: each seam goes on where the one before ended.
      let at: Point = run.start;
      for (const id of run.seams) {
        const path = pathOf.get(id)!;
        const [first, last] = [path[0]!, path.at(-1)!];
        if (off(at, first) < 0.2) at = last;
        else if (off(at, last) < 0.2) at = first;
        else say(`seam ${id} does not go on from where the run is`);
      }
      if (off(at, run.end) > 0.2) say('ends elsewhere');
      bends += run.bends.length;
      needle = { at: run.end, unit: whole };
    });
    if (join.runs.reduce((sum, run) => sum + run.bends.length, 0) !== join.bends && !('isLaid' in join)) say('counts other bends');
    for (const id of due) {
      if (sewn.has(id)) say(`sews ${id} twice`);
      sewn.add(id);
    }
    for (const id of whole) unitOf.set(id, whole);
  }
  if (sewn.size !== seams.length) faults.push(`${seams.length - sewn.size} seams are not sewn`);
  return { faults, starts, slides, bends };
} // prettier-ignore

const DRAWINGS: readonly (readonly [string, readonly Patch[]])[] = [
  ...KINDS.map((kind) => [kind, generate(defaultRecipe(kind))] as const),
  ['rosette of three rings', rosette(3)],
  ['mosaic', hexagonMosaic(60)],
  ['mixed mosaic', mixedMosaic(50)],
  ['star of eight', starOfDiamonds(8)],
  ['plate', plate(12)],
];

const plans = new Map<string, PlanDocument>();

/** The plan of a drawing by the usual figures, made once. */
function planOf(patches: readonly Patch[]): PlanDocument {
  const key = JSON.stringify(patches);
  const plan = plans.get(key) ?? planDocument(patches, [], SETTINGS);
  plans.set(key, plan);
  return plan;
}

test.each(DRAWINGS)('%s: the plan is sewn as it is written, thread by thread', (_, patches) => {
  const plan = planOf(patches);
  const { faults, starts, slides, bends } = replay(plan);
  expect(faults).toEqual([]);
  const { totals } = plan.assembly;
  expect([slides, bends]).toEqual([totals.slides, totals.bends]);
  // Threads begun are those begun at a run, and those that run out on the way.
  expect(totals.threadStarts).toBeGreaterThanOrEqual(starts);
  expect(totals.threadStarts).toBeGreaterThanOrEqual(totals.threadStartsBound);
});

test('petals of a rosette are sewn in one go: with a thread that never ends it is begun once', () => {
  for (const rings of [1, 2, 3]) {
    const plan = planDocument(rosette(rings), [], { ...SETTINGS, sewing: { usableNeedlefulMm: 3000 } });
    const { faults, starts } = replay(plan);
    expect(faults).toEqual([]);
    expect(starts).toBeLessThanOrEqual(plan.assembly.totals.threadStartsBound + 1);
  }
});

test.each([
  ['rosette of three rings', rosette(3)],
  ['rosette of two rings', rosette(2)],
  ['mosaic of 36', hexagonMosaic(36)],
])('%s: threads are begun at most a quarter more often than the needlefuls ask', (_, patches) => {
  const { threadStarts, threadStartsBound } = planOf(patches).assembly.totals;
  expect(threadStarts).toBeLessThanOrEqual(1.25 * threadStartsBound);
});

test('a slide that is forbidden by its price is not made: where it costs more than a new thread none is', () => {
  const plan = planDocument(rosette(2), [], { ...SETTINGS, sewing: { slideMinutes: 2 } });
  expect(plan.assembly.totals.slides).toBe(0);
  expect(planOf(rosette(2)).assembly.totals.slides).toBeGreaterThan(5);
});

test('a replay finds what is wrong: a slide through a patch that is not in hand, one too many, one from elsewhere', () => {
  const plan = planOf(rosette(1));
  const at = plan.assembly.joins.findIndex(({ runs }) => runs[0]!.slides.length > 0);
  const spoilt = (change: (slides: PlanDocument['assembly']['joins'][number]['runs'][number]['slides']) => unknown[]) => {
    const joins = structuredClone(plan.assembly.joins);
    const [run] = joins[at]!.runs;
    (run as { slides: unknown }).slides = change(run!.slides);
    return replay({ ...plan, assembly: { ...plan.assembly, joins } }).faults;
  };
  const last = plan.assembly.joins.at(-1)!.right[0]!;
  expect(spoilt((slides) => slides)).toEqual([]);
  expect(spoilt((slides) => slides.map((one) => ({ ...one, along: [last, one.along[1]] }))).join()).toContain('not in hand');
  expect(spoilt((slides) => [...slides, ...slides, ...slides]).join()).toContain('more than twice');
  expect(spoilt(() => []).join()).toContain('where the thread is not');
}); // prettier-ignore
