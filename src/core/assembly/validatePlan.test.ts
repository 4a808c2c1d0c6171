import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { cutGrid } from '../testing';
import { planAssembly, validatePlan } from '.';
import type { Join, Run } from './join';
import type { Slide } from './slides';

/** Four squares in a row: one thread, which slides along a side between two seams. */
const graph = buildSeamGraph(cutGrid(4, 1, [0]));
const { joins } = planAssembly(graph);
const at = joins.findIndex(({ chains }) => chains[0]!.slides.length > 0);
const [run, slide] = [joins[at]!.chains[0]!, joins[at]!.chains[0]!.slides[0]!];
const back = { ...slide, from: slide.to, to: slide.from };

const withJoin = (index: number, change: Partial<Join>) => ({
  joins: joins.map((join, i) => (i === index ? { ...join, ...change } : join)),
});
const withRun = (change: Partial<Run>) => withJoin(at, { chains: [{ ...run, ...change }] });
const withSlide = (change: Partial<Slide>) => withRun({ slides: [{ ...slide, ...change }] });
const stranger = joins[at]!.right.includes(slide.patch) ? joins[at]!.left[0]! : joins[at]!.right[0]!;

test('the plan as it was made has no fault, and slides twice in a row at most', () => {
  expect(validatePlan(graph, { joins })).toEqual([]);
  expect(validatePlan(graph, withRun({ slides: [slide, back, slide] }))).toEqual([expect.stringMatching(/slides 3 times in a row/)]); // prettier-ignore
}); // prettier-ignore

test.each<[string, { joins: readonly Join[] }, RegExp]>([
  ['slides although its thread is begun there', withRun({ carriesOn: false }), /slides a thread that is begun anew/],
  ['goes on without a slide from elsewhere', withRun({ slides: [] }), /goes on where the thread is not/],
  ['slides back and is not where it sews', withRun({ slides: [slide, back] }), /goes on where the thread is not/],
  ['slides from where the thread is not', withSlide({ from: slide.to, to: slide.from }), /slides from where the thread is not/],
  ['slides along another side', withSlide({ side: (slide.side + 1) % 4 }), /along no side/],
  ['slides along nothing', withSlide({ to: slide.from }), /along no side/],
  ['slides through a patch that is not in hand', withSlide({ patch: stranger }), /which is not in hand/],
  ['slides too far at once', withSlide({ lengthMm: 60.5 }), /slides 60.5 mm at once/],
  ['goes on with no thread at all', withJoin(0, { chains: [{ ...joins[0]!.chains[0]!, carriesOn: true }] }), /goes on with a thread that is in another unit/],
  ['joins what is not beside it', withJoin(0, { left: [0], right: [2] }), /joins units that share no seam/],
  ['joins a unit to itself', withJoin(1, { left: joins[1]!.left, right: joins[1]!.left }), /does not join two units that exist/],
  ['joins nothing to something', withJoin(0, { left: [] }), /does not join two units that exist/],
  ['names a patch twice', withJoin(0, { left: [0, 0] }), /does not join two units that exist/],
  ['sews only some of its seams', withJoin(1, { seams: [] }), /does not sew exactly the seams/],
  ['sews in other places than it says', withJoin(1, { chains: joins[0]!.chains }), /does not sew exactly the seams/],
  ['leaves a join out', { joins: joins.slice(0, -1) }, /is sewn 0 times/],
])('a plan is refused that %s', (_, plan, what) => {
  expect(validatePlan(graph, plan).join('\n')).toMatch(what);
}); // prettier-ignore
