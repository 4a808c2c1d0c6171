import { act, fireEvent } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { Point } from '@/core/geometry';
import { atWorkshop, board, lefts } from './testing/atWorkshop';

/** The board as if it were so large on the screen, with what places a paper of it has there. */
function drawnBoard(width: number, height: number) {
  const { prototype } = HTMLElement;
  vi.spyOn(prototype, 'clientWidth', 'get').mockReturnValue(width);
  vi.spyOn(prototype, 'clientHeight', 'get').mockReturnValue(height);
  prototype.setPointerCapture = () => undefined;
  const own = atWorkshop();
  const [tx = 0, ty = 0, k = 1] = board().querySelector('svg > g')!.getAttribute('transform')!.match(/-?[\d.]+/g)!.map(Number);
  const place = ({ x, y }: Point) => ({ clientX: x * k + tx, clientY: y * k + ty });
  const middle = (index: number) => {
    const { corners } = own.shop().patches[index]!.outline;
    const mean = (of: 'x' | 'y') => corners.reduce((sum, corner) => sum + corner[of], 0) / corners.length;
    return place({ x: mean('x'), y: mean('y') });
  };
  const at = (name: 'pointerDown' | 'pointerMove' | 'pointerUp', place: object, more = {}) =>
    fireEvent[name](board(), { pointerId: 1, button: 0, pointerType: 'mouse', ...place, ...more });
  const click = (place: object, more = {}) => (at('pointerDown', place, more), at('pointerUp', place, more));
  return { ...own, middle, place, at, click, k };
} // prettier-ignore

test('by mouse: a press picks, Ctrl adds, one on bare board puts all down, paint paints, the right button does nothing', () => {
  const { shop, fabrics, middle, place, click } = drawnBoard(800, 600);
  click(middle(1));
  expect(shop().picked).toEqual([1]);
  click(middle(2), { ctrlKey: true });
  expect(shop().picked).toEqual([1, 2]);
  click(middle(0), { button: 2 });
  expect(shop().picked).toEqual([1, 2]);
  click({ clientX: 1, clientY: 1 });
  expect(shop().picked).toEqual([]);
  act(() => shop().setTool('paint'));
  click(middle(0));
  expect(fabrics().map((one) => one === 'Beacon')).toEqual([true, false, false]);
  act(() => shop().setTool('centre'));
  const corner = shop().patches[0]!.outline.corners[0]!;
  const near = place(corner);
  click({ clientX: near.clientX + 3, clientY: near.clientY - 2 });
  expect([shop().tool, shop().centre]).toEqual(['pick', corner]);
});

test('by mouse: a drag moves what is picked and is pulled to an edge near by, with Alt it is not; Shift picks within a frame', () => {
  const { shop, middle, at, k } = drawnBoard(800, 600);
  const dragBy = (mm: number, more = {}) => {
    const from = middle(2);
    at('pointerDown', from);
    at('pointerMove', { clientX: from.clientX + mm * k, clientY: from.clientY }, more);
    at('pointerUp', { clientX: from.clientX + mm * k, clientY: from.clientY });
  };
  const [, , start = 0] = lefts(shop());
  dragBy(40, { altKey: true });
  expect(lefts(shop())[2]).toBeCloseTo(start + 40, 3);
  // Half a millimetre short of its place: the pull closes it.
  dragBy(-39.5);
  expect(lefts(shop())[2]).toBeCloseTo(start, 3);
  dragBy(0.1);
  expect(lefts(shop())[2]).toBeCloseTo(start, 3);
  const [first, second] = [middle(0), middle(1)];
  at('pointerDown', { clientX: first.clientX - 20 * k, clientY: first.clientY - 20 * k }, { shiftKey: true });
  at('pointerMove', { clientX: second.clientX + 14 * k, clientY: second.clientY + 20 * k });
  at('pointerUp', second);
  expect(shop().picked).toEqual([0, 1]);
});

test('by finger: a stroke over a paper that is not picked moves none of them, one over a paper that is moves it', () => {
  const { shop, middle, at } = drawnBoard(800, 600);
  const stroke = (index: number) => {
    const from = middle(index);
    const touch = { pointerType: 'touch', altKey: true };
    at('pointerDown', from, touch);
    at('pointerMove', { clientX: from.clientX + 60, clientY: from.clientY }, touch);
    at('pointerUp', { clientX: from.clientX + 60, clientY: from.clientY }, touch);
  };
  const start = lefts(shop());
  stroke(2);
  expect([shop().picked, lefts(shop())]).toEqual([[], start]);
  at('pointerDown', middle(2), { pointerType: 'touch' });
  at('pointerUp', middle(2), { pointerType: 'touch' });
  expect(shop().picked).toEqual([2]);
  stroke(2);
  expect(lefts(shop())[2]).toBeGreaterThan(start[2]! + 5);
});

test('by mouse: what is no edit moves the board; a press on a paper, a frame with Shift and the right button do not', async () => {
  const { shop, middle } = drawnBoard(800, 600);
  const view = () => board().querySelector('svg > g')!.getAttribute('transform')!;
  const svg = () => board().querySelector('svg')!.style.transform;
  /** Drags as a mouse does, and says whether the board came along. */
  const moves = async (from: { clientX: number; clientY: number }, more = {}) => {
    const before = view();
    fireEvent.mouseDown(board(), { button: 0, view: window, ...from, ...more });
    fireEvent.mouseMove(window, { view: window, clientX: from.clientX + 80, clientY: from.clientY + 30 });
    const isMoving = svg() !== '';
    fireEvent.mouseUp(window, { view: window, ...from });
    await vi.waitFor(() => expect(svg()).toBe(''));
    return isMoving && view() !== before;
  };
  const bare = { clientX: 2, clientY: 2 };
  expect(await moves(bare)).toBe(true);
  expect(await moves(middle(1))).toBe(false);
  expect(await moves(bare, { shiftKey: true })).toBe(false);
  expect(await moves(bare, { button: 2 })).toBe(false);
  // With another tool a drag always moves the board, also over papers.
  act(() => shop().setTool('paint'));
  expect(await moves(middle(1))).toBe(true);
});

test('by finger: a drag moves the board unless what is under it is picked; two fingers always do', () => {
  const { shop, middle } = drawnBoard(800, 600);
  const svg = () => board().querySelector('svg')!.style.transform;
  const touch = (identifier: number, at: { clientX: number; clientY: number }) => ({ identifier, target: board(), ...at });
  const moves = (...from: { clientX: number; clientY: number }[]) => {
    const at = (by: number) => from.map(({ clientX, clientY }, i) => touch(i, { clientX: clientX + by * (i + 1), clientY }));
    const send = (name: string, touches: object[]) => act(() => void board().dispatchEvent(Object.assign(new Event(name, { bubbles: true, cancelable: true }), { touches, changedTouches: touches, view: window })));
    send('touchstart', at(0));
    send('touchmove', at(40));
    const isMoving = svg() !== '';
    send('touchend', at(40));
    board().querySelector('svg')!.style.transform = '';
    return isMoving;
  };
  expect(moves(middle(1))).toBe(true);
  act(() => shop().pick([1]));
  expect(moves(middle(1))).toBe(false);
  expect(moves(middle(1), middle(2))).toBe(true);
}); // prettier-ignore
