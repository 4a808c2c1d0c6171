'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { hasRepeat, isSeenRectangle, straightened, type Part, type Pixels, type Quad } from '@/core/cloth';
import { formatLength, type UnitSystem } from '@/core/length';
import type { ShelvedCloth } from '@/server/cloth';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { attempt, readFigure } from '@/ui/figures';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { QuadPicture } from './QuadPicture';
import { readPixels } from './readPixels';

interface ClothPhotoProps {
  readonly projectId: string;
  readonly cloth: ShelvedCloth;
  readonly system: UnitSystem;
  readonly onClose: () => void;
}

/** The straightened repeat is kept at most this many pixels wide or high. */
const KEPT_PX = 480;
const QUALITY = 0.85;

/** A photo of a cloth: four corners of a known rectangle are marked, it is straightened, and one repeat is cropped with its motif in the middle. */
export function ClothPhoto({ projectId, cloth, system, onClose }: ClothPhotoProps) {
  const router = useRouter();
  const notice = useNotice();
  const { error, isBusy, run } = useSend();
  const [picture, setPicture] = useState<Pixels | undefined>();
  const [fault, setFault] = useState('');
  const [quad, setQuad] = useState<Quad>(() => corners(1, 1));
  const [known, setKnown] = useState(() => ({ width: formatLength(2 * cloth.repeatWidthMm, system), height: formatLength(2 * cloth.repeatHeightMm, system) }));
  const [from, setFrom] = useState({ x: 0, y: 0 });
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = attempt(() => ({ widthMm: readFigure(known.width, 'length', system) as number, heightMm: readFigure(known.height, 'length', system) as number }));
  const isRight = isSeenRectangle(quad);
  const { widthMm = 0, heightMm = 0 } = size.value ?? {};
  const repeat = useMemo(
    () => (picture && widthMm > 0 && heightMm > 0 && isRight ? straightened(picture, quad, partOf(cloth, { widthMm, heightMm }, from), ...pixelsOf(cloth)) : undefined),
    [picture, quad, widthMm, heightMm, from, cloth, isRight],
  );
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (repeat && context) context.putImageData(new ImageData(repeat.data, repeat.width, repeat.height), 0, 0);
  }, [repeat]);
  const take = async (file: File) => {
    try {
      const pixels = await readPixels(file);
      setFault('');
      setPicture(pixels);
      setQuad(corners(pixels.width, pixels.height));
    } catch {
      setFault('This file is no picture that this browser can read. Take a JPEG or PNG as it comes from the phone.');
    }
  };
  const change = async (what: object) => {
    await send('POST', `/api/projects/${projectId}/cloths/picture`, { cloth: cloth.name, change: what });
    router.refresh();
  };
  const told = (what: object, text: string) =>
    run(async () => {
      await change(what);
      notice({ text, undo: () => change({ isBack: true }) });
      onClose();
    });
  const save = () => {
    const url = canvas.current?.toDataURL('image/jpeg', QUALITY) ?? '';
    return told({ image: url.slice(url.indexOf(',') + 1) }, `${cloth.name} has its picture.`);
  };
  const nudge = (dx: number, dy: number) => setFrom(({ x, y }) => ({ x: x + (dx * cloth.repeatWidthMm) / 20, y: y + (dy * cloth.repeatHeightMm) / 20 }));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="photo-title">
      <DialogTitle id="photo-title">{`A photo of ${cloth.name}`}</DialogTitle>
      <DialogContent>
        {!hasRepeat(cloth) ? (
          <Typography>Say under “Change” first how far apart its motifs are: then a photo can be cropped to one repeat.</Typography>
        ) : (
          <Stack spacing={2} sx={{ pt: 1 }}>
            <ErrorNote error={error} />
            <Typography>
              Lay the cloth flat, with something on it whose sides you know (a sheet of paper, a square of the mat), or mark motifs that lie a known way apart.
              The photo stays on this device; only the repeat is kept.
            </Typography>
            <Box>
              <FileButton accept="image/*" onFile={(file) => void take(file)}>
                Choose a photo
              </FileButton>
              {fault !== '' && <Typography role="alert" color="error">{fault}</Typography>}
            </Box>
            {picture && (
              <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '3fr 2fr' }, gap: 2 }}>
                <Box>
                  <QuadPicture picture={picture} quad={quad} onChange={setQuad} />
                  {!isRight && <Typography role="alert" color="error">These corners cannot be those of a rectangle: drag them so that they go round it clockwise from its upper left one.</Typography>}
                  <Stack direction="row" sx={{ gap: 1.5, mt: 1.5 }}>
                    <TextField label="Marked: across" value={known.width} error={size.fault !== undefined} onChange={({ target }) => setKnown({ ...known, width: target.value })} />
                    <TextField label="Marked: down" value={known.height} error={size.fault !== undefined} onChange={({ target }) => setKnown({ ...known, height: target.value })} />
                  </Stack>
                  <ErrorNote error={size.fault} />
                </Box>
                <Box>
                  <canvas ref={canvas} width={pixelsOf(cloth)[0]} height={pixelsOf(cloth)[1]} role="img" aria-label={`One repeat of ${cloth.name}, ${formatLength(cloth.repeatWidthMm, system)} × ${formatLength(cloth.repeatHeightMm, system)}`} style={{ maxWidth: '100%', maxHeight: 300, display: 'block' }} />
                  <Typography color="textSecondary">Move it until the motif lies in the middle:</Typography>
                  <Stack direction="row" sx={{ gap: 0.5, flexWrap: 'wrap' }}>
                    {MOVES.map(([word, dx, dy]) => (
                      <Button key={word} size="small" onClick={() => nudge(dx, dy)}>
                        {word}
                      </Button>
                    ))}
                  </Stack>
                </Box>
              </Box>
            )}
          </Stack>
        )}
      </DialogContent>
      <DialogActions>
        {cloth.pictureAt !== undefined && (
          <Button disabled={isBusy} onClick={() => void told({ isRemoved: true }, `${cloth.name} is drawn again.`)}>
            Take its picture off
          </Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={isBusy || !repeat} onClick={() => void save()}>
          Keep this repeat
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

const MOVES = [['Left', 1, 0], ['Right', -1, 0], ['Up', 0, 1], ['Down', 0, -1]] as const; // prettier-ignore

/** A rectangle well within a picture, to begin with. */
const corners = (width: number, height: number): Quad => [
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
