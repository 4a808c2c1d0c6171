import { render, screen } from '@testing-library/react';
import jsqr from 'jsqr';
import { expect, test } from 'vitest';
import { SquareCode } from './SquareCode';

const PX = 4;

/** What a camera would see of a code: its frame on white, so many pixels to a cell. */
function seen(code: Element): { data: Uint8ClampedArray; size: number } {
  const [left = 0, top = 0, width = 0, height = 0] = code.getAttribute('viewBox')!.split(' ').map(Number);
  expect(height).toBe(width);
  const size = width * PX;
  const data = new Uint8ClampedArray(4 * size * size).fill(255);
  for (const [, x, y] of code
    .querySelector('path')!
    .getAttribute('d')!
    .matchAll(/M(\d+) (\d+)h1v1h-1z/g))
    for (let i = 0; i < PX * PX; i++) {
      const at = ((Number(y) - top) * PX + Math.floor(i / PX)) * size + (Number(x) - left) * PX + (i % PX);
      data.fill(0, 4 * at, 4 * at + 3);
    }
  return { data, size };
}

test('a reader reads the text from a code, whatever its length, with white round it as readers want it', () => {
  for (const text of ['KV1-ABCD-1234', `https://shop.example/m/${'k'.repeat(32)}`]) {
    const { unmount } = render(<SquareCode text={text} label="Code" size={90} />);
    const code = screen.getByRole('img', { name: 'Code' });
    const { data, size } = seen(code);
    expect(jsqr(data, size, size)?.data).toBe(text);
    // Four cells of white on each side.
    const isDark = (x: number, y: number) => data[4 * (y * size + x)] === 0;
    const middle = 4 * PX;
    expect([isDark(middle - 1, middle), isDark(middle, middle), isDark(size - middle, middle), isDark(size - 1 - middle, middle)]).toEqual([false, true, false, true]); // prettier-ignore
    unmount();
  }
});
