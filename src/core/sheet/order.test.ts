import { expect, test } from 'vitest';
import type { School } from '../assembly';
import { defaultRecipe, documentOfRecipe, generate, RECIPE_NAMES, type RecipeKind } from '../generate';
import { papersInPlay, papersOverTime, type BastePolicy } from '../papers';
import type { Patch } from '../block';
import { TROUBLES, troublesAt } from '../troubles';
import { momentsOf } from '.';
import { plannedOrder, plannedSheet } from '../testing';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' } as const;
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];

test('the order that the host chose is the one that is planned, and the steps say what is made alike', () => {
  const { patches } = documentOfRecipe(defaultRecipe('beams'));
  const bySchool = (school?: School) =>
    plannedSheet(patches, SETTINGS, undefined, school ? { order: { school } } : {});
  expect(bySchool().plan.school).toBe('best');
  expect(bySchool('rings').plan).toMatchObject({ school: 'rings', isProven: false });
  const texts = bySchool().steps.map(({ text }) => text);
  expect(texts.filter((text) => /This is (pair|unit) A, \d of 6\./.test(text))).toHaveLength(6);
  const ids = (sheet: ReturnType<typeof bySchool>) => new Set(sheet.steps.map(({ id }) => id));
  const best = ids(bySchool());
  const kept = [...ids(bySchool('rings'))].filter((id) => best.has(id));
  // Work that is the same in both orders keeps its name, so that ticks on it stay.
  expect(kept.length).toBeGreaterThan(0);
});

test('every step of every block knows what can go wrong at it, and every trouble can be met', () => {
  const met = new Set<string>();
  for (const kind of KINDS) {
    const sheet = plannedSheet(generate(defaultRecipe(kind)), SETTINGS);
    for (const step of sheet.steps) {
      const troubles = troublesAt(momentsOf(step, sheet));
      expect(troubles.length, step.text).toBeGreaterThan(0);
      for (const { id } of troubles) met.add(id);
    }
  }
  expect([...met].sort()).toEqual(TROUBLES.map(({ id }) => id).sort());
});

test('papers over time: never more in use than patches, the last ones stay, and later basting uses no more at once', () => {
  for (const kind of KINDS) {
    const patches = generate(defaultRecipe(kind));
    const { joins, totals } = plannedOrder(patches);
    const moments = papersOverTime(joins, patches.length);
    expect(moments.at(-1)?.minutes).toBeCloseTo(totals.minutes, 6);
    for (const { inHand, inUse } of moments) {
      expect(inUse['just-in-time']).toBeLessThanOrEqual(inUse['all-first']);
      expect(Math.max(inHand, inUse['all-first'])).toBeLessThanOrEqual(patches.length);
    }
    const released = joins.reduce((sum, join) => sum + join.releases.length, 0);
    expect(moments.at(-1)?.inUse['all-first']).toBe(patches.length - released);
    const peak = (policy: BastePolicy) => papersInPlay(joins, new Int32Array(patches.length), 1, policy)[0]?.peakInUse ?? 0; // prettier-ignore
    expect(peak('just-in-time')).toBeLessThanOrEqual(peak('per-unit'));
    expect(peak('per-unit')).toBeLessThanOrEqual(peak('all-first'));
  }
});

test('within a join: long runs are anchored and eased, thin tips stay open, and the unit has figures to check', () => {
  const notesOf = (kind: RecipeKind) => {
    const joins = plannedSheet(generate(defaultRecipe(kind)), SETTINGS).steps.filter(
      (step) => step.kind === 'join',
    );
    return joins.flatMap(({ notes }) => notes);
  };
  expect(notesOf('grid').some((note) => note.includes('an X of thread'))).toBe(true);
  expect(notesOf('disc').some((note) => /^Leave the last 1\/16″ open at the thin tips/.test(note))).toBe(
    true,
  );
  expect(notesOf('star').some((note) => note.includes('open at the thin'))).toBe(false);
  expect(notesOf('rosette').every((note) => !note.includes('Knot half-way'))).toBe(true);
  expect(notesOf('framed-diamond').some((note) => note.includes('Knot half-way'))).toBe(true);
  const pair = plannedSheet(generate({ ...defaultRecipe('star') }), SETTINGS).steps.find(
    ({ kind }) => kind === 'join',
  );
  // Two 1½″ diamonds of 60°: a parallelogram or a chevron, never wider than two diamonds.
  expect(pair?.kind === 'join' && pair.notes.at(-1)).toMatch(
    /^Check pair A \(\d, \d\): .*″ across at its narrowest/,
  );
});

test('a row of many seams against a plain one is to be eased by half a millimetre a seam', () => {
  const strip = (id: string, x: number, y: number, w: number, h: number): Patch => ({
    id,
    outline: { corners: [{ x, y }, { x: x + w, y }, { x: x + w, y: y + h }, { x, y: y + h }], bulges: [0, 0, 0, 0] }, // prettier-ignore
    fabric: 'Fog',
    layer: 0,
  });
  const squares = Array.from({ length: 8 }, (_, i) => strip(`s${i}`, i * 20, 0, 20, 20));
  const sheet = plannedSheet([...squares, strip('long', 0, 20, 160, 20)], SETTINGS);
  const eased = sheet.steps
    .flatMap((step) => (step.kind === 'join' ? step.notes : []))
    .filter((note) => note.startsWith('Ease'));
  expect(eased).toEqual([expect.stringContaining('7 more seams end on its side, which adds about ⅛″')]);
});

test('a note of the host stands at its step, and waits while another order has no such step', () => {
  const { patches } = documentOfRecipe(defaultRecipe('star'));
  const plain = plannedSheet(patches, SETTINGS);
  const last = plain.steps.at(-1)!;
  const notes = { [last.id]: 'We do this one together.', 'of another order': 'waits' };
  const noted = plannedSheet(patches, SETTINGS, undefined, { notes });
  expect(noted.steps.filter(({ hostNote }) => hostNote).map(({ id, hostNote }) => [id, hostNote])).toEqual([
    [last.id, 'We do this one together.'],
  ]);
});
