import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultPaper, makePaper } from '../catalogue';
import { overlapOf } from '../booleans';
import {
  roomiest,
  mirrored,
  boxOf,
  distance,
  isInside,
  toPolygon,
  type Outline,
  type Point,
} from '../geometry';
import { defaultRecipe, documentOfRecipe, generate, type RecipeKind } from '../generate';
import type { Patch } from '../block';
import { groupKinds } from '../shapes';
import { patch, plannedSheet } from '../testing';
import { batchesOf } from '../sheet';
import { PAGE_MM, clamshellGuide, fussyWindow, lineHeightMm, linesOf, paperRuns, papersJob, plateAngleCheck, printJob, roomOf, stepCards, tile, type Ink, type PageSize, type PaperRun, type PrintPage, type PrintWish } from '.'; // prettier-ignore

const size = fc.constantFrom<PageSize>('A4', 'Letter');
const outlinesOf = (ink: readonly Ink[]) =>
  ink.flatMap((one) => (one.kind === 'outline' ? [one.outline] : []));
const textsOf = (ink: readonly Ink[]) => ink.flatMap((one) => (one.kind === 'text' ? [one.text] : []));
/** Where something must be moved to lie on the drawing as it was before it was spread over pages. */
const shiftOf = (page: PrintPage, anchor: Point): Point => {
  const [first] = page.windowed!.ink;
  if (first?.kind !== 'dot') throw new Error('The anchor comes first.');
  return { x: anchor.x - first.at.x, y: anchor.y - first.at.y };
};

test('a drawing of any size is shown whole by its pages, and their crosses lie on each other', () => {
  const drawing = fc.record({
    left: fc.double({ min: -500, max: 500, noNaN: true }),
    top: fc.double({ min: -500, max: 500, noNaN: true }),
    width: fc.double({ min: 1, max: 900, noNaN: true }),
    height: fc.double({ min: 1, max: 900, noNaN: true }),
    at: fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })), { minLength: 1, maxLength: 8 }), // prettier-ignore
  });
  fc.assert(
    fc.property(drawing, size, ({ left, top, width, height, at }, page) => {
      const points = at.map(([x, y]) => ({ x: left + x * width, y: top + y * height }));
      const ink = points.map((one): Ink => ({ kind: 'dot', at: one, radiusMm: 1, isFilled: true }));
      const box = { minX: left, minY: top, maxX: left + width, maxY: top + height };
      const { pages } = tile('Drawing', ink, box, page);
      const crosses: Point[] = [];
      const shown = pages.map((one) => {
        const { window, ink: own } = one.windowed!;
        const shift = shiftOf(one, points[0]!);
        for (const mark of one.ink)
          if (mark.kind === 'dot') crosses.push({ x: mark.at.x + shift.x, y: mark.at.y + shift.y });
        return own.map((dot) => {
          if (dot.kind !== 'dot') return false;
          const { x, y } = dot.at;
          return x >= window.minX - 1e-6 && x <= window.maxX + 1e-6 && y >= window.minY - 1e-6 && y <= window.maxY + 1e-6; // prettier-ignore
        });
      });
      points.forEach((_, i) => expect(shown.some((page) => page[i])).toBe(true));
      // Each cross is printed on both of the pages that share its strip.
      for (const cross of crosses)
        expect(crosses.filter((other) => distance(cross, other) < 1e-6)).toHaveLength(2);
      expect(crosses.length === 0).toBe(pages.length === 1);
    }),
    { numRuns: 80 },
  );
});

test('pages of a spread drawing say their row and place in it; the only page of one that fits says nothing', () => {
  const names = (width: number, height: number) =>
    tile('Drawing', [], { minX: 0, minY: 0, maxX: width, maxY: height }, 'A4').pages.map(
      ({ ink }) => textsOf(ink)[1],
    );
  expect(names(100, 100)).toEqual(['']);
  expect(names(300, 100)).toEqual(['row 1 of 1, page 1 of 2', 'row 1 of 1, page 2 of 2']);
  expect(names(300, 400)).toEqual(
    [1, 2].flatMap((row) => [1, 2].map((page) => `row ${row} of 2, page ${page} of 2`)),
  );
});

test('a sheet names all papers on it, in smaller letters where they are many, beside its own number', () => {
  const paper = makePaper({ family: 'half-square-triangle', legMm: 20 });
  const runs = (count: number) => Array.from({ length: count }, (_, i) => ({ name: `2 1/16″ × 2 3/16″ triangle ${i}`, outline: paper, count: 2 })); // prettier-ignore
  for (const count of [1, 2, 5]) {
    const [page] = papersJob(runs(count), { title: 'Lighthouse', size: 'A4' }).pages;
    const [head] = page!.ink.flatMap((one) => (one.kind === 'paragraph' || (one.kind === 'text' && one.align === 'left') ? [one] : [])); // prettier-ignore
    for (const { name } of runs(count)) expect(head!.text).toContain(`2 of ${name}`);
    expect(head!.kind).toBe(count === 1 ? 'text' : 'paragraph');
    if (head!.kind !== 'paragraph') continue;
    const lines = linesOf(head!.text, head!.sizeMm, head!.widthMm);
    expect(lines.length * lineHeightMm(head!.sizeMm)).toBeLessThanOrEqual(head!.heightMm);
    expect(head!.at.y + head!.heightMm).toBeLessThanOrEqual(roomOf('A4').minY);
  }
});

test('sheets of papers hold exactly what was asked for, none over another, all within the room', () => {
  const families = fc.constantFrom(
    makePaper(defaultPaper('regular')),
    makePaper({ family: 'diamond', edgeMm: 45, angleDeg: 45 }),
    makePaper({ family: 'half-square-triangle', legMm: 50 }),
    makePaper(defaultPaper('clamshell')),
    makePaper(defaultPaper('blade')),
  );
  const runs = fc.array(fc.record({ outline: families, count: fc.integer({ min: 1, max: 14 }) }), { minLength: 1, maxLength: 3 }); // prettier-ignore
  fc.assert(
    fc.property(runs, size, fc.constantFrom(0, 2), (list, page, gapMm) => {
      const asked = list.map((run, i): PaperRun => ({ ...run, name: `paper ${i}`, ...(i < 2 ? { hand: i === 0 ? ('L' as const) : ('R' as const) } : {}) })); // prettier-ignore
      const job = papersJob(asked, { title: 'Papers', size: page, gapMm });
      const room = roomOf(page);
      const letters = { L: 0, R: 0 };
      let printed = 0;
      for (const { ink } of job.pages) {
        const papers = outlinesOf(ink);
        printed += papers.length;
        papers.forEach((own, i) => {
          const { minX, minY, maxX, maxY } = boxOf(own);
          expect(minX >= room.minX - 1e-3 && minY >= room.minY - 1e-3).toBe(true);
          expect(maxX <= room.maxX + 1e-3 && maxY <= room.maxY + 1e-3).toBe(true);
          for (const other of papers.slice(i + 1)) expect(overlapOf(own, other).area).toBeLessThan(0.5);
        });
        for (const text of textsOf(ink)) if (text === 'L' || text === 'R') letters[text] += 1;
      }
      expect(printed).toBe(asked.reduce((sum, { count }) => sum + count, 0));
      // Only papers that are too slender to hold a letter have none.
      const lettered = (i: number) =>
        asked[i] && roomiest(asked[i].outline).roomMm > 3.4 ? asked[i].count : 0;
      expect([letters.L, letters.R]).toEqual([lettered(0), lettered(1)]);
      expect(job.usedShare > 0 && job.usedShare <= 1).toBe(true);
    }),
    { numRuns: 25 },
  );
});

test('letters and holes are printed well inside the paper they belong to', () => {
  const strip = makePaper({
    family: 'slanted-strip',
    widthMm: 30,
    lengthMm: 90,
    firstDeg: 60,
    secondDeg: 60,
  });
  const { pages } = papersJob([{ name: 'strip', outline: strip, count: 6, hand: 'L', mark: 'two dots' }], { title: 'Strips', size: 'A4' }); // prettier-ignore
  const ink = pages.flatMap((page) => page.ink);
  const papers = outlinesOf(ink).map((outline) => toPolygon(outline));
  const within = (at: Point) => papers.filter((polygon) => isInside(at, polygon)).length;
  const marks = ink.flatMap((one) => (one.kind === 'dot' || (one.kind === 'text' && /^[LR]$/.test(one.text)) ? [one.at] : [])); // prettier-ignore
  expect(marks).toHaveLength(6 * (1 + 1 + 2));
  for (const at of marks) expect(within(at)).toBe(1);
});

test('a window leaves the same allowance along every side', () => {
  for (const family of ['regular', 'kite', 'clamshell', 'blade'] as const) {
    const outline = makePaper(defaultPaper(family));
    const job = fussyWindow('paper', outline, 7, 'A4', 'metric');
    const [cut, sewn] = outlinesOf(job.pages[0]!.windowed!.ink) as [Outline, Outline];
    const rim = toPolygon(cut);
    const off = toPolygon(sewn, 0.02).flatMap((a, i, all) => {
      const b = all[(i + 1) % all.length]!;
      return distance(a, b) < 1 ? [] : [distanceToRim({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, rim)];
    });
    expect(Math.min(...off)).toBeGreaterThan(6.9);
    expect(Math.max(...off)).toBeLessThan(7.1);
  }
});

function distanceToRim(point: Point, rim: readonly Point[]): number {
  return Math.min(
    ...rim.map((a, i) => {
      const b = rim[(i + 1) % rim.length]!;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const share = ((point.x - a.x) * dx + (point.y - a.y) * dy) / (dx * dx + dy * dy || 1);
      const t = Math.max(0, Math.min(1, share));
      return Math.hypot(point.x - a.x - t * dx, point.y - a.y - t * dy);
    }),
  );
}

test('an angle check of any plate fits one page across, and its rays are as far apart as the blades', () => {
  fc.assert(
    fc.property(fc.integer({ min: 4, max: 60 }), fc.double({ min: 30, max: 250, noNaN: true }), size, (blades, outer, page) => {
      const job = plateAngleCheck(blades, 20, outer, page, 'metric');
      const ink = job.pages[0]!.windowed!.ink;
      const rays = ink.flatMap((one) => (one.kind === 'line' && distance(one.from, one.to) > outer ? [one] : []));
      const angles = rays.map(({ from, to }) => (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI);
      angles.slice(1).forEach((angle, i) => expect(angle - angles[i]!).toBeCloseTo(360 / blades, 6));
      expect(rays.length).toBeGreaterThanOrEqual(2);
      // A single blade may be wider than a page; more than one are shown only where they fit.
      if (rays.length > 2) expect(job.pages.every((one) => textsOf(one.ink).every((text) => !/ of [2-9]$/.test(text) || text.includes('page 1 of 1')))).toBe(true);
    }),
    { numRuns: 60 },
  ); // prettier-ignore
});

test.each([
  [() => clamshellGuide(5, 3, 'A4', 'inch'), /5 mm wide/],
  [() => clamshellGuide(50, 2.5, 'A4', 'inch'), /2\.5 is no number of shells/],
  [() => plateAngleCheck(3, 20, 100, 'A4', 'inch'), /3 is no number of blades/],
  [() => plateAngleCheck(12, 100, 100, 'A4', 'inch'), /make no plate/],
  [() => plateAngleCheck(12, 20, Infinity, 'A4', 'inch'), /make no plate/],
])('a jig that cannot be made says why and how to mend it', (make, what) => {
  expect(make).toThrow(expect.objectContaining({ message: expect.stringMatching(what), mend: expect.stringMatching(/\.$/) })); // prettier-ignore
});

test('a block is printed what it has: its guide across the rim, and no window, plate or shells of another', () => {
  const wish = { size: 'A4', system: 'inch', kind: 0, allowanceMm: 6.35, sparesPercent: 0, gapMm: 3, hasHole: false } as const;
  const printed = (kind: RecipeKind, what: PrintWish['what'], more: Partial<PrintWish> = {}) =>
    printJob('One', documentOfRecipe(defaultRecipe(kind)), [], { ...wish, what, ...more });
  expect(printed('plate', 'plate').pages.length).toBeGreaterThan(0);
  expect(printed('clamshell', 'clamshell').pages.length).toBeGreaterThan(0);
  expect(printed('star', 'window').pages).toHaveLength(1);
  expect(printed('star', 'centring').pages.length).toBeGreaterThan(0);
  for (const [print, name] of [
    [() => printed('star', 'window', { kind: 9 }), 'kind'],
    [() => printed('star', 'plate'), 'what'],
    [() => printed('star', 'clamshell'), 'what'],
  ] as const)
    expect(print).toThrow(expect.objectContaining({ code: 'print', place: { name }, mend: expect.stringMatching(/\.$/) }));
}); // prettier-ignore

test('step cards keep their pictures and words within their frames', () => {
  for (const kind of ['plate', 'rosette'] as const) {
    const sheet = plannedSheet(generate(defaultRecipe(kind)), { allowanceMm: 6.35, sparesPercent: 0, system: 'metric' }); // prettier-ignore
    const { pages } = stepCards('Block', sheet, 'A4');
    const [width, height] = PAGE_MM.A4;
    let heads = 0;
    for (const { ink } of pages) {
      for (const one of ink) {
        const points = one.kind === 'outline' ? [...toPolygon(one.outline)] : one.kind === 'line' ? [one.from, one.to] : [one.at]; // prettier-ignore
        for (const { x, y } of points) expect(x >= 9.99 && y >= 9.99 && x <= width - 9.99 && y <= height - 9.99).toBe(true); // prettier-ignore
      }
      heads += textsOf(ink).filter((text) => / of \d+ {2}·/.test(text)).length;
    }
    const alike = batchesOf(sheet.steps).reduce((sum, { count, size }) => sum + (count - 1) * size, 0);
    expect(heads).toBe(sheet.steps.length - alike);
  }
});

test('a printed paper, wrapped with its letter towards the hand, is the patch of that letter as seen from the front', () => {
  for (const kind of ['beams', 'framed-diamond', 'grid', 'star'] as const) {
    const patches = [...generate(defaultRecipe(kind)), ...scaleneTriangles()];
    const runs = paperRuns({ patches }, [], 'metric', 10);
    const drawn = groupKinds(patches.map(({ outline }) => outline));
    let handed = 0;
    for (const run of runs) {
      // Printed side up on the wrong side of the cloth: what is seen from the front is its mirror image.
      const front = mirrored(run.outline);
      const sorted = groupKinds([...patches.map(({ outline }) => outline), front]);
      expect(sorted.kinds).toHaveLength(drawn.kinds.length);
      expect(sorted.handOf.at(-1)).toBe(run.hand ?? 'none');
      if (run.hand) handed += 1;
    }
    expect(handed).toBeGreaterThan(0);
    // All papers of the bag, spares included, and of each hand at least as many as the block has.
    const bag = drawn.kinds.map((_, index) => drawn.handOf.filter((__, patch) => drawn.kindOf[patch] === index));
    expect(runs.reduce((sum, { count }) => sum + count, 0)).toBe(bag.reduce((sum, { length }) => sum + Math.ceil(length * 1.1 - 1e-9), 0));
    for (const hand of ['L', 'R'] as const) {
      const printed = runs.filter((run) => run.hand === hand).reduce((sum, { count }) => sum + count, 0);
      expect(printed).toBeGreaterThanOrEqual(drawn.handOf.filter((one) => one === hand).length);
    }
  }
}); // prettier-ignore

/** A triangle of three different sides and its mirror image: the first comes as L in one order, as R in the other. */
function scaleneTriangles(): Patch[] {
  const corners = [[0, 0], [50, 0], [12, 30]] as const; // prettier-ignore
  const left = patch(900, corners.map(([x, y]) => [x + 1000, y] as const)); // prettier-ignore
  const right = patch(901, corners.map(([x, y]) => [1200 - x, y] as const).reverse()); // prettier-ignore
  return [left, right, patch(902, corners.map(([x, y]) => [x + 1400, y] as const))]; // prettier-ignore
}

test('the hole lies where the paper has most room all round', () => {
  // An L of 60 by 60 with arms of 20: its middle of corners lies outside, the most room in the corner.
  const ell = patch(1, [[0, 0], [20, 0], [20, 40], [60, 40], [60, 60], [0, 60]]); // prettier-ignore
  const { at, roomMm } = roomiest(ell.outline);
  expect(isInside(at, toPolygon(ell.outline))).toBe(true);
  expect(roomMm).toBeCloseTo(20 * (2 - Math.SQRT2), 0);
  const { pages } = papersJob([{ name: 'ell', outline: ell.outline, count: 1 }], { title: 'L', size: 'A4' });
  const [paper] = outlinesOf(pages.flatMap(({ ink }) => ink));
  const [hole] = pages.flatMap(({ ink }) => ink).flatMap((one) => (one.kind === 'dot' && one.radiusMm === 3 ? [one.at] : [])); // prettier-ignore
  expect(isInside(hole!, toPolygon(paper!))).toBe(true);
});
