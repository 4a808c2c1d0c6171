import { expect, test } from 'vitest';
import { makePaper } from '../catalogue';
import { moveOutline, turnAbout, type Outline } from '../geometry';
import { stripCut } from '.';

const shape = (points: readonly (readonly [number, number])[]): Outline => ({
  corners: points.map(([x, y]) => ({ x, y })),
  bulges: points.map(() => 0),
});
const turned = (outline: Outline, degrees: number) =>
  moveOutline(turnAbout({ x: 3, y: 7 }, degrees), outline);

test('the side that lies along an edge of the piece is told, however the paper was drawn', () => {
  const papers: readonly (readonly [Outline, number])[] = [
    [shape([[0, 0], [60, 0], [60, 20], [0, 20]]), 60],
    [makePaper({ family: 'regular', sides: 6, edgeMm: 25.4 }), 25.4],
    // Half a square is narrowest across its longest side.
    [shape([[0, 0], [40, 0], [0, 40]]), 40 * Math.SQRT2],
  ];
  for (const [outline, side] of papers)
    for (const degrees of [0, 13, 90, 231]) {
      const cut = stripCut(turned(outline, degrees), 6.35, 'inch');
      expect(cut.alongMm).toBeCloseTo(side, 6);
      expect(cut.isOnPoint).toBeUndefined();
    }
}); // prettier-ignore

test('a paper whose sides all slant is turned on its point; one of curves alone lies as it comes', () => {
  // Narrowest between its two points: the hollow sides do not count.
  const star = shape([[0, -50], [9, -9], [50, 0], [9, 9], [0, 50], [-9, 9], [-50, 0], [-9, -9]]); // prettier-ignore
  expect(stripCut(star, 6.35, 'metric')).toMatchObject({ isOnPoint: true });
  expect(stripCut(star, 6.35, 'metric').alongMm).toBeUndefined();
  const disc: Outline = { corners: [{ x: 0, y: 0 }, { x: 60, y: 0 }], bulges: [1, 1] }; // prettier-ignore
  const cut = stripCut(disc, 6.35, 'metric');
  expect([cut.alongMm, cut.isOnPoint, cut.widthMm, cut.lengthMm]).toEqual([undefined, undefined, 75, 75]);
});
