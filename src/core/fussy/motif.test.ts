import { expect, test } from 'vitest';
import { movePoint, type Point } from '../geometry';
import { laidInBlock, outlineAbout, outwardTurn, pushed, referencePoints, wheelOf, type Motif } from '.';

/** A rhombus of 60° with sides of 40, its sharp corner at the origin, pointing left. */
const RHOMBUS: Point[] = [{ x: 0, y: 0 }, { x: 40 * Math.cos(Math.PI / 6), y: -20 }, { x: 80 * Math.cos(Math.PI / 6), y: 0 }, { x: 40 * Math.cos(Math.PI / 6), y: 20 }]; // prettier-ignore
const ROUND = Array.from({ length: 60 }, (_, i) => ({ x: 30 * Math.cos(i * (Math.PI / 30)), y: 30 * Math.sin(i * (Math.PI / 30)) })); // prettier-ignore
const near = ({ x, y }: Point) => [Math.round(x * 100) / 100 + 0, Math.round(y * 100) / 100 + 0];

test('six rhombi of 60° make a wheel round their sharp corner; seven of 50° do not close; a disc has no corner', () => {
  expect(wheelOf(RHOMBUS)).toEqual({ corner: { x: 0, y: 0 }, copies: 6, isClosed: true });
  const thin = [{ x: 0, y: 0 }, { x: 40, y: 0 }, { x: 40 * Math.cos(50 * (Math.PI / 180)), y: 40 * Math.sin(50 * (Math.PI / 180)) }]; // prettier-ignore
  expect(wheelOf(thin)).toMatchObject({ copies: 7, isClosed: false });
  expect(wheelOf(ROUND)).toMatchObject({ copies: 1, isClosed: false });
  expect(near(wheelOf(ROUND).corner)).toEqual([0, 0]);
});

test('points are named so that a hand finds them again: the middle, corners in their order, and between them', () => {
  const points = referencePoints(RHOMBUS);
  expect(points.map(({ name }) => name)).toEqual(['the middle', 'corner 1', 'corner 2', 'corner 3', 'corner 4', 'between 1 and 2', 'between 2 and 3', 'between 3 and 4', 'between 4 and 1']); // prettier-ignore
  expect([points[0]!, points[3]!, points[5]!].map(({ at }) => near(at))).toEqual([[34.64, 0], [69.28, 0], [17.32, -10]]); // prettier-ignore
  expect(referencePoints(ROUND)).toHaveLength(1);
});

test('a paper lies with its point on the motif; pushed over the cloth, whichever way it is turned, it goes where it is pushed', () => {
  const motif: Motif = { about: { x: 10, y: 0 }, turnDeg: 90 };
  // Clockwise on screen: what pointed right points down.
  expect(outlineAbout([{ x: 10, y: 0 }, { x: 30, y: 0 }], motif).map(near)).toEqual([[0, 0], [0, 20]]); // prettier-ignore
  const before = outlineAbout(RHOMBUS, motif);
  const after = outlineAbout(RHOMBUS, pushed(motif, 3, -2));
  after.forEach((p, index) =>
    expect(near({ x: p.x - before[index]!.x, y: p.y - before[index]!.y })).toEqual([3, -2]),
  );
});

/** A polygon turned clockwise on screen about the origin and pushed. */
const laid = (polygon: readonly Point[], degrees: number, x = 0, y = 0) =>
  outlineAbout(polygon, { about: { x: 0, y: 0 }, turnDeg: degrees }).map((p) => ({ x: p.x + x, y: p.y + y }));
const turnOf = ({ cos, sin }: { cos: number; sin: number }) => (Math.round((Math.atan2(sin, cos) * 180) / Math.PI) + 360) % 360; // prettier-ignore

test('papers lie in the block as they are sewn: round a ring they turn with it, in rows they stay upright, none is turned over', () => {
  const star = [0, 60, 120, 180, 240, 300].map((degrees) => laid(RHOMBUS, degrees));
  // Each rhombus fits in two turns: the one that points outwards is taken.
  const round = laidInBlock(RHOMBUS, [...star, ROUND], { x: 0, y: 0 });
  expect(round.map(turnOf)).toEqual([0, 60, 120, 180, 240, 300]);
  round.forEach((motion, i) => expect(near(movePoint(motion, RHOMBUS[2]!))).toEqual(near(star[i]![2]!)));
  // The same in a row, drawn from other corners: none is turned but those that cannot lie otherwise.
  const row = [laid(RHOMBUS, 0), laid(RHOMBUS, 180, 200), laid(RHOMBUS, 60, 300)];
  expect(laidInBlock(RHOMBUS, row, { x: 150, y: 0 }).map(turnOf)).toEqual([0, 0, 60]);
  const slanted = [{ x: 0, y: 0 }, { x: 30, y: 0 }, { x: 45, y: 20 }, { x: 15, y: 20 }];
  const mirrored = slanted.map(({ x, y }) => ({ x: -x, y })).reverse();
  expect(laidInBlock(slanted, [mirrored, laid(slanted, 90)], { x: 0, y: 0 }).map(turnOf)).toEqual([90]);
  // Off by a hair it is the same paper, by a millimetre it is not.
  const rough = (mm: number) => RHOMBUS.map(({ x, y }, i) => ({ x: x + (i === 0 ? mm : 0), y }));
  expect([rough(0.4), rough(3)].map((patch) => laidInBlock(RHOMBUS, [patch], { x: 0, y: 0 }).length)).toEqual([1, 0]);
}); // prettier-ignore

test('turned outwards, what points up on the print points away from the middle of the block', () => {
  for (const degrees of [0, 60, 210]) {
    const paper = laid(RHOMBUS, degrees);
    const turnDeg = outwardTurn(paper, { x: 0, y: 0 })!;
    // Its far tip lies above its near one on the print.
    const [near, , far] = outlineAbout(paper, { about: paper[0]!, turnDeg });
    expect([far!.x - near!.x, far!.y - near!.y].map((mm) => Math.round(mm) + 0)).toEqual([0, -69]);
  }
  expect(outwardTurn(RHOMBUS, { x: 40 * Math.cos(Math.PI / 6), y: 0.5 })).toBeUndefined();
}); // prettier-ignore
