import { expect, test } from 'vitest';
import { makePaper } from '../catalogue';
import { defaultRecipe, generate } from '../generate';
import { moveOutline, turnAbout } from '../geometry';
import { hexagonMosaic } from '../testing';
import { buildSeamGraph, findFlatness, sideTreatments, type Patch } from '.';

/** Diamonds of some angle laid round a point, each against the one before. */
function star(count: number, angleDeg: number): Patch[] {
  const diamond = makePaper({ family: 'diamond', edgeMm: 40, angleDeg });
  const tip = diamond.corners.findIndex((_, i) => i === 0);
  return Array.from({ length: count }, (_, i) => ({
    id: `d${i}`,
    outline: moveOutline(turnAbout(diamond.corners[tip]!, angleDeg * i), diamond),
    fabric: 'Fog',
    layer: 0,
  }));
}

test('papers that make a full turn lie flat; less cups and more ruffles, by how many degrees', () => {
  expect(findFlatness(buildSeamGraph(star(6, 60)))).toEqual({ innerPoints: 1, faults: [] });
  const [cups] = findFlatness(buildSeamGraph(star(6, 58.5))).faults;
  expect(cups?.missingDeg).toBeCloseTo(9, 6);
  const [ruffles] = findFlatness(buildSeamGraph(star(8, 45.5))).faults;
  expect(ruffles?.missingDeg).toBeCloseTo(-4, 6);
  expect(ruffles?.patches).toHaveLength(8);
  // Wherever on the drawing it lies.
  const moved = star(6, 58.5).map((one) => ({
    ...one,
    outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x + 70, y: y + 130 })) },
  }));
  const [far] = findFlatness(buildSeamGraph(moved)).faults;
  expect(far).toMatchObject({ missingDeg: expect.closeTo(9, 6), patches: cups?.patches });
  expect([far?.at.x, far?.at.y]).toEqual([expect.closeTo(70, 6), expect.closeTo(130, 6)]);
  expect(findFlatness(buildSeamGraph(hexagonMosaic(49))).faults).toEqual([]);
  expect(findFlatness(buildSeamGraph(generate(defaultRecipe('grid')))).faults).toEqual([]);
});

test('bases of blades under a centre disc may stay raw, the disc’s own edge and the tips are turned', () => {
  const patches = generate(defaultRecipe('plate'));
  const treated = sideTreatments(buildSeamGraph(patches));
  const [blade, disc] = [treated[0]!, treated.at(-1)!];
  expect(blade.map(({ is }) => is)).toEqual(['raw', 'sewn', 'turned', 'turned', 'sewn']);
  expect(blade[0]?.reason).toContain('centre-1');
  expect(treated.flat().some(({ isChosen }) => isChosen)).toBe(false);
  expect(disc.map(({ is }) => is)).toEqual(['turned', 'turned']);
  const chosen = patches.map((one, i) => (i === 0 ? { ...one, edges: { 0: 'turned' as const } } : one));
  expect(sideTreatments(buildSeamGraph(chosen))[0]?.[0]).toMatchObject({ is: 'turned', isChosen: true });
});
