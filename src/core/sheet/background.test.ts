import { expect, test } from 'vitest';
import { bagContents } from '../bags';
import type { Patch } from '../block';
import { planDocument } from '../formats';
import { defaultRecipe, generate } from '../generate';
import { projectPapers } from '../papers';
import { paperRuns } from '../printing';
import { backgroundOf, groupPapers } from '../shapes';
import { patch, rosette } from '../testing';
import { blockSheet } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;

/** A rosette of seven on a square of cloth, which comes at some place of the list. */
function onCloth(at: number): Patch[] {
  const cloth = { ...patch(90, [[-120, -120], [120, -120], [120, 120], [-120, 120]]), fabric: 'Linen' }; // prettier-ignore
  const work = rosette(1).map((one) => ({ ...one, layer: 1 }));
  return [...work.slice(0, at), cloth, ...work.slice(at)];
}

test('the background of an appliqué is the one patch that lies alone below all others', () => {
  expect(backgroundOf(onCloth(0))).toBe(0);
  expect(backgroundOf(onCloth(4))).toBe(4);
  expect(backgroundOf(rosette(1))).toBeUndefined();
  expect(backgroundOf([{ layer: 3 }])).toBeUndefined();
  // Blades of a plate lie below their disc, but they are sewn to each other of papers.
  expect(backgroundOf(generate(defaultRecipe('plate')))).toBeUndefined();
});

test.each([0, 3, 7])('it has no paper, is never basted, and counts nowhere as one: at place %i', (at) => {
  const patches = onCloth(at);
  const { kinds, kindOf, handOf } = groupPapers(patches);
  expect([kinds.length, kindOf[at], handOf.length]).toEqual([1, -1, 8]);
  const sheet = blockSheet(patches, SETTINGS);
  expect(sheet.kinds.map(({ count }) => count)).toEqual([7]);
  expect(sheet.patches[at]).toMatchObject({ kind: -1, foldOrder: [], tails: [] });
  const basted = sheet.steps.flatMap((step) => (step.kind === 'baste' ? step.patches : []));
  expect(basted).not.toContain(at);
  expect(basted).toHaveLength(7);
  expect(paperRuns({ patches }, [], 'inch').map(({ count }) => count)).toEqual([7]);
  const block = { id: 'b', name: 'B', patches: sheet.patches, joins: sheet.steps.flatMap((step) => (step.kind === 'join' ? [step] : [])), usesPerPaper: patches.map(() => 4) };
  expect(projectPapers([block], null, 0).kinds.map(({ uses, policies }) => [uses, policies['all-first'].peak])).toEqual([[7, 7]]);
  const plan = planDocument(patches, [], SETTINGS);
  expect(plan.papers.map(({ uses }) => uses)).toEqual([7]);
  expect(plan.patches.filter((one) => 'isBackground' in one)).toHaveLength(1);
}); // prettier-ignore

test('its cloth is in the bag, cut an inch larger all round than it is sewn in', () => {
  const patches = onCloth(0);
  const { papers, fabrics } = bagContents(patches, groupPapers(patches), SETTINGS);
  expect(papers.map(({ count }) => count)).toEqual([7]);
  const linen = fabrics.find(({ fabric }) => fabric === 'Linen')?.cuts;
  // 240 mm, and on each side a quarter inch and an inch: 303.5 mm, up to the next eighth.
  const side = Math.ceil((240 + 2 * (6.35 + 25.4)) / 3.175) * 3.175;
  expect(linen).toEqual([{ kindName: 'the background', widthMm: expect.closeTo(side, 6), lengthMm: expect.closeTo(side, 6), alongMm: expect.closeTo(240, 6), count: 1 }]);
}); // prettier-ignore

test('its steps: cut, fold in quarters, place and hold before it is sewn; then overlap the start, and cut away behind if that is wished', () => {
  const steps = (order?: object) => blockSheet(onCloth(2), SETTINGS, undefined, order ? { order: { school: 'best', ...order } } : {}).steps.filter(({ kind }) => kind === 'applique');
  const [cut, sew, ...others] = steps();
  expect(others).toEqual([]);
  for (const word of ['Cut the background 3 from Linen', 'in quarters', 'its middle', 'pins', 'glue', 'two staples', 'Staples out before pressing']) expect(cut?.text).toContain(word);
  expect(sew?.text).toContain('Overlap the start');
  expect(cut?.minutes).toBeGreaterThan(0);
  const away = steps({ applique: { papersOut: 'before', isCutAway: true } });
  expect(away).toHaveLength(3);
  expect(away[2]?.text).toMatch(/cut the background away behind .*¼″/);
  expect(new Set(away.map(({ id }) => id)).size).toBe(3);
  expect(blockSheet(rosette(1), SETTINGS).steps.some(({ kind }) => kind === 'applique')).toBe(false);
}); // prettier-ignore
