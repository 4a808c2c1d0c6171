import { expect, test, vi } from 'vitest';
import { readPixels } from './readPixels';

const photo = new File(['x'], 'cloth.jpg');

/** A browser that reads pictures of a size; how large they are drawn is noted. */
function canRead(width: number, height: number, hasCanvas = true) {
  const drawn: number[][] = [];
  vi.stubGlobal('createImageBitmap', () => Promise.resolve({ width, height, close: () => undefined }));
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue((hasCanvas ? {
    drawImage: (_: unknown, ...to: number[]) => drawn.push(to),
    getImageData: (_x: number, _y: number, wide: number, high: number) => ({ width: wide, height: high, data: new Uint8ClampedArray(4) }),
  } : null) as never);
  return drawn;
} // prettier-ignore

test.each([
  [4000, 2000, 1600, 800],
  [900, 3200, 450, 1600],
  [1600, 1200, 1600, 1200],
  [640, 480, 640, 480],
  [9000, 2, 1600, 1],
])(
  'a photo of %d × %d is looked at no larger than it is, its longer side at most 1600',
  async (width, height, wide, high) => {
    // prettier-ignore
    const drawn = canRead(width, height);
    expect(await readPixels(photo)).toMatchObject({ width: wide, height: high });
    expect(drawn).toEqual([[0, 0, wide, high]]);
  },
);

test('a browser that cannot draw it says so', async () => {
  canRead(100, 100, false);
  await expect(readPixels(photo)).rejects.toThrow();
});
