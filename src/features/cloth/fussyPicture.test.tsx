import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import { USUAL_CLOTH, type Quad } from '@/core/cloth';
import type { Motif } from '@/core/fussy';
import { FussyPicture } from './FussyPicture';
import { QuadPicture } from './QuadPicture';

const SQUARE = [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50, y: 50 }, { x: 0, y: 50 }]; // prettier-ignore
const paper = { id: 'square', block: 'Star', fabric: 'Tar', count: 4, bags: 3, paper: SQUARE, cut: SQUARE, tighter: SQUARE }; // prettier-ignore
const cloth = { ...USUAL_CLOTH, name: 'Tar', revision: 0, repeatWidthMm: 60, repeatHeightMm: 80 };

/** The picture on the screen, a millimetre or pixel of it as large as a point of the window. */
beforeEach(() => {
  const point = { x: 0, y: 0, matrixTransform: () => point };
  vi.spyOn(SVGSVGElement.prototype, 'createSVGPoint').mockReturnValue(point as never);
  vi.spyOn(SVGGraphicsElement.prototype, 'getScreenCTM').mockReturnValue({
    inverse: () => undefined,
  } as never);
});

function atPrint(own = cloth) {
  const now: { motif: Motif; changes: number } = { motif: { about: { x: 25, y: 25 }, turnDeg: 0 }, changes: 0 };
  function Page() {
    const [motif, setMotif] = useState(now.motif);
    return <FussyPicture paper={paper} cloth={own} fabrics={['Tar']} motif={motif} onChange={(next) => (setMotif((now.motif = next)), (now.changes += 1))} />;
  }
  render(<Page />);
  return now;
} // prettier-ignore
const key = (name: string, more = {}) => fireEvent.keyDown(screen.getByRole('application'), { key: name, ...more }); // prettier-ignore

test('arrows push the paper by half a millimetre, with Shift by five; brackets turn it by five degrees', () => {
  const now = atPrint();
  // Pushed to the right, the motif lies further left on the paper.
  key('ArrowRight');
  expect(now.motif.about).toEqual({ x: 24.5, y: 25 });
  key('ArrowUp', { shiftKey: true });
  expect(now.motif.about).toEqual({ x: 24.5, y: 30 });
  key('ArrowLeft');
  key('ArrowDown', { shiftKey: true });
  expect(now.motif.about).toEqual({ x: 25, y: 25 });
  key(']');
  key(']');
  key('[');
  expect(now.motif.turnDeg).toBe(5);
  key('x');
  expect(now.changes).toBe(7);
  expect(screen.getByRole('application').getAttribute('aria-label')).toContain('Turned by 5°.');
});

test('dragged, the paper goes along with the hand, and stays where it is let go', () => {
  const now = atPrint();
  const print = screen.getByRole('application');
  const at = (name: 'pointerDown' | 'pointerMove' | 'pointerUp', clientX: number, clientY: number) => fireEvent[name](print, { clientX, clientY, pointerId: 1 }); // prettier-ignore
  at('pointerMove', 90, 90);
  expect(now.changes).toBe(0);
  at('pointerDown', 10, 10);
  at('pointerMove', 14, 7);
  at('pointerMove', 16, 7);
  expect(now.motif.about).toEqual({ x: 19, y: 28 });
  at('pointerUp', 16, 7);
  at('pointerMove', 50, 50);
  expect(now.motif.about).toEqual({ x: 19, y: 28 });
});

test('without a repeat there is no print to lay it on', () => {
  atPrint({ ...cloth, repeatWidthMm: 0, repeatHeightMm: 0 });
  expect(screen.queryByRole('application')).toBeNull();
});

test('a corner of the marked rectangle is dragged, and never off the photo', () => {
  vi.stubGlobal('ImageData', class {});
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue({
    putImageData: () => undefined,
  } as never);
  const quad: Quad = [{ x: 2, y: 2 }, { x: 8, y: 2 }, { x: 8, y: 8 }, { x: 2, y: 8 }]; // prettier-ignore
  const onChange = vi.fn();
  render(<QuadPicture picture={{ width: 1600, height: 900, data: new Uint8ClampedArray(4) }} quad={quad} onChange={onChange} />); // prettier-ignore
  const photo = screen.getByRole('group', { name: /^Corners of the known rectangle/ });
  const move = (clientX: number, clientY: number) =>
    fireEvent.pointerMove(photo, { clientX, clientY, pointerId: 1 });
  move(5, 5);
  expect(onChange).not.toHaveBeenCalled();
  const corner = screen.getByRole('button', { name: /^Corner lower left/ });
  fireEvent.pointerDown(corner, { pointerId: 1 });
  move(30, 40);
  expect(onChange.mock.calls.at(-1)?.[0]).toEqual([quad[0], quad[1], quad[2], { x: 30, y: 40 }]);
  move(-5, 2000);
  expect(onChange.mock.calls.at(-1)?.[0][3]).toEqual({ x: 0, y: 900 });
  fireEvent.pointerUp(photo, { pointerId: 1 });
  move(50, 50);
  expect(onChange).toHaveBeenCalledTimes(2);
  // On a large photo a key pushes further: two of its 1600 pixels for each of 800.
  fireEvent.keyDown(corner, { key: 'ArrowRight' });
  expect(onChange.mock.calls.at(-1)?.[0][3]).toEqual({ x: 4, y: 8 });
});
