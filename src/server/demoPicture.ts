import sharp from 'sharp';

/** Pixels of one repeat of a print, 3 by 4. */
const [WIDTH, HEIGHT] = [270, 360];

type Colour = readonly [number, number, number];
const GROUND: Colour = [203, 151, 32];
const TOWER: Colour = [243, 236, 220];
const DARK: Colour = [38, 50, 64];
const LIGHT: Colour = [252, 226, 140];

/** The made-up beacon print: a striped tower with its lamp and two beams in the middle of the repeat. */
function colourAt(x: number, y: number): Colour {
  const [dx, dy] = [x - WIDTH / 2, y - HEIGHT / 2];
  const isBeam = dy > -96 && dy < -70 && Math.abs(dx) > 18 && Math.abs(dy + 83) < Math.abs(dx) / 6;
  if (Math.hypot(dx, dy + 83) < 15) return LIGHT;
  if (isBeam && Math.abs(dx) < 100) return LIGHT;
  if (dy > -66 && dy < 90 && Math.abs(dx) < 20 + (dy + 66) / 8) return Math.floor((dy + 66) / 26) % 2 === 0 ? DARK : TOWER; // prettier-ignore
  if (dy >= 90 && dy < 100 && Math.abs(dx) < 62) return DARK;
  // A woven ground: a thread lighter, a thread darker.
  const weave = (x + y) % 6 < 3 ? 6 : -6;
  return [GROUND[0] + weave, GROUND[1] + weave, GROUND[2] + weave];
}

/** One repeat as a JPEG, base64. */
export async function beaconPicture(): Promise<string> {
  const data = Buffer.alloc(3 * WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) data.set(colourAt(x, y), 3 * (y * WIDTH + x));
  const picture = sharp(data, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } });
  return (await picture.jpeg({ quality: 88 }).toBuffer()).toString('base64');
}
