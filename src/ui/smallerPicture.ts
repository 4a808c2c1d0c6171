/** Longer side of a picture that is sent, pixels. */
const SENT_PX = 1600;
const QUALITY = 0.9;

interface Size {
  readonly px: number;
  readonly quality: number;
}

/**
 * Makes a picture small enough to send quickly, where this browser can read it; the server encodes it anew anyway.
 * @returns the file, base64
 */
export async function smallerPicture(
  file: File,
  size: Size = { px: SENT_PX, quality: QUALITY },
): Promise<string> {
  const blob = await drawnSmaller(file, size).catch(() => file);
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x8000)
    text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
}

async function drawnSmaller(file: File, { px, quality }: Size): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, px / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/jpeg', quality);
  });
}
