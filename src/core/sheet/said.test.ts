import { expect, test } from 'vitest';
import { buildSeamGraph, type Patch } from '../block';
import { makePaper } from '../catalogue';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from '../generate';
import { formatLength, roundUpToGrid } from '../length';
import { hexagonMosaic, patch, plannedOrder, plannedSheet, rosette, starOfDiamonds } from '../testing';
import { firstSentence } from '../words';
import { type BasteStep, type JoinStep } from '.';
import { tipsOf } from './joinNotes';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5 };
const sheetOf = (patches: readonly Patch[], system: 'inch' | 'metric' = 'inch') => plannedSheet(patches, { ...SETTINGS, system }); // prettier-ignore
const bastes = (patches: readonly Patch[]) => sheetOf(patches).steps.filter((step): step is BasteStep => step.kind === 'baste'); // prettier-ignore
const joins = (patches: readonly Patch[]) => sheetOf(patches).steps.filter((step): step is JoinStep => step.kind === 'join'); // prettier-ignore
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];

test('curved papers are pleated and clipped, and no side of theirs is the longest to begin with', () => {
  for (const step of bastes(generate(defaultRecipe('clamshell')))) {
    expect(step.text).toContain('Pleat the cloth every ¼″ round the curve');
    expect(step.text).not.toContain('fold 1, 2, 3');
  }
  const wedge = { ...patch(1, []), outline: makePaper({ family: 'wedge', wedges: 12, radiusMm: 100 }) };
  expect(bastes([wedge])[0]?.text).toContain('Then fold the straight sides over the ends of the pleats.');
  const hollow = { ...wedge, outline: { ...wedge.outline, bulges: wedge.outline.bulges.map((bulge) => -bulge) } };
  expect(bastes([hollow])[0]?.text).toMatch(/clip the allowance every ¼″, not quite to the paper/);
  for (const step of bastes(rosette(1))) expect(step.text).toContain('Paper side towards you, fold 1, 2, 3 … as they are numbered (anticlockwise); slip the last fold under the first.');
}); // prettier-ignore

test('where a side stays raw no fold is tucked under it', () => {
  const [first, ...rest] = rosette(1);
  const raw = { ...first!, edges: { 0: 'raw' as const } };
  const [own] = bastes([raw, ...rest]).filter(({ patches }) => patches.includes(0));
  expect(own?.text).toContain('Leave the dotted sides of 1 raw');
  expect(own?.text).toContain('where no side is raw, slip the last fold under the first');
  const [alone] = bastes([raw]);
  expect(alone?.text).toContain('pass over the dotted sides.');
  expect(alone?.text).not.toContain('slip the last');
});

test('a seam along a curve is eased and never called a straight line; a straight one is', () => {
  const curved = joins(generate(defaultRecipe('clamshell'))).filter(({ bends, isLaid }) => bends === 0 && !isLaid);
  for (const { text } of curved) expect(text).toContain('along the curve: pin the middle and both ends, then ease');
  const disc = joins(generate(defaultRecipe('disc')));
  for (const { text } of disc.filter(({ bends }) => bends === 0)) expect(text).toMatch(/: (one [^ ]+ seam|\d+ seams in one straight line, )/);
}); // prettier-ignore

test('a run of three intersections is anchored with an X in the middle, one with a bend never is', () => {
  let [anchored, bent] = [0, 0];
  for (const kind of KINDS)
    for (const join of joins(generate(defaultRecipe(kind))))
      for (const chain of join.chains) {
        const isLong = chain.knots.length >= 3 && chain.bends.length === 0;
        expect(chain.crossing !== undefined).toBe(isLong);
        if (isLong) anchored += 1;
        if (chain.bends.length > 0) bent += 1;
        if (join.chains.every(({ bends }) => bends.length > 0))
          expect(join.notes.join(' ')).not.toContain('Sew a few stitches at both ends first');
      }
  expect(anchored).toBeGreaterThan(5);
  expect(bent).toBeGreaterThan(5);
});

test('a thin tip that is left open is sewn through by a later join, and none is left open where the point closes', () => {
  for (const patches of [starOfDiamonds(12), starOfDiamonds(16), generate({ ...defaultRecipe('star') })]) {
    const graph = buildSeamGraph(patches);
    const plan = plannedOrder(patches);
    const tips = tipsOf(graph, plan.joins);
    const opened = tips.flatMap(({ open }) => open.map(({ place, patch: one }) => `${place}/${one}`));
    const closed = tips.flatMap(({ closed: now }) => now.map(({ place, patch: one }) => `${place}/${one}`));
    expect(new Set(closed)).toEqual(new Set(opened));
    expect(tips.at(-1)?.open).toEqual([]);
  }
  const notes = joins(starOfDiamonds(12)).map((join) => join.notes.join(' '));
  expect(notes.filter((text) => text.includes('open at the thin')).length).toBeGreaterThan(0);
  expect(notes.at(-1)).toContain('closed now');
});

test('thread: every knot and lock is counted, and the needlefuls are never less than the metres', () => {
  for (const patches of [rosette(2), hexagonMosaic(36), starOfDiamonds(8), generate(defaultRecipe('grid'))]) {
    const sheet = sheetOf(patches);
    const runs = sheet.steps.flatMap((step) => (step.kind === 'join' ? step.chains : []));
    const knots = runs.reduce((sum, { knots: own, locks }) => sum + own.length + locks.length, 0);
    const hiddenMm = runs.flatMap(({ slides }) => slides).reduce((sum, slide) => sum + slide.lengthMm, 0);
    const { metres, needlefuls } = sheet.thread;
    // 1.58 mm of thread to a mm of seam at ten stitches to the inch; 25 mm to a knot, 30 mm to a start and end.
    const lengthMm = sheet.steps.reduce((sum, step) => sum + (step.kind === 'join' ? step.lengthMm : 0), 0);
    expect(metres * 1000).toBeCloseTo(
      lengthMm * 1.5749 + hiddenMm + knots * 25 + sheet.plan.threadStarts * 30,
      -1,
    );
    // A needleful is cut to 500 mm, of which 380 mm end up in stitches.
    expect(needlefuls).toBe(Math.ceil(Math.max((lengthMm * 1.5749 + hiddenMm) / 380, (metres * 1000) / 500)));
  }
});

test('thread that runs out on a join is said to: a new needleful is no carrying on', () => {
  for (const step of KINDS.flatMap((kind) => joins(generate(defaultRecipe(kind)))).filter(({ carriesOn }) => carriesOn))
    expect(/it runs out on the way/.test(step.text)).toBe(step.threadStarts > 0);
}); // prettier-ignore

test('every sentence is short enough to be read aloud, and the first says what to do', () => {
  // Cloths with longer names, and slides through two folds in a row.
  const long = hexagonMosaic(54).map((one, i) => ({ ...one, fabric: ['Sea fog', 'Deep madder'][i % 2] as string }));
  for (const patches of [long, ...KINDS.map((kind) => generate(defaultRecipe(kind)))])
    for (const step of sheetOf(patches, 'metric').steps) {
      expect(step.text).toMatch(/^(Baste|Right sides together, sew|Lay|Press|Cut|Turn) /);
      for (const sentence of step.text.split(/(?<=[.:;]) /)) expect(sentence.split(' ').length, sentence).toBeLessThanOrEqual(30);
    }
}); // prettier-ignore

test('nothing is said of amounts that no ruler shows; a first sentence ends at its full stop and no sooner', () => {
  for (const system of ['inch', 'metric'] as const)
    for (const sheet of KINDS.map((kind) => sheetOf(generate(defaultRecipe(kind)), system)))
      for (const step of sheet.steps) {
        const said = [step.text, ...(step.kind === 'join' ? step.notes : [])].join(' ');
        expect(said).not.toMatch(/(?<![\d.½¼¾⅛⅜⅝⅞/])0(\.0+)?( ?mm|″)|\b1 (points|papers|patches|seams|bends)\b|\bundefined\b|NaN/);
        // Centimetres are no translation: a metric project speaks of inches only in the name of a paper that is sold by them.
        const unnamed = sheet.kinds.reduce((left, { name }) => left.replaceAll(name, ''), said);
        if (system === 'metric') expect(unnamed).not.toMatch(/″|\binch/);
        expect(firstSentence(step.text)).toMatch(/^\p{Lu}.*[.]$/u);
      }
  expect(firstSentence('Baste 6 × kite, 76.5° and 38°, in Fog (marked: two dots). Fold so.')).toBe('Baste 6 × kite, 76.5° and 38°, in Fog (marked: two dots).');
}); // prettier-ignore

test('a size that passes a step of the grid by a hair is not rounded up to the next', () => {
  expect(formatLength(roundUpToGrid(38.115, 'inch'), 'inch')).toBe('1½″');
  expect(roundUpToGrid(45.015, 'metric')).toBe(45);
  expect(roundUpToGrid(45.03, 'metric')).toBe(50);
});
