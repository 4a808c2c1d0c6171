import { act, render } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { useBoardZoom } from './useBoardZoom';

type BoardZoom = ReturnType<typeof useBoardZoom>;

/** A board of 800 by 600 screen points, 10 to the right and 20 down in its window. */
function atBoard(): { readonly board: BoardZoom; readonly drawn: () => string | null } {
  let board: BoardZoom | undefined;
  function Board() {
    board = useBoardZoom(() => false);
    const { frameRef, svgRef, groupRef } = board;
    return (
      <div ref={frameRef}>
        <svg ref={svgRef}>
          <g ref={groupRef} />
        </svg>
      </div>
    );
  }
  const { container } = render(<Board />);
  return { board: board!, drawn: () => container.querySelector('g')!.getAttribute('transform') };
}

beforeEach(() => {
  vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(800);
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(600);
  vi.spyOn(HTMLElement.prototype, 'getBoundingClientRect').mockReturnValue(new DOMRect(10, 20, 800, 600));
});

afterEach(() => void vi.restoreAllMocks());

/** The middle of the board in its window. */
const MIDDLE = [410, 320] as const;

test.each([
  // Wide, high, and so small that it is not blown up beyond eight points to the millimetre.
  [{ minX: 100, minY: 0, maxX: 500, maxY: 100 }, 2],
  [{ minX: 0, minY: -50, maxX: 100, maxY: 250 }, 2],
  [{ minX: 0, minY: 0, maxX: 20, maxY: 10 }, 8],
])('%j is fitted into the middle, with some room round it', (box, scale) => {
  const { board, drawn } = atBoard();
  act(() => board.fit(box));
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const at = board.toBoard(...MIDDLE);
  expect([at.x, at.y]).toEqual([expect.closeTo(middle.x, 9), expect.closeTo(middle.y, 9)]);
  expect(board.mmOf(scale * 0.88)).toBeCloseTo(1, 9);
  expect(drawn()).toBe(`translate(${400 - middle.x * scale * 0.88},${300 - middle.y * scale * 0.88}) scale(${scale * 0.88})`); // prettier-ignore
});

test('zoomed by buttons or keys the middle stays where it is, between a fifth and sixty points to the millimetre', () => {
  const { board } = atBoard();
  act(() => board.fit({ minX: 0, minY: 0, maxX: 400, maxY: 100 }));
  act(() => board.zoomBy(2));
  const at = board.toBoard(...MIDDLE);
  expect([at.x, at.y, board.mmOf(4 * 0.88)]).toEqual([expect.closeTo(200, 6), expect.closeTo(50, 6), expect.closeTo(1, 9)]); // prettier-ignore
  act(() => board.zoomBy(1000));
  expect(board.mmOf(60)).toBeCloseTo(1, 9);
  act(() => board.zoomBy(1 / 100_000));
  expect(board.mmOf(0.2)).toBeCloseTo(1, 9);
});
