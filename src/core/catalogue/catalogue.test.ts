import fc from 'fast-check';
import { expect, test } from 'vitest';
import { edgeLength, edgesOf, isSamePlace, moveOutline, reflectIn, signedArea, turnAbout } from '../geometry';
import { matchingRotation, nameShape, signatureOf, turnedOverSignature } from '../shapes';
import { PAPER_FAMILIES, defaultPaper, makePaper, measurePaper, recognise, type Paper, type PaperFamily } from '.'; // prettier-ignore

const INCH = 25.4;
const FAMILIES = Object.keys(PAPER_FAMILIES) as PaperFamily[];

test('the worked papers have their known measures', () => {
  const hexagon = measurePaper(makePaper({ family: 'regular', sides: 6, edgeMm: INCH }));
  expect(hexagon.areaMm2).toBeCloseTo(1676.2, 1);
  expect(hexagon.widthMm / INCH).toBeCloseTo(1.732, 3);
  expect(hexagon.diagonalsMm.map((one) => one / INCH)).toEqual([
    expect.closeTo(2, 6),
    expect.closeTo(1.732, 3),
  ]);
  const diamond = measurePaper(makePaper({ family: 'diamond', edgeMm: 1.5 * INCH, angleDeg: 60 }));
  expect(diamond.areaMm2 / INCH ** 2).toBeCloseTo(1.9486, 4);
  expect((diamond.diagonalsMm[0] as number) / INCH).toBeCloseTo(2.598, 3);
  expect(diamond.acuteCorners).toBe(2);
});

test.each<[Paper, string]>([
  [{ family: 'regular', sides: 8, edgeMm: INCH }, '1″ octagon'],
  [{ family: 'half-hexagon', edgeMm: INCH }, '1″ half hexagon'],
  [{ family: 'half-square-triangle', legMm: 2 * INCH }, '2″ half-square triangle'],
  [
    { family: 'elongated-hexagon', edgeMm: INCH, sideMm: 2 * INCH, tipDeg: 90 },
    '1″ × 2″ elongated hexagon, 90°',
  ],
  [{ family: 'jewel', edgeMm: INCH }, '1″ jewel'],
  [{ family: 'clamshell', widthMm: 2 * INCH }, '2″ clamshell'],
  [{ family: 'wedge', wedges: 12, radiusMm: 5 * INCH }, '5″ wedge, 1/12 of a disc'],
  [{ family: 'blade', blades: 16, innerMm: 40, outerMm: 127, tip: 'pointed' }, 'pointed blade'],
  [{ family: 'blade', blades: 16, innerMm: 40, outerMm: 127, tip: 'round' }, 'round-tipped blade'],
])('%j is called a %s', (paper, name) => {
  expect(nameShape(signatureOf(makePaper(paper)), 'inch')).toContain(name);
});

test('every family runs clockwise, and its signature stays under moving, turning and renumbering', () => {
  for (const family of FAMILIES) {
    const outline = makePaper(defaultPaper(family));
    expect(signedArea(outline), family).toBeGreaterThan(0);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.nat(7), (degrees, start) => {
        const moved = moveOutline(turnAbout({ x: 50, y: -20 }, degrees), outline);
        const from = start % moved.corners.length;
        const turn = <T>(list: readonly T[]) => [...list.slice(from), ...list.slice(0, from)];
        const renumbered = { corners: turn(moved.corners), bulges: turn(moved.bulges) };
        expect(matchingRotation(signatureOf(outline), signatureOf(renumbered))).toBeDefined();
        const over = moveOutline(reflectIn({ x: 3, y: 4 }, degrees), outline);
        expect(matchingRotation(turnedOverSignature(outline), signatureOf(over))).toBeDefined();
      }),
      { numRuns: 25 },
    );
  }
});

test('an outline drawn a little off is recognised as the paper that was meant, and by how much it is off', () => {
  const meant: Paper[] = FAMILIES.filter((one) => !['custom', 'blade', 'slanted-strip'].includes(one)).map((one) => defaultPaper(one)); // prettier-ignore
  for (const paper of [
    ...meant,
    defaultPaper('diamond', 25),
    { family: 'diamond', edgeMm: 40, angleDeg: 45 } as const,
  ]) {
    const outline = makePaper(paper);
    const drawn = moveOutline(turnAbout({ x: 9, y: 9 }, 17), outline);
    const off = {
      ...drawn,
      corners: drawn.corners.map(({ x, y }, i) => (i === 0 ? { x: x + 0.3, y } : { x, y })),
    };
    const found = recognise(off, 'inch');
    expect(found?.offMm, paper.family).toBeGreaterThan(0.05);
    expect(found?.offMm).toBeLessThan(0.5);
    expect(
      matchingRotation(signatureOf(makePaper(found!.paper)), signatureOf(outline)),
      paper.family,
    ).toBeDefined();
    expect(recognise(drawn, 'inch')?.offMm).toBeLessThan(0.05);
  }
  const shaky = { corners: [{ x: 0, y: 0 }, { x: 50.4, y: 0 }, { x: 50.8, y: 50.8 }, { x: 0, y: 50.7 }], bulges: [0, 0, 0, 0] }; // prettier-ignore
  expect(recognise(shaky, 'inch')?.paper).toEqual({ family: 'regular', sides: 4, edgeMm: 2 * INCH });
  const odd = makePaper({ family: 'custom', edgesMm: [70, 31, 52, 44], anglesDeg: [77, 140, 101] });
  expect(recognise(odd, 'inch')).toBeUndefined();
});

test('a paper by its edges and angles closes, and one given in full must agree with itself', () => {
  const whole = makePaper({ family: 'custom', edgesMm: [40, 40, 40, 40], anglesDeg: [120, 60, 120, 60] });
  const short = makePaper({ family: 'custom', edgesMm: [40, 40, 40], anglesDeg: [120, 60] });
  expect(isSamePlace(whole, short, 1e-6)).toBe(true);
  expect(edgesOf(whole).map(edgeLength)).toEqual([40, 40, 40, 40].map((one) => expect.closeTo(one, 6)));
});

test.each<[Paper, string, RegExp]>([
  [
    { family: 'custom', edgesMm: [40, 40, 40, 44], anglesDeg: [120, 60, 120, 60] },
    'edgesMm',
    /44 mm, but 40 mm are left/,
  ],
  [
    { family: 'custom', edgesMm: [40, 40, 40], anglesDeg: [60, 60, 70] },
    'anglesDeg',
    /add up to 180°; these add up to 190°/,
  ],
  [{ family: 'custom', edgesMm: [40, 0, 40], anglesDeg: [60, 60] }, 'edgesMm', /Edge 2 has no length/],
  [{ family: 'custom', edgesMm: [90, 20, 90], anglesDeg: [30, 30] }, 'anglesDeg', /cross/],
  [{ family: 'custom', edgesMm: [40, 40], anglesDeg: [400] }, 'anglesDeg', /impossible: 400°/],
  [
    { family: 'blade', blades: 16, innerMm: 120, outerMm: 100, tip: 'flat' },
    'outerMm',
    /120 mm inside to 100 mm outside/,
  ],
  [{ family: 'diamond', edgeMm: 30, angleDeg: 0 }, 'angleDeg', /impossible/],
  [{ family: 'wedge', radiusMm: 2, wedges: 6 }, 'radiusMm', /2 mm cannot be wrapped/],
  [{ family: 'regular', edgeMm: 25, sides: 6.5 }, 'sides', /6\.5 is not a possible number/],
  [{ family: 'kite', edgeMm: 40, tipDeg: 171, footDeg: 60 }, 'tipDeg', /171° is impossible/],
  [{ family: 'custom', edgesMm: [40], anglesDeg: [] }, 'edgesMm', /1 edges do not make a paper/],
  [{ family: 'custom', edgesMm: [40, 40, 40], anglesDeg: [60] }, 'anglesDeg', /3 edges with 1 angles/],
  [{ family: 'custom', edgesMm: [40, 40], anglesDeg: [2] }, 'edgesMm', /closes the paper is only 1\.\d+ mm/],
  [
    { family: 'slanted-strip', widthMm: 60, lengthMm: 50, firstDeg: 45, secondDeg: 45 },
    'lengthMm',
    /meet before/,
  ],
])('%j is refused at its figure', (paper, name, message) => {
  expect(() => makePaper(paper)).toThrow(expect.objectContaining({ code: 'paper', message: expect.stringMatching(message), place: { name } })); // prettier-ignore
});
