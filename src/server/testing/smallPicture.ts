import sharp from 'sharp';

/** A grey picture of 8 × 8 dots, PNG in base64. */
export async function smallPicture(): Promise<string> {
  const picture = sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } });
  return (await picture.png().toBuffer()).toString('base64');
}
