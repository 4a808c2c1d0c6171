import { expect, test } from 'vitest';
import { pleatsOf, PLEAT_MM } from '../basting';
import type { BlockDocument, ProjectBasting } from '../block';
import { defaultRecipe, documentOfRecipe } from '../generate';
import { distance, edgeLength, edgesOf, isInside, isStraight, toPolygon } from '../geometry';
import { plannedSheet } from '../testing';
import { sayFolds } from './sayFolds';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;
const star = documentOfRecipe(defaultRecipe('star'));
const sheetOf = (choices: BlockDocument['basting'], basting: ProjectBasting = {}) =>
  plannedSheet(star.patches, { ...SETTINGS, basting }, undefined, {
    ...star,
    ...(choices ? { basting: choices } : {}),
  });
const diamond = star.patches[0]!.outline;

test('what is said of a patch comes before its kind, what is said in the block before the project', () => {
  const kinds = [{ outline: diamond, convention: 'counter-clockwise', method: 'glue' }];
  const first = ({ basting }: ReturnType<typeof sheetOf>) => {
    const own = basting.kinds[0]!;
    return [own.convention, own.chosenMethod, own.saidBy, own.exceptions.length];
  };
  expect(first(sheetOf(undefined))).toEqual(['clockwise', undefined, 'nobody', 0]);
  expect(first(sheetOf(undefined, { kinds }))).toEqual(['counter-clockwise', 'glue', 'project', 0]);
  const inBlock = { kinds: [{ outline: diamond, convention: 'clockwise' }] };
  // The block says nothing of the method: the project's stays.
  expect(first(sheetOf(inBlock, { kinds }))).toEqual(['clockwise', 'glue', 'block', 0]);
  const single = { patches: { [star.patches[0]!.id]: 'clockwise' } };
  expect(first(sheetOf(single, { kinds }))).toEqual(['counter-clockwise', 'glue', 'project', 1]);
});

test('a very pale cloth takes glue from the first place, and only for papers that are wrapped in it', () => {
  const many = documentOfRecipe({ ...defaultRecipe('rosette'), rings: 3 } as never);
  const best = (pale: readonly string[]) => {
    const { basting } = plannedSheet(many.patches, { ...SETTINGS, basting: { pale } }, undefined, many);
    return [basting.kinds[0]!.methods[0]!.method, basting.pale];
  };
  expect(best([])).toEqual(['glue', []]);
  const cloth = many.patches[0]!.fabric;
  expect(best([cloth])[0]).not.toBe('glue');
  expect(best([cloth])[1]).toEqual([cloth]);
  expect(best(['elsewhere'])).toEqual(['glue', []]);
});

test('curves are pleated every quarter inch where they bow out, and clipped where they bow in', () => {
  const { outline } = documentOfRecipe(defaultRecipe('clamshell')).patches.find(({ outline: one }) =>
    edgesOf(one).some((edge) => edge.bulge > 0) && edgesOf(one).some((edge) => edge.bulge < 0),
  )!; // prettier-ignore
  const pleats = pleatsOf(outline);
  const polygon = toPolygon(outline, 0.01);
  edgesOf(outline).forEach((edge, side) => {
    const own = pleats.filter((pleat) => pleat.side === side);
    if (isStraight(edge)) expect(own).toEqual([]);
    else expect(own.length).toBeGreaterThanOrEqual(Math.floor(edgeLength(edge) / PLEAT_MM) - 1);
    expect(own.every(({ kind }) => kind === (edge.bulge > 0 ? 'pleat' : 'clip'))).toBe(true);
  });
  for (const { at, outward } of pleats) {
    expect(Math.hypot(outward.x, outward.y)).toBeCloseTo(1);
    expect(isInside({ x: at.x + outward.x * 0.5, y: at.y + outward.y * 0.5 }, polygon)).toBe(false);
    expect(isInside({ x: at.x - outward.x * 0.5, y: at.y - outward.y * 0.5 }, polygon)).toBe(true);
    expect(Math.min(...pleats.filter((one) => one.at !== at).map((one) => distance(one.at, at)))).toBeLessThan(PLEAT_MM * 2.1);
  } // prettier-ignore
});

test('straight sides are folded over the ends of the pleats: none on a disc, one on a half, two on a wedge', () => {
  const folds = (points: readonly (readonly [number, number])[], bulges: readonly number[]) =>
    sayFolds({ corners: points.map(([x, y]) => ({ x, y })), bulges }, 'clockwise', 'none', 'metric');
  const straight = /fold the straight (sides?) over/;
  const disc = folds([[0, 20], [-20, 0], [0, -20], [20, 0]], [0.414, 0.414, 0.414, 0.414]); // prettier-ignore
  expect(disc).toMatch(/^Pleat the cloth/);
  expect(straight.exec(disc)).toBeNull();
  expect(straight.exec(folds([[-20, 0], [20, 0]], [1, 0]))?.[1]).toBe('side'); // prettier-ignore
  expect(straight.exec(folds([[0, 0], [20, 0], [0, 20]], [0, 0.414, 0]))?.[1]).toBe('sides'); // prettier-ignore
  expect(folds([[0, 0], [20, 0], [0, 20]], [0, -0.2, 0])).toMatch(/^Where the curve bows in, clip/); // prettier-ignore
});
