import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { USUAL_CLOTH, type Quad } from '@/core/cloth';
import { Notices } from '@/ui/Notices';
import { answering } from '@/ui/testing';
import { ClothPhoto } from './ClothPhoto';
import { partOf } from './useClothPhoto';
import { QuadPicture } from './QuadPicture';

/** The photo as the browser reads it; nothing where it cannot. */
const read: { pixels?: { readonly width: number; readonly height: number } | undefined } = {};
vi.mock('./readPixels', () => ({
  readPixels: () =>
    read.pixels === undefined ? Promise.reject(new Error('none')) : Promise.resolve(read.pixels),
}));

const drawn: { width: number; height: number; first: number[] }[] = [];
beforeEach(() => {
  drawn.length = 0;
  vi.stubGlobal('ImageData', class { constructor(readonly data: Uint8ClampedArray, readonly width: number, readonly height: number) {} });
  vi.stubGlobal('createImageBitmap', async () => {
    if (!read.pixels) throw new Error('none');
    return { ...read.pixels, close: () => undefined };
  });
  const context = { drawImage: () => undefined, getImageData: () => read.pixels, putImageData: ({ data, width, height }: { data: Uint8ClampedArray; width: number; height: number }) => drawn.push({ width, height, first: [...data.slice(0, 3)] }) };
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(context as never);
  vi.spyOn(HTMLCanvasElement.prototype, 'toDataURL').mockReturnValue('data:image/jpeg;base64,QUJD');
}); // prettier-ignore

/** Ten by ten, red on the left half, blue on the right. */
const halves = { width: 10, height: 10, data: Uint8ClampedArray.from({ length: 400 }, (_, index) => [index % 40 < 20 ? 255 : 0, 0, index % 40 < 20 ? 0 : 255, 255][index % 4] ?? 0) }; // prettier-ignore
const cloth = { ...USUAL_CLOTH, name: 'Tar & Co', revision: 1, repeatWidthMm: 60, repeatHeightMm: 30 };
const onClose = vi.fn();
const at = (own = cloth) => render(<Notices><ClothPhoto projectId="p" cloth={own} system="metric" onClose={onClose} /></Notices>); // prettier-ignore
const choose = () => fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [new File(['x'], 'a.jpg')] } }); // prettier-ignore
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

test('a photo is straightened by its marked corners, moved until the motif is in the middle, kept and put back', async () => {
  const asked = answering({ 'POST /api/projects/p/cloths/picture': () => ({}) });
  at();
  expect(screen.getByRole('button', { name: 'Keep this repeat' }).hasAttribute('disabled')).toBe(true);
  read.pixels = undefined;
  choose();
  expect(await screen.findByText(/no picture that this browser can read/)).toBeTruthy();
  read.pixels = halves;
  choose();
  const repeat = await screen.findByRole('img', { name: 'One repeat of Tar & Co, 60 mm × 30 mm' });
  expect([repeat.getAttribute('width'), repeat.getAttribute('height')]).toEqual(['480', '240']);
  // Of the marked 120 mm the repeat is the middle 60: its left side is red; pushed by sixteen steps of three it is blue.
  await waitFor(() => expect(drawn.at(-1)).toEqual({ width: 480, height: 240, first: [255, 0, 0] }));
  for (let step = 0; step < 16; step++) press('Left');
  await waitFor(() => expect(drawn.at(-1)?.first).toEqual([0, 0, 255]));
  fireEvent.change(screen.getByRole('textbox', { name: 'Marked: across' }), { target: { value: 'wide' } });
  expect(screen.getByRole('button', { name: 'Keep this repeat' }).hasAttribute('disabled')).toBe(true);
  fireEvent.change(screen.getByRole('textbox', { name: 'Marked: across' }), { target: { value: '12 cm' } });
  press('Keep this repeat');
  await screen.findByText('Tar & Co has its picture.');
  fireEvent.click(screen.getByText('Undo'));
  await waitFor(() => expect(asked.map(({ body }) => body)).toEqual([{ cloth: 'Tar & Co', change: { image: 'QUJD' } }, { cloth: 'Tar & Co', change: { isBack: true } }]));
}); // prettier-ignore

test('without a repeat there is nothing to crop; a picture that is there is taken off', async () => {
  const asked = answering({ 'POST /api/projects/p/cloths/picture': () => ({}) });
  const { unmount } = at({ ...cloth, repeatWidthMm: 0, repeatHeightMm: 0 });
  expect(screen.getByText(/^Say under “Change” first/)).toBeTruthy();
  unmount();
  at({ ...cloth, pictureAt: 5 } as never);
  press('Take its picture off');
  await waitFor(() => expect(asked[0]?.body).toEqual({ cloth: 'Tar & Co', change: { isRemoved: true } }));
});

test('corners are pushed by keys, ten times as far with Shift, and stay on the photo', () => {
  const quad: Quad = [{ x: 2, y: 2 }, { x: 8, y: 2 }, { x: 8, y: 8 }, { x: 2, y: 8 }]; // prettier-ignore
  const onChange = vi.fn();
  render(<QuadPicture picture={halves} quad={quad} onChange={onChange} />);
  const corner = screen.getByRole('button', { name: /^Corner lower right/ });
  fireEvent.keyDown(corner, { key: 'ArrowRight' });
  expect(onChange.mock.calls.at(-1)?.[0][2]).toEqual({ x: 9, y: 8 });
  fireEvent.keyDown(corner, { key: 'ArrowUp', shiftKey: true });
  expect(onChange.mock.calls.at(-1)?.[0]).toEqual([quad[0], quad[1], { x: 8, y: 0 }, quad[3]]);
  fireEvent.keyDown(corner, { key: 'a' });
  expect(onChange).toHaveBeenCalledTimes(2);
});

test('the repeat is the middle of the marked rectangle, pushed by so much', () => {
  expect(partOf(cloth, { widthMm: 120, heightMm: 60 }, { x: 0, y: 0 })).toEqual({ x: 0.25, y: 0.25, width: 0.5, height: 0.5 }); // prettier-ignore
  expect(partOf(cloth, { widthMm: 120, heightMm: 60 }, { x: 12, y: -6 })).toMatchObject({ x: 0.35, y: 0.15 });
});
