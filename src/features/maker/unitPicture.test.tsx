import { render } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { JoinStep } from '@/core/sheet';
import { drawn, outOfFrame, sheetOf } from '@/ui/testing';
import { UnitPicture } from './UnitPicture';

const sheet = sheetOf('star');
const joins = sheet.steps.filter((step): step is JoinStep => step.kind === 'join');

test('what a step makes is drawn as it lies in the block, filling its frame, each patch with the number of its paper', () => {
  for (const step of [joins[0]!, joins.at(-1)!]) {
    const unit = [...step.left, ...step.right];
    const { container, unmount } = render(<UnitPicture sheet={sheet} step={step} fabrics={['A']} />);
    const picture = container.querySelector('svg')!;
    expect(picture.getAttribute('data-unit')).toBe(unit.map((patch) => patch + 1).join(' '));
    expect(outOfFrame(picture)).toEqual([]);
    const shapes = drawn(picture);
    const papers = shapes.filter(({ element }) => element.localName === 'path');
    expect(papers).toHaveLength(unit.length);
    const [left = 0, , width = 0] = picture.getAttribute('viewBox')!.split(' ').map(Number);
    const used = Math.max(...papers.map(({ maxX }) => maxX)) - Math.min(...papers.map(({ minX }) => minX));
    const high = Math.max(...papers.map(({ maxY }) => maxY)) - Math.min(...papers.map(({ minY }) => minY));
    // A twenty-fifth of the larger side is left free on each side of it.
    expect(width - used).toBeCloseTo(0.08 * Math.max(used, high), 1);
    expect(Math.min(...papers.map(({ minX }) => minX)) - left).toBeCloseTo((width - used) / 2, 1);
    const words = [...picture.querySelectorAll('text')];
    expect(words.map(({ textContent }) => textContent)).toEqual(unit.map((patch) => String(patch + 1)));
    // Few patches have larger numbers than many.
    const share = Number(words[0]!.getAttribute('font-size')) / Math.max(used, high);
    expect(share).toBeCloseTo(unit.length > 3 ? 0.115 : 0.16, 2);
    unmount();
  }
  expect(joins.at(-1)!.left.length + joins.at(-1)!.right.length).toBeGreaterThan(3);
});

test('a step that joins nothing has no picture of a unit', () => {
  const baste = sheet.steps.find(({ kind }) => kind === 'baste');
  expect(render(<UnitPicture sheet={sheet} step={baste} fabrics={[]} />).container.innerHTML).toBe('');
  expect(render(<UnitPicture sheet={sheet} step={undefined} fabrics={[]} />).container.innerHTML).toBe('');
});
