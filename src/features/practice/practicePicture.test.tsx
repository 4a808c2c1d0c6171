import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { boxOf } from '@/core/geometry';
import { drawn, outOfFrame, sheetOf } from '@/ui/testing';
import { PracticePicture, type Tapping } from './PracticePicture';

const sheet = sheetOf('star');
const of = (index: number) => ({ outline: sheet.patches[index]!.outline });
const picture = (shown: Parameters<typeof PracticePicture>[0]['picture'], more: object = {}) => {
  const { container } = render(<PracticePicture picture={shown} sheet={sheet} fabrics={['A', 'B']} showTails={false} height={300} {...more} />); // prettier-ignore
  return container.querySelector('svg')!;
};
const sides = ({ minX, maxX, minY, maxY }: { minX: number; maxX: number; minY: number; maxY: number }) => [maxX - minX, maxY - minY]; // prettier-ignore

test('papers lie beside each other, each in its own place and turned another way, with their numbers below', () => {
  const svg = picture({ shows: 'papers', papers: [of(0), of(0), of(9), of(0)] });
  expect(outOfFrame(svg)).toEqual([]);
  const [, , width = 0] = svg.getAttribute('viewBox')!.split(' ').map(Number);
  const shapes = drawn(svg).filter(({ element }) => element.localName === 'path');
  shapes.forEach(({ minX, maxX }, index) => {
    expect(minX).toBeGreaterThanOrEqual((index * width) / 4);
    expect(maxX).toBeLessThanOrEqual(((index + 1) * width) / 4);
  });
  const numbers = drawn(svg).filter(({ element }) => element.localName === 'text');
  expect(numbers.map(({ element }) => element.textContent)).toEqual(['1', '2', '3', '4']);
  numbers.forEach(({ minY, minX }, index) => {
    expect(minY).toBeGreaterThan(shapes[index]!.maxY);
    expect(minX).toBeCloseTo(((index + 0.5) * width) / 4, 6);
  });
  // The same paper, turned: no two lie alike.
  expect(new Set([0, 1, 3].map((index) => sides(shapes[index]!).map(Math.round).join())).size).toBe(3);
});

test('a paper alone is seen from its back, in the middle, with its folds and the corner that is asked about', () => {
  const { outline } = of(9);
  const svg = picture({ shows: 'papers', papers: [{ outline, foldOrder: outline.corners.map((_, side) => side), corner: 1 }] }); // prettier-ignore
  expect(outOfFrame(svg)).toEqual([]);
  const shapes = drawn(svg);
  const [paper] = shapes;
  const box = boxOf(outline);
  expect(sides(paper!)).toEqual(sides(box).map((side) => expect.closeTo(side, 2)));
  const corner = outline.corners[1]!;
  const ring = shapes.find(({ element }) => element.localName === 'circle' && element.getAttribute('stroke')?.includes('error'))!; // prettier-ignore
  // The mirror of the front: what lies so far from the right of it lies as far from the left here.
  expect((ring.minX + ring.maxX) / 2 - paper!.minX).toBeCloseTo(box.maxX - corner.x, 2);
  expect((ring.minY + ring.maxY) / 2 - paper!.minY).toBeCloseTo(corner.y - box.minY, 2);
  expect(shapes.filter(({ element }) => element.localName === 'text').map(({ element }) => element.textContent).sort()).toEqual(outline.corners.map((_, side) => String(side + 1))); // prettier-ignore
});

test('two patches from behind lie as the mirror of their front, in the frame', () => {
  const [a, b] = [0, 1];
  const svg = picture({ shows: 'patches', patches: [a, b] });
  expect(outOfFrame(svg)).toEqual([]);
  expect(screen.getByRole('img', { name: 'Patches 1 and 2 from the back, their folds numbered' })).toBe(svg);
  const [first, second] = drawn(svg).filter(({ element }) => element.localName === 'path');
  const [frontA, frontB] = [boxOf(of(a).outline), boxOf(of(b).outline)];
  const mid = ({ minX, maxX }: { minX: number; maxX: number }) => (minX + maxX) / 2;
  expect(mid(second!) - mid(first!)).toBeCloseTo(mid(frontA) - mid(frontB), 3);
});

test('of the work so far what is sewn or held is clear, what waits is faint, what is asked about blank', () => {
  const joins = sheet.steps.flatMap((step, index) => (step.kind === 'join' ? [{ step, index }] : []));
  const upTo = joins[1]!.index;
  const sewn = [...joins[0]!.step.left, ...joins[0]!.step.right];
  const faintness = (svg: Element) => [...svg.querySelectorAll('g[opacity]')].map((one) => Number(one.getAttribute('opacity'))); // prettier-ignore
  const soFar = picture({ shows: 'block', upTo, held: [], hidden: [3] });
  expect(soFar.getAttribute('aria-label')).toBe(`The work so far: ${sewn.length} of ${sheet.patches.length} patches are sewn`); // prettier-ignore
  expect(outOfFrame(soFar)).toEqual([]);
  expect(faintness(soFar)).toHaveLength(sheet.patches.length - 1);
  expect(faintness(soFar).filter((one) => one === 1)).toHaveLength(
    sewn.filter((patch) => patch !== 3).length,
  );
  expect(faintness(picture({ shows: 'block', upTo, held: [5, 6], hidden: [] })).flatMap((one, i) => (one === 1 ? [i] : []))).toEqual([5, 6]); // prettier-ignore
  expect(faintness(picture({ shows: 'block', upTo: sheet.steps.length, held: [], hidden: [] })).every((one) => one === 1)).toBe(true); // prettier-ignore
});

test('papers are tapped by hand and by the space bar, until it is answered; then right and wrong are seen', () => {
  const onTap = vi.fn();
  const tapping: Tapping = { among: new Set([0, 1]), tapped: new Set([1]), onTap, right: undefined };
  const svg = picture({ shows: 'block', upTo: 99, held: [], hidden: [] }, { tapping });
  const boxes = screen.getAllByRole('checkbox');
  expect(boxes.map((one) => [one.getAttribute('aria-label'), one.getAttribute('aria-checked')])).toEqual([0, 1].map((i) => [`Paper ${i + 1}, ${sheet.patches[i]!.fabric}`, String(i === 1)])); // prettier-ignore
  fireEvent.click(boxes[0]!);
  fireEvent.keyDown(boxes[1]!, { key: ' ' });
  fireEvent.keyDown(boxes[1]!, { key: 'a' });
  expect(onTap.mock.calls).toEqual([[0], [1]]);
  expect(svg.getAttribute('role')).toBe('group');
  const answered = picture({ shows: 'block', upTo: 99, held: [], hidden: [] }, { tapping: { ...tapping, onTap: undefined, right: new Set([0]) } }); // prettier-ignore
  const strokes = [...answered.querySelectorAll('[role=checkbox]')].map((one) => /(success|error)/.exec(one.innerHTML)?.[0]); // prettier-ignore
  expect(strokes).toEqual(['success', 'error']);
  expect(answered.querySelector('[role=checkbox]')!.getAttribute('aria-disabled')).toBe('true');
});
