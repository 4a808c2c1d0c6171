import { useEffect, useMemo, useRef, useState } from 'react';
import { isSeenRectangle, straightened, type Part, type Pixels, type Quad } from '@/core/cloth';
import { formatLength, type UnitSystem } from '@/core/length';
import type { ShelvedCloth } from '@/server/cloth';
import { attempt, readFigure } from '@/ui/figures';
import { readPixels } from './readPixels';

/** The straightened repeat is kept at most this many pixels wide or high. */
const KEPT_PX = 480;
const QUALITY = 0.85;
/** A press moves the repeat by this share of itself. */
const NUDGE = 1 / 20;

/** A photo while its rectangle is marked, and the repeat that comes of it on a canvas. */
export function useClothPhoto(cloth: ShelvedCloth, system: UnitSystem) {
  const [picture, setPicture] = useState<Pixels | undefined>();
  const [fault, setFault] = useState('');
  const [quad, setQuad] = useState<Quad>(() => cornersOf(1, 1));
  const [known, setKnown] = useState(() => ({
    width: formatLength(2 * cloth.repeatWidthMm, system),
    height: formatLength(2 * cloth.repeatHeightMm, system),
  }));
  const [from, setFrom] = useState({ x: 0, y: 0 });
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = attempt(() => ({
    widthMm: readFigure(known.width, 'length', system) as number,
    heightMm: readFigure(known.height, 'length', system) as number,
  }));
  const isRight = isSeenRectangle(quad);
  const { widthMm = 0, heightMm = 0 } = size.value ?? {};
  const repeat = useMemo(() => {
    if (!picture || widthMm <= 0 || heightMm <= 0 || !isRight) return undefined;
    return straightened(picture, quad, partOf(cloth, { widthMm, heightMm }, from), ...pixelsOf(cloth));
  }, [picture, quad, widthMm, heightMm, from, cloth, isRight]);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (repeat && context) context.putImageData(new ImageData(repeat.data, repeat.width, repeat.height), 0, 0); // prettier-ignore
  }, [repeat]);
  const take = async (file: File) => {
    try {
      const pixels = await readPixels(file);
      setFault('');
      setPicture(pixels);
      setQuad(cornersOf(pixels.width, pixels.height));
    } catch {
      setFault('This file is no picture that this browser can read. Take a JPEG or PNG as it comes from the phone.'); // prettier-ignore
    }
  };
  const nudge = (dx: number, dy: number) =>
    setFrom(({ x, y }) => ({
      x: x + dx * NUDGE * cloth.repeatWidthMm,
      y: y + dy * NUDGE * cloth.repeatHeightMm,
    }));
  return {
    picture,
    fault,
    take,
    quad: { corners: quad, isRight, change: setQuad },
    known: { ...known, fault: size.fault, change: setKnown },
    nudge,
    /** For the canvas on which the repeat is drawn. */
    canvas,
    size: pixelsOf(cloth),
    isReady: repeat !== undefined,
    /** The repeat as a JPEG, base64. */
    asJpeg: () => {
      const url = canvas.current?.toDataURL('image/jpeg', QUALITY) ?? '';
      return url.slice(url.indexOf(',') + 1);
    },
  };
}

export type ClothPhotoState = ReturnType<typeof useClothPhoto>;

/** A rectangle well within a picture, to begin with. */
const cornersOf = (width: number, height: number): Quad => [
  { x: 0.2 * width, y: 0.2 * height },
  { x: 0.8 * width, y: 0.2 * height },
  { x: 0.8 * width, y: 0.8 * height },
  { x: 0.2 * width, y: 0.8 * height },
];

/** One repeat as a share of the marked rectangle, its middle at the rectangle’s middle pushed by so much. */
export function partOf(
  { repeatWidthMm, repeatHeightMm }: Pick<ShelvedCloth, 'repeatWidthMm' | 'repeatHeightMm'>,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  from: { readonly x: number; readonly y: number },
): Part {
  return {
    x: (widthMm / 2 + from.x - repeatWidthMm / 2) / widthMm,
    y: (heightMm / 2 + from.y - repeatHeightMm / 2) / heightMm,
    width: repeatWidthMm / widthMm,
    height: repeatHeightMm / heightMm,
  };
}

function pixelsOf({ repeatWidthMm, repeatHeightMm }: ShelvedCloth): readonly [number, number] {
  const scale = KEPT_PX / Math.max(repeatWidthMm, repeatHeightMm, 1);
  return [Math.max(1, Math.round(repeatWidthMm * scale)), Math.max(1, Math.round(repeatHeightMm * scale))];
}
