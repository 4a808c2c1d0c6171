import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import { nest } from '@/core/nesting';
import type { ClothBolt } from '@/core/order';
import { drawn, outOfFrame } from '@/ui/testing';
import { BoltDrawing } from './BoltDrawing';
import { DimensionLine } from './DimensionLine';
import { FussySheet } from './FussySheet';
import { FussyWheel } from './FussyWheel';
import { LayoutDrawing } from './LayoutDrawing';

const marksOf = (lengthMm: number, system: 'inch' | 'metric') => {
  const { container, unmount } = render(
    <svg>
      <DimensionLine x={0} y={0} lengthMm={lengthMm} word="wide" size={10} system={system} />
    </svg>,
  );
  const marks =
    container
      .querySelectorAll('path')[2]
      ?.getAttribute('d')
      ?.match(/M[\d.]+/g) ?? [];
  unmount();
  return marks.map((one) => Number(one.slice(1)));
};

test('a dimension line has a mark every four inches or ten centimetres, none at its ends', () => {
  expect(marksOf(350, 'metric')).toEqual([100, 200, 300]);
  expect(marksOf(300, 'metric')).toEqual([100, 200]);
  expect(marksOf(250, 'inch')).toEqual([101.6, 203.2]);
  expect(marksOf(90, 'metric')).toEqual([]);
});

test('a layout says its width, what lies between the selvedges, and its length', () => {
  const square = { id: 's', count: 4, polygon: [{ x: 0, y: 0 }, { x: 100, y: 0 }, { x: 100, y: 100 }, { x: 0, y: 100 }] }; // prettier-ignore
  const cloth = { ...USUAL_CLOTH, name: 'Fog', widthMm: 520, selvedgeMm: 10 };
  const nested = nest(
    [square],
    { width: 520, length: Infinity, selvedge: 10, turns: 'any', used: [] },
    { spent: () => 1 },
  );
  render(<LayoutDrawing kinds={[square]} nested={nested} cloth={cloth} system="metric" />);
  const words = [...screen.getByRole('img').querySelectorAll('text')].map(({ textContent }) => textContent);
  expect(words).toEqual(expect.arrayContaining(['520 mm wide', '500 mm between the selvedges']));
  expect(words.some((one) => one?.endsWith(' long'))).toBe(true);
  expect(words.filter((one) => one === '1')).toHaveLength(4);
  // Pieces lie between the selvedges, none on another, each with its number in its middle.
  const pieces = drawn(screen.getByRole('img')).filter(({ element }) => element.localName === 'polygon');
  for (const { minX, maxX, minY } of pieces) expect([minX >= 10 - 1e-6, maxX <= 510 + 1e-6, minY >= -1e-6]).toEqual([true, true, true]);
  const areas = pieces.map(({ minX, maxX, minY, maxY }) => (maxX - minX) * (maxY - minY));
  expect(areas).toEqual([1e4, 1e4, 1e4, 1e4].map((area) => expect.closeTo(area, 3)));
  const number = drawn(screen.getByRole('img')).find(({ element }) => element.textContent === '1')!;
  expect(number.minX).toBeCloseTo((pieces[0]!.minX + pieces[0]!.maxX) / 2, 6);
  expect(number.minY).toBeCloseTo((pieces[0]!.minY + pieces[0]!.maxY) / 2, 6);
  expect(outOfFrame(screen.getByRole('img'))).toEqual([]);
}); // prettier-ignore

test('where cloth is used already, and the selvedges, are shaded; what is used beyond the layout is not drawn', () => {
  const cloth = { ...USUAL_CLOTH, name: 'Fog', widthMm: 500, selvedgeMm: 20 };
  const used = [{ x: 100, y: 150, widthMm: 60, lengthMm: 90 }, { x: 0, y: 200, widthMm: 10, lengthMm: 10 }]; // prettier-ignore
  const nested = { placed: [], left: [], lengthMm: 200, density: 0, boundLengthMm: 0, stripsLengthMm: 0 };
  render(<LayoutDrawing kinds={[]} nested={nested} used={used} cloth={cloth} system="metric" />);
  const picture = screen.getByRole('img');
  const shaded = drawn(picture).filter(({ element }) => element.hasAttribute('opacity'));
  expect(shaded.map(({ minX, minY, maxX, maxY }) => [minX, minY, maxX, maxY])).toEqual([
    [0, 0, 20, 200], [480, 0, 500, 200], [100, 150, 160, 200],
  ]);
  expect(outOfFrame(picture)).toEqual([]);
}); // prettier-ignore

const SQUARE = [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50, y: 50 }, { x: 0, y: 50 }]; // prettier-ignore
const WIDER = SQUARE.map(({ x, y }) => ({ x: x < 25 ? -6 : 56, y: y < 25 ? -6 : 56 }));
const print = {
  ...USUAL_CLOTH,
  name: 'Tar',
  widthMm: 600,
  selvedgeMm: 12,
  repeatWidthMm: 60,
  repeatHeightMm: 80,
};
const paperOf = (paper: typeof SQUARE) => ({ id: 'square', block: 'Star', fabric: 'Tar', count: 8, bags: 1, paper, cut: paper, tighter: paper }); // prettier-ignore

test('one strip is one', () => {
  const plan = {
    strips: [{ times: 1, fromMm: 0, heightMm: 120, runs: [] }],
    lengthMm: 120,
    boundMm: 120,
    tooWide: [],
  };
  const bolt = { fabric: 'Madder', usableMm: 1000, sizes: [], pieces: [], plan } as unknown as ClothBolt;
  render(<BoltDrawing bolt={bolt} system="metric" />);
  expect(screen.getByRole('img', { name: /^Madder: .* cut into 1 strip$/ })).toBeTruthy();
});

test('strips of a bolt follow each other down to its end, with their pieces in columns and rows', () => {
  const run = { size: 0, fromMm: 30, acrossMm: 50, alongMm: 60, columns: 4, rows: 2, count: 7 };
  const strips = [{ times: 2, fromMm: 0, heightMm: 120, runs: [run] }, { times: 1, fromMm: 240, heightMm: 40, runs: [] }]; // prettier-ignore
  const bolt = { fabric: 'Madder', usableMm: 1000, sizes: [], pieces: [], plan: { strips, lengthMm: 280, boundMm: 280, tooWide: [] } } as unknown as ClothBolt; // prettier-ignore
  const { rerender } = render(<BoltDrawing bolt={bolt} system="metric" />);
  const picture = screen.getByRole('img', { name: /^Madder: .* cut into 3 strips$/ });
  const rects = () => drawn(picture).filter(({ element }) => element.localName === 'rect');
  const bands = () => rects().filter(({ element }) => element.getAttribute('width') === '1000').map(({ minY, maxY }) => [minY, maxY]); // prettier-ignore
  expect(bands()).toEqual([[0, 120], [120, 240], [240, 280]]); // prettier-ignore
  const pieces = rects().filter(({ element }) => element.getAttribute('width') === '50');
  expect(pieces).toHaveLength(14);
  expect(pieces.slice(0, 7).map(({ minX, minY }) => [minX, minY])).toEqual([[30, 0], [30, 60], [80, 0], [80, 60], [130, 0], [130, 60], [180, 0]]); // prettier-ignore
  expect(outOfFrame(picture)).toEqual([]);
  const words = () => [...picture.querySelectorAll('text')].map(({ textContent }) => textContent);
  // Pieces are numbered by their count alone where the words have no room.
  expect(words().slice(1)).toEqual(['7', '2 × 120 mm', '7', '1 × 40 mm']);
  expect(words()[0]).toBe('1000 mm between the selvedges');
  // A bolt far longer than it is wide would be a thread: strips alike are drawn once.
  rerender(<BoltDrawing bolt={{ ...bolt, plan: { ...bolt.plan, lengthMm: 2201 } }} system="metric" />);
  expect(bands()).toEqual([[0, 120], [120, 160]]); // prettier-ignore
  expect(words()[0]).toBe('1000 mm between the selvedges; strips alike are drawn once');
});

test('copies of a paper close round their corner without a gap, and their mirror image lies about the same middle', () => {
  const kite = [{ x: 10, y: 20 }, { x: 60, y: 20 }, { x: 45.36, y: 55.36 }, { x: 10, y: 70 }]; // prettier-ignore
  const wheel = (paper: typeof SQUARE, more: object = {}) => {
    const { container, unmount } = render(<FussyWheel paper={{ ...paperOf(paper), ...more }} cloth={print} fabrics={['Tar']} motif={{ about: { x: 25, y: 25 }, turnDeg: 30 }} />); // prettier-ignore
    const pictures = [...container.querySelectorAll('svg[role=img]')];
    const found = pictures.map((picture) => {
      const copies = drawn(picture).filter(({ element }) => element.localName === 'polygon');
      const [minX, maxX] = [Math.min(...copies.map((one) => one.minX)), Math.max(...copies.map((one) => one.maxX))]; // prettier-ignore
      return { count: copies.length, minX, maxX, out: outOfFrame(picture) };
    });
    const words = container.textContent;
    unmount();
    return { found, words };
  };
  const square = wheel(SQUARE);
  expect(square.found).toEqual([0, 1].map(() => ({ count: 4, minX: expect.closeTo(-50, 6), maxX: expect.closeTo(50, 6), out: [] }))); // prettier-ignore
  expect(square.words).toBe(
    '4 copies round a corner; beside it the mirror image, as it is seen from the back.',
  );
  const kites = wheel(kite);
  expect(kites.found.map(({ out }) => out)).toEqual([[], []]);
  // A corner of 70° closes in no whole number: five lie nearest, and that is said.
  const slim = wheel([{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50 * Math.cos(1.2217), y: 50 * Math.sin(1.2217) }]); // prettier-ignore
  expect(slim.found[0]!.count).toBe(Math.round(360 / 55));
  const far = wheel([{ x: 0, y: 0 }, { x: 60, y: 0 }, { x: 17.1, y: 47 }]); // prettier-ignore
  expect(far.words).toContain('they do not close');
});

test('a window is true to size about its motif: the cut, the paper in it, and a mark of an inch', () => {
  const paper = { ...paperOf(SQUARE), cut: WIDER };
  const answer = { cloth: print, lengthMm: 400, points: [{ paper, motif: { about: { x: 10, y: 30 }, turnDeg: 0 }, setOf: 4 }], found: { placed: [{ point: 0, x: 100, y: 120 }, { point: 0, x: 160, y: 40 }], points: [{ sets: 0, most: 0 }], isProven: true }, more: [] }; // prettier-ignore
  render(<FussySheet answer={answer} papers={[paper]} fabrics={['Tar']} system="metric" />);
  const template = screen.getByRole('img', { name: 'Window template at its true size' });
  const [cut, inner, cross, ring, inch] = drawn(template).map(({ minX, minY, maxX, maxY }) => [minX, minY, maxX, maxY]); // prettier-ignore
  expect(cut).toEqual([-16, -36, 46, 26]);
  expect(inner).toEqual([-10, -30, 40, 20]);
  expect([cross, ring]).toEqual([[-4, -4, 4, 4], [-1.5, -1.5, 1.5, 1.5]]); // prettier-ignore
  expect(inch![2]! - inch![0]!).toBeCloseTo(25.4, 6);
  expect(outOfFrame(template)).toEqual([]);
  expect([template.getAttribute('width'), template.getAttribute('viewBox')]).toEqual([
    '66mm',
    '-18 -38 66 66',
  ]);
  // On the piece every cut lies about its motif, scissors beginning at the cut edge.
  const piece = screen.getByRole('img', { name: /^2 cuts on a piece/ });
  const cuts = drawn(piece).filter(({ element }) => element.localName === 'polygon');
  expect(cuts.map(({ minX, minY, maxX, maxY }) => [minX, minY, maxX, maxY])).toEqual([[144, 4, 206, 66], [84, 84, 146, 146]]); // prettier-ignore
  expect(outOfFrame(piece)).toEqual([]);
});
