import { expect, test, vi } from 'vitest';
import { smallerPicture } from './smallerPicture';

const BYTES = 'a picture as it came';
const photo = () => new File([BYTES], 'photo.jpg');

/** A browser that reads pictures of a size; what is drawn and asked for is noted. */
function canRead(width: number, height: number, canWrite = true) {
  const noted = { drawn: [] as unknown[], type: '', quality: 0, isClosed: false };
  vi.stubGlobal('createImageBitmap', () => Promise.resolve({ width, height, close: () => (noted.isClosed = true) })); // prettier-ignore
  const { prototype } = HTMLCanvasElement;
  vi.spyOn(prototype, 'getContext').mockReturnValue({ drawImage: (_: unknown, ...to: number[]) => noted.drawn.push(to) } as never); // prettier-ignore
  vi.spyOn(prototype, 'toBlob').mockImplementation((take, type, quality) => {
    Object.assign(noted, { type, quality });
    take(canWrite ? new Blob(['small']) : null);
  });
  return noted;
}

test.each([
  [3200, 1600, [0, 0, 1600, 800]],
  [1000, 4000, [0, 0, 400, 1600]],
  [1600, 900, [0, 0, 1600, 900]],
  [320, 240, [0, 0, 320, 240]],
  [100_000, 1, [0, 0, 1600, 1]],
])(
  'a picture of %d × %d is drawn no larger than it is, its longer side at most 1600',
  async (width, height, drawn) => {
    // prettier-ignore
    const noted = canRead(width, height);
    expect(await smallerPicture(photo())).toBe(btoa('small'));
    expect(noted).toEqual({ drawn: [drawn], type: 'image/jpeg', quality: 0.9, isClosed: true });
  },
);

test('another size and quality may be asked for', async () => {
  const noted = canRead(2000, 1000);
  await smallerPicture(photo(), { px: 500, quality: 0.5 });
  expect(noted).toMatchObject({ drawn: [[0, 0, 500, 250]], quality: 0.5 });
});

test('what this browser can neither read nor write is sent as it came, however long', async () => {
  vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('no picture')));
  expect(await smallerPicture(photo())).toBe(btoa(BYTES));
  canRead(200, 200, false);
  expect(await smallerPicture(photo())).toBe(btoa(BYTES));
  const long = Uint8Array.from({ length: 0x8000 * 2 + 3 }, (_, i) => i % 251);
  vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('no picture')));
  const sent = atob(await smallerPicture(new File([long], 'long.bin')));
  expect(Uint8Array.from(sent, (letter) => letter.charCodeAt(0))).toEqual(long);
});
