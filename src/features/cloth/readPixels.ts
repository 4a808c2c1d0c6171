import type { Pixels } from '@/core/cloth';

/** Longer side of a photo as it is marked, pixels: enough to find a corner, and little enough for an old phone. */
const MOST_PX = 1600;

/** Reads a photo as pixels, upright and not larger than a screen. @throws where the browser cannot read it */
export async function readPixels(file: File): Promise<Pixels> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no canvas');
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const { width, height, data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return { width, height, data };
}
