import { expect, test } from 'vitest';
import { makePaper, type Paper } from '../catalogue';
import { swell } from '../cutting';
import { toPolygon, type Point } from '../geometry';
import { fingerprint } from '../testing';
import { nest, type NestCloth, type PieceKind } from '.';

const looks = (most: number) => {
  let asked = 0;
  return () => asked++ / most;
};
const kind = (id: string, paper: Paper, count: number): PieceKind => ({ id, polygon: swell(toPolygon(makePaper(paper), 0.4), 6.35), count }); // prettier-ignore
const cloth = (width: number, more: Partial<NestCloth> = {}): NestCloth => ({ width, length: Infinity, selvedge: 0, turns: 'any', used: [], ...more }); // prettier-ignore
const corner: Point[] = [{ x: 0, y: 0 }, { x: 90, y: 0 }, { x: 60, y: 70 }, { x: 0, y: 80 }]; // prettier-ignore
const hook: Point[] = [{ x: 0, y: 0 }, { x: 80, y: 0 }, { x: 80, y: 20 }, { x: 20, y: 20 }, { x: 20, y: 70 }, { x: 0, y: 70 }]; // prettier-ignore

const hexagons = kind('hexagon', { family: 'regular', sides: 6, edgeMm: 25.4 }, 24);
const triangles = kind('triangle', { family: 'regular', sides: 3, edgeMm: 50 }, 18);
const shells = kind('shell', { family: 'clamshell', widthMm: 60 }, 4);
const diamonds = kind('diamond', { family: 'diamond', edgeMm: 40, angleDeg: 45 }, 14);
const hooks: PieceKind = { id: 'hook', polygon: hook, count: 9 };

const LAYOUTS: Readonly<Record<string, () => unknown>> = {
  'hexagons off the bolt': () => nest([hexagons], cloth(400, { selvedge: 10 }), { spent: looks(60) }),
  'triangles, half round at most': () =>
    nest([triangles], cloth(310, { turns: 'half' }), { spent: looks(120) }),
  'clamshells one way up': () => nest([shells], cloth(260, { turns: 'none' }), { spent: looks(12) }),
  'hooks into hooks': () => nest([hooks], cloth(300), { spent: looks(200) }),
  'a bag of three kinds': () => nest([hexagons, diamonds, triangles], cloth(420), { spent: looks(40) }),
  'as many as a remnant gives': () => nest([shells, diamonds], cloth(230, { length: 200, used: [corner] }), { spent: looks(12) }), // prettier-ignore
};

/*
 * With as many looks at the clock the search finds the same layout. Where one of these changes on purpose, compare its length with
 * that of before, and take its letters over.
 */
test.each([
  ['hexagons off the bolt', '180b6449'],
  ['triangles, half round at most', 'ff5b1542'],
  ['clamshells one way up', '162d48cf'],
  ['hooks into hooks', '883b7a86'],
  ['a bag of three kinds', 'ee7cb609'],
  ['as many as a remnant gives', '1e8049ff'],
] as const)('so many looks, this layout: %s', (name, told) => {
  expect(fingerprint(LAYOUTS[name]!())).toBe(told);
});
