import { expect, test } from 'vitest';
import { planAssembly } from '@/core/assembly';
import { buildSeamGraph } from '@/core/block';
import { defaultPaper, makePaper } from '@/core/catalogue';
import { PROJECT_FORMAT, writeProjectFile, writeSvg } from '@/core/formats';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import {
  drawing,
  holidays,
  marks,
  order,
  papers,
  printBlock,
  printPapers,
  projectFile,
  recipe,
  sheet,
} from './coreWorker';

/** What threads send each other goes through a copy: nothing may hang on classes or functions. */
const sent = <T>(value: T): T => structuredClone(value);
const star = documentOfRecipe(defaultRecipe('star'));
const settings = { allowanceMm: 6.35, sparesPercent: 5, system: 'metric', marks: [], basting: {} } as const;
const wish = { what: 'papers', size: 'A4', system: 'metric', allowanceMm: 6.35, sparesPercent: 0, gapMm: 0, hasHole: true, kind: 0 } as const; // prettier-ignore

test('the order of a block is the planner’s own, and its sheet is dressed from that order', () => {
  const plan = sent(order({ document: star, sewing: {} }));
  expect(plan.totals).toEqual(planAssembly(buildSeamGraph(star.patches)).totals);
  const slow = sent(order({ document: star, sewing: { bendMinutes: 10, stitchesPerMinute: 6 } }));
  expect(slow.totals.minutes).toBeGreaterThan(plan.totals.minutes);
  const dressed = sent(sheet({ document: star, settings, plan }));
  expect(dressed.plan.joins).toBe(plan.joins.length);
  expect(dressed.patches).toHaveLength(star.patches.length);
});

test('what is refused comes back with what, where and how to mend, and what is taken comes back as it is', async () => {
  const bad = await recipe({ ...defaultRecipe('plate'), outerMm: 1 } as never);
  expect(sent(bad)).toMatchObject({ refusal: { place: { name: 'outerMm' }, mend: expect.stringMatching(/\w/) } });
  expect(sent(await recipe(defaultRecipe('star')))).toEqual({ value: star });
  const dates = { text: 'hello', from: '2026-01-01', to: '2026-12-31' };
  expect(sent(await holidays(dates))).toMatchObject({ refusal: { code: 'calendar-file', place: { name: 'file' } } });
  expect(sent(await projectFile('{}'))).toMatchObject({ refusal: { place: { name: 'format' } } });
  const file = { format: PROJECT_FORMAT, name: 'A', shop: '', unitSystem: 'inch', pageSize: 'A4', allowanceMm: 6, sparesPercent: 5, gridColumns: 3, blocks: [] } as const; // prettier-ignore
  expect(sent(await projectFile(writeProjectFile(file)))).toEqual({ value: file });
  const read = { options: { system: 'metric' as const }, isSnapped: false, known: {} };
  expect(await drawing({ ...read, text: 'no drawing' })).toMatchObject({ refusal: { code: expect.stringMatching(/\w/) } });
  const drawn = sent(await drawing({ ...read, text: writeSvg(star.patches, 'star') }));
  expect(drawn.value?.document.patches).toHaveLength(star.patches.length);
  const none = await printBlock({ name: 'Star', document: star, marks: [], wish: { ...wish, what: 'plate' } });
  expect(none).toMatchObject({ refusal: { code: 'print', place: { name: 'what' } } });
}); // prettier-ignore

test('a fault of Kevlo’s own is no refusal: it is thrown, and said to be one', async () => {
  await expect(printBlock({ name: 'Star', document: {} as never, marks: [], wish })).rejects.toThrow(
    TypeError,
  );
});

test('PDFs, marks and papers of a project come from the same functions as on a page', async () => {
  const isPdf = (bytes: Uint8Array) => Buffer.from(bytes.subarray(0, 5)).toString() === '%PDF-';
  const printed = await printBlock({ name: 'Star', document: star, marks: [], wish });
  expect(isPdf(printed.value!)).toBe(true);
  const one = { name: 'Kite', outline: makePaper(defaultPaper('kite')), count: 3 };
  expect(isPdf(await printPapers({ runs: [one], options: { title: 'Kite', size: 'Letter' } }))).toBe(true);
  const near = [40, 41].map((edgeMm, i) => ({ id: `${i}`, fabric: 'Fog', layer: 0, outline: makePaper({ family: 'regular', sides: 4, edgeMm }) }));
  const found = marks({ documents: [{ ...star, patches: near }], chosen: [], system: 'metric' });
  expect(found).toEqual([{ outline: near[1]!.outline, mark: 'stripe' }]);
  const own = sheet({ document: star, settings, plan: order({ document: star, sewing: {} }) });
  const all = sent(papers({ blocks: [{ id: 'a', name: 'A', sheet: own }], setting: null, marks: [], sparesPercent: 0, system: 'metric' }));
  expect(all.kinds.reduce((sum, { uses }) => sum + uses, 0)).toBe(star.patches.length);
}); // prettier-ignore
