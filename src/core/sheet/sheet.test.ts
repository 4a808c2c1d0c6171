import { expect, test } from 'vitest';
import { defaultRecipe, generate } from '../generate';
import { cutGrid, patch, plate, rosette, starOfDiamonds } from '../testing';
import { manyOf, shapeWord } from './names';
import { blockSheet, type JoinStep, type Step } from '.';

const SETTINGS = { sparesPercent: 5, allowanceMm: 6.35, system: 'inch' as const };
const isJoin = (step: Step): step is JoinStep => step.kind === 'join';

test('steps baste every patch once, then join everything, and say what they do in words', () => {
  const sheet = blockSheet(starOfDiamonds(6), SETTINGS);
  const basted = sheet.steps.flatMap((step) => (step.kind === 'baste' ? step.patches : []));
  expect([...basted].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5]);
  expect(sheet.steps[0]?.text).toMatch(/^Baste 3 (Tar|Calico) diamonds: 1″ 60° diamond\. /);
  expect(blockSheet(rosette(0), SETTINGS).steps[0]?.text).toMatch(/^Baste 1 Calico hexagon: 1″ hexagon\. /);
  const joins = sheet.steps.filter(isJoin);
  expect(joins).toHaveLength(5);
  expect(new Set(joins.at(-1)?.left.concat(joins.at(-1)?.right ?? []))).toEqual(new Set([0, 1, 2, 3, 4, 5]));
  for (const { text, minutes } of sheet.steps) {
    expect(text).toMatch(/^(Baste|Right sides together, sew) .+\.$/);
    expect(minutes).toBeGreaterThan(0);
  }
  expect(joins.at(-1)?.text).toContain('in one straight line');
});

test('a join names what it puts together by numbers that are on those papers, and by letters of units made before', () => {
  for (const patches of [rosette(2), cutGrid(3, 3, [0, 1]), plate(12), generate(defaultRecipe('beams'))]) {
    const made = new Set<string>();
    for (const step of blockSheet(patches, SETTINGS).steps.filter(isJoin)) {
      const [whole = '', ...rest] = step.text.split(/(?<=[.:]) /);
      const first = whole.replace(/\brows? \d+(?: (?:and|to) \d+)?/g, 'row');
      const own = new Set([...step.left, ...step.right].map((patch) => patch + 1));
      for (const [number] of first.matchAll(/(?<=[ (])\d+(?=[,)]|:$| to | \()/g)) expect(own.has(Number(number)) || first.includes(`${number} patches`)).toBe(true);
      for (const [, letter] of first.matchAll(/\b(?:pair|unit|wedge|half|star|cube|winged kite) ([A-Z]+)\b/g)) expect(made).toContain(letter);
      const [, letter] = /This is (?:pair|unit|wedge|half|star|cube|winged kite) ([A-Z]+), \d+ of \d+\./.exec(rest.join(' ')) ?? [];
      expect(letter).toBe(step.alike ? step.repeat?.letter : undefined);
      if (letter) made.add(letter);
    }
  }
}); // prettier-ignore

test('a shape is called by its word alone, in inches and in centimetres', () => {
  const names = ['1½″ 60° diamond', '38 mm hexagon', '2½″ kite, 76.5°/93°', '1″ × 2 1/16″ × 2½″ triangle', '5⅞″ strip with slanted ends', '2″ half-square triangle (marked: two dots)', '5″ wedge, 1/12 of a disc', '3.5 cm 45° diamond'];
  expect(names.map(shapeWord)).toEqual(['diamond', 'hexagon', 'kite', 'triangle', 'strip', 'half-square triangle', 'wedge', 'diamond']);
  expect(['half hexagon', 'leaf', 'arch', 'disc'].map(manyOf)).toEqual(['half hexagons', 'leaves', 'arches', 'discs']);
}); // prettier-ignore

test('the thread runs from knot to knot, begins at the first and ends at the last', () => {
  const ends = (points: readonly { x: number; y: number }[]) => [points[0], points.at(-1)];
  for (const { chains, lengthMm } of blockSheet(rosette(2), SETTINGS).steps.filter(isJoin)) {
    let walked = 0;
    for (const { path, knots, bends } of chains) {
      ends(path).forEach((end, i) => {
        const knot = ends(knots)[i];
        expect(Math.hypot((end?.x ?? 0) - (knot?.x ?? 9), (end?.y ?? 0) - (knot?.y ?? 9))).toBeLessThan(0.11);
      });
      expect(bends.length).toBeLessThanOrEqual(knots.length);
      path.slice(1).forEach((b, i) => (walked += Math.hypot(b.x - path[i]!.x, b.y - path[i]!.y)));
    }
    expect(walked).toBeCloseTo(lengthMm, 3);
  }
});

test('steps keep their names when an unrelated part of the block changes', () => {
  const before = blockSheet(cutGrid(2, 2, [0]), SETTINGS).steps;
  const far = [[500, 0], [530, 0], [530, 30], [500, 30]] as const; // prettier-ignore
  const after = blockSheet([...cutGrid(2, 2, [0]), patch(99, far)], SETTINGS).steps;
  const names = new Set(after.map(({ id }) => id));
  expect(before.filter(isJoin).every(({ id }) => names.has(id))).toBe(true);
  expect(new Set(before.map(({ id }) => id)).size).toBe(before.length);
});

test('handed papers are basted in batches of their own, with the way up in words', () => {
  const sheet = blockSheet(generate(defaultRecipe('framed-diamond')), SETTINGS);
  const hands = sheet.steps.flatMap(({ kind, text }) =>
    kind === 'baste' ? [/papers (L|R), letter towards you while you wrap/.exec(text)?.[1] ?? '-'] : [],
  );
  expect(hands.sort()).toEqual(['-', 'L', 'L', 'L', 'R', 'R', 'R']);
  expect(sheet.kinds.filter(({ left, right }) => left === 2 && right === 2)).toHaveLength(3);
});

test('what lies on a higher layer is appliquéd after the piecing, along its whole edge', () => {
  const sheet = blockSheet(generate(defaultRecipe('plate')), SETTINGS);
  const last = sheet.steps.at(-1);
  expect(last?.kind).toBe('applique');
  const radius = 1.5 * 25.4 + 6;
  expect(last?.kind === 'applique' ? last.lengthMm : 0).toBeCloseTo(2 * Math.PI * radius, 3);
  expect(last?.text).toContain('Iron');
});

test('the sheet lies at the origin and has the drawing’s size, wherever it was drawn', () => {
  const far = rosette(1).map((one) => ({
    ...one,
    outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x + 900, y: y - 700 })) },
  }));
  const [near, moved] = [blockSheet(rosette(1), SETTINGS), blockSheet(far, SETTINGS)];
  expect(moved.widthMm).toBeCloseTo(5 * 25.4, 6);
  expect(moved.patches[0]?.outline.corners[0]?.x).toBeCloseTo(
    near.patches[0]?.outline.corners[0]?.x ?? NaN,
    6,
  );
  expect(moved.steps.map(({ text }) => text)).toEqual(near.steps.map(({ text }) => text));
});

test('inches and centimetres tell the same story in their own words', () => {
  const [inch, metric] = (['inch', 'metric'] as const).map((system) =>
    blockSheet(cutGrid(2, 1, [0]), { ...SETTINGS, system }),
  );
  expect(inch?.steps.map(({ id }) => id)).toEqual(metric?.steps.map(({ id }) => id));
  expect(inch?.steps.at(-1)?.text).toContain('one 1″ seam');
  expect(metric?.steps.at(-1)?.text).toContain('one 25.5 mm seam');
  expect(metric?.bag.fabrics[0]?.cuts[0]).toMatchObject({ widthMm: 40, lengthMm: 40 });
});
