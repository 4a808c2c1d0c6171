import { inflateSync } from 'node:zlib';
import { expect, test } from 'vitest';
import { pacedTime, plannedSheet } from '@/core/testing';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from '@/core/generate';
import { defaultPaper, makePaper } from '@/core/catalogue';
import { areaOf, boxOfPoints, toPolygon, type Point } from '@/core/geometry';
import { stepCards, centringGuide, clamshellGuide, fussyWindow, linesOf, papersJob, plateAngleCheck, type PrintJob } from '@/core/printing'; // prettier-ignore
import PDFDocument from 'pdfkit';
import { writePdf } from './pdf';

const MM_PER_POINT = 25.4 / 72;

type Matrix = readonly [number, number, number, number, number, number];

/** Reads what a page draws straight from the file: paths in mm on the paper, from the top left corner. */
async function readPaths(job: PrintJob): Promise<Point[][][]> {
  const file = (await writePdf(job)).toString('latin1');
  const streams = [...file.matchAll(/\/Filter \/FlateDecode\n>>\nstream\n([\s\S]*?)\nendstream/g)].map(
    ([, body]) => inflateSync(Buffer.from(body as string, 'latin1')).toString('latin1'),
  );
  return streams.filter((text) => /\bre\b|\bm\b/.test(text) && / cm\n/.test(text)).map((text) => pathsOf(text, job.heightMm)); // prettier-ignore
}

function pathsOf(text: string, heightMm: number): Point[][] {
  let matrix: Matrix = [1, 0, 0, 1, 0, 0];
  const saved: Matrix[] = [];
  const paths: Point[][] = [];
  let numbers: number[] = [];
  const at = (x: number, y: number): Point => {
    const [a, b, c, d, e, f] = matrix;
    return { x: (a * x + c * y + e) * MM_PER_POINT, y: heightMm - (b * x + d * y + f) * MM_PER_POINT };
  };
  for (const token of text.replace(/\[[^\]]*\]|<[^>]*>|\([^)]*\)/g, ' ').split(/\s+/)) {
    if (/^[-+.\d]/.test(token)) {
      numbers.push(Number(token));
      continue;
    }
    const n = numbers;
    if (token === 'q') saved.push(matrix);
    if (token === 'Q') matrix = saved.pop() ?? matrix;
    if (token === 'cm') {
      const [a, b, c, d, e, f] = n as unknown as Matrix;
      const [A, B, C, D, E, F] = matrix;
      matrix = [
        A * a + C * b,
        B * a + D * b,
        A * c + C * d,
        B * c + D * d,
        A * e + C * f + E,
        B * e + D * f + F,
      ];
    }
    if (token === 'm') paths.push([at(n[0]!, n[1]!)]);
    if (token === 'l') paths.at(-1)?.push(at(n[0]!, n[1]!));
    if (token === 'c') {
      const [p, q, r] = [at(n[0]!, n[1]!), at(n[2]!, n[3]!), at(n[4]!, n[5]!)];
      const from = paths.at(-1)!.at(-1)!;
      for (let i = 1; i <= 16; i++) {
        const t = i / 16;
        const mix = (a: number, b: number, c: number, d: number) => a * (1 - t) ** 3 + 3 * b * t * (1 - t) ** 2 + 3 * c * t ** 2 * (1 - t) + d * t ** 3; // prettier-ignore
        paths.at(-1)?.push({ x: mix(from.x, p.x, q.x, r.x), y: mix(from.y, p.y, q.y, r.y) });
      }
    }
    numbers = [];
  }
  return paths;
}

function spans(path: readonly Point[]): [number, number] {
  const { minX, minY, maxX, maxY } = boxOfPoints(path);
  return [maxX - minX, maxY - minY];
}

function polygonArea(points: readonly Point[]): number {
  const twice = points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length] as Point;
    return sum + p.x * q.y - q.x * p.y;
  }, 0);
  return Math.abs(twice) / 2;
}

test.each(['A4', 'Letter'] as const)(
  'papers and check ruler are true on %s to within 0.2 mm, read back from the page',
  async (size) => {
    const runs = [
      { name: 'hexagon', outline: makePaper(defaultPaper('regular')), count: 7 },
      { name: 'clamshell', outline: makePaper(defaultPaper('clamshell')), count: 3, mark: 'dot' as const },
    ];
    const job = papersJob(runs, { title: 'Test', size });
    const [page, ...others] = await readPaths(job);
    expect(others).toEqual([]);
    const closed = page!.filter((path) => path.length > 5).map((path) => ({ path, area: polygonArea(path) }));
    for (const { outline, count } of runs) {
      const own = closed.filter(({ area }) => Math.abs(area - areaOf(outline)) < 2);
      expect(own).toHaveLength(count);
      for (const { path } of own) {
        const sides = path.map((p, i) =>
          Math.hypot(path[(i + 1) % path.length]!.x - p.x, path[(i + 1) % path.length]!.y - p.y),
        );
        const round = sides.reduce((sum, one) => sum + one, 0);
        const truth = toPolygon(outline, 0.0005);
        const wanted = truth.reduce(
          (sum, p, i) =>
            sum + Math.hypot(truth[(i + 1) % truth.length]!.x - p.x, truth[(i + 1) % truth.length]!.y - p.y),
          0,
        );
        expect(Math.abs(round - wanted)).toBeLessThan(0.2);
      }
    }
    const level = page!
      .filter((path) => path.length === 2 && Math.abs(path[0]!.y - path[1]!.y) < 0.01)
      .map((path) => spans(path)[0]);
    expect(level.filter((one) => Math.abs(one - 50) < 0.01)).toHaveLength(1);
    expect(level.filter((one) => Math.abs(one - 50.8) < 0.01)).toHaveLength(1);
  },
);

test('a paper longer than the page comes in parts whose shared strip is the same on both', async () => {
  const outline = makePaper({ family: 'rectangle', widthMm: 60, lengthMm: 500 });
  const job = papersJob([{ name: 'sashing strip', outline, count: 4 }], { title: 'Test', size: 'A4' });
  expect(job.inParts).toEqual(['sashing strip']);
  expect(job.pages).toHaveLength(3);
  const drawn = (await readPaths(job)).map((page) =>
    page.find((path) => Math.abs(polygonArea(path) - 30_000) < 5)!,
  );
  const tops = drawn.map((path) => boxOfPoints(path).minY);
  expect(tops[0]! - tops[1]!).toBeCloseTo(tops[1]! - tops[2]!, 3);
  expect(spans(drawn[0]!)).toEqual([expect.closeTo(60, 2), expect.closeTo(500, 2)]);
});

test('every step has a card, with its seam drawn bold', async () => {
  const sheet = plannedSheet(generate(defaultRecipe('star')), {
    allowanceMm: 6.35,
    sparesPercent: 10,
    system: 'inch',
  });
  const job = stepCards('Star', sheet, 'Letter');
  expect(job.pages).toHaveLength(Math.ceil(sheet.steps.length / 6));
  const bold = job.pages.flatMap(({ ink }) => ink.filter((one) => one.kind === 'line' && one.strokeMm > 0.8));
  expect(bold.length).toBeGreaterThanOrEqual(sheet.steps.filter(({ kind }) => kind === 'join').length);
  expect(
    await pacedTime(
      () => writePdf(job),
      () => performance.now(),
    ),
  ).toBeLessThan(8000);
});

test('a paragraph is reckoned with at least as many lines as its letters take, seldom more', () => {
  const pdf = new PDFDocument({ font: 'node_modules/@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff' }); // prettier-ignore
  const widthOf = (text: string) => pdf.fontSize(3 * 1.25).widthOfString(text);
  const sentences = Object.keys(RECIPE_NAMES).flatMap((kind) => plannedSheet(generate(defaultRecipe(kind as RecipeKind)), { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' }).steps.map(({ text }) => text)); // prettier-ignore
  let [reckoned, taken] = [0, 0];
  for (const text of [
    ...sentences,
    ...[...'abmwMWQÄ@%½'].map((letter) => `${letter.repeat(9)} `.repeat(20)),
  ]) {
    let [lines, used] = [0, Infinity];
    for (const word of text.split(' ')) {
      const after = used + widthOf(` ${word}`);
      if (after > 60) [lines, used] = [lines + 1, widthOf(word)];
      else used = after;
    }
    expect(linesOf(text, 3, 60).length, text).toBeGreaterThanOrEqual(lines);
    if (sentences.includes(text)) [reckoned, taken] = [reckoned + linesOf(text, 3, 60).length, taken + lines];
  }
  expect(reckoned).toBeLessThan(1.08 * taken);
});

test('jigs are true: the window, the rows of shells, the plate’s angle, the centre', async () => {
  const hexagon = makePaper(defaultPaper('regular'));
  const [window] = await readPaths(fussyWindow('hexagon', hexagon, 6.35, 'A4', 'inch'));
  const heights = window!.filter((path) => path.length >= 6 && path.length < 9).map((path) => spans(path)[1]);
  const tall = 2 * 25.4 * Math.sin(Math.PI / 3);
  expect(heights).toEqual([expect.closeTo(tall + 2 * 6.35, 2), expect.closeTo(tall, 2)]);
  const [shells] = await readPaths(clamshellGuide(50, 3, 'A4', 'metric'));
  const bottoms = shells!.filter((path) => path.length === 2 && Math.abs(spans(path)[0] - 150) < 0.01);
  expect(Math.abs(bottoms[1]![0]!.y - bottoms[0]![0]!.y)).toBeCloseTo(25, 3);
  const [plate] = await readPaths(plateAngleCheck(14, 38.1, 139.7, 'A4', 'inch'));
  const rays = plate!.filter((path) => path.length === 2 && Math.hypot(...spans(path)) > 100).map(([p, q]) => Math.atan2(q!.y - p!.y, q!.x - p!.x)); // prettier-ignore
  expect(rays).toHaveLength(3);
  rays.slice(1).forEach((ray, i) => expect(((ray - rays[i]!) * 180) / Math.PI).toBeCloseTo(360 / 14, 3));
  const rim = [[{ x: 0, y: 0 }, { x: 100, y: 0 }, { x: 100, y: 60 }, { x: 0, y: 60 }, { x: 0, y: 0 }]]; // prettier-ignore
  const [centre] = await readPaths(centringGuide('Kelp', rim, 'A4', 'metric'));
  const folds = centre!.filter((path) => path.length === 2 && Math.max(...spans(path)) > 80 && Math.min(...spans(path)) < 0.01); // prettier-ignore
  expect(folds.map((path) => Math.max(...spans(path))).filter((one) => Math.abs(one - 124) < 0.01 || Math.abs(one - 84) < 0.01)).toHaveLength(2); // prettier-ignore
});
