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
import { hasRepeat, type Pixels } from '@/core/cloth';
import { formatLength, type UnitSystem } from '@/core/length';
import type { ShelvedCloth } from '@/server/cloth';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { QuadPicture } from './QuadPicture';
import { useClothPhoto, type ClothPhotoState } from './useClothPhoto';

interface ClothPhotoProps {
  readonly projectId: string;
  readonly cloth: ShelvedCloth;
  readonly system: UnitSystem;
  readonly onClose: () => void;
}

/** A photo of a cloth: four corners of a known rectangle are marked, it is straightened, and one repeat is cropped with its motif in the middle. */
export function ClothPhoto({ projectId, cloth, system, onClose }: ClothPhotoProps) {
  const router = useRouter();
  const notice = useNotice();
  const { error, isBusy, run } = useSend();
  const photo = useClothPhoto(cloth, system);
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
              <FileButton accept="image/*" onFile={(file) => void photo.take(file)}>
                Choose a photo
              </FileButton>
              {photo.fault !== '' && <Typography role="alert" color="error">{photo.fault}</Typography>}
            </Box>
            {photo.picture && (
              <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '3fr 2fr' }, gap: 2 }}>
                <Marked picture={photo.picture} quad={photo.quad} known={photo.known} />
                <Repeat canvas={photo.canvas} size={photo.size} nudge={photo.nudge} label={`One repeat of ${cloth.name}, ${formatLength(cloth.repeatWidthMm, system)} × ${formatLength(cloth.repeatHeightMm, system)}`} />
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
        <Button variant="contained" disabled={isBusy || !photo.isReady} onClick={() => void told({ image: photo.asJpeg() }, `${cloth.name} has its picture.`)}>
          Keep this repeat
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

/** The photo with the corners of the known rectangle, and its sides. */
function Marked({ picture, quad, known }: Pick<ClothPhotoState, 'quad' | 'known'> & { readonly picture: Pixels }) {
  const { width, height, fault, change } = known;
  return (
    <Box>
      <QuadPicture picture={picture} quad={quad.corners} onChange={quad.change} />
      {!quad.isRight && <Typography role="alert" color="error">These corners cannot be those of a rectangle: drag them so that they go round it clockwise from its upper left one.</Typography>}
      <Stack direction="row" sx={{ gap: 1.5, mt: 1.5 }}>
        <TextField label="Marked: across" value={width} error={fault !== undefined} onChange={({ target }) => change({ width: target.value, height })} />
        <TextField label="Marked: down" value={height} error={fault !== undefined} onChange={({ target }) => change({ width, height: target.value })} />
      </Stack>
      <ErrorNote error={fault} />
    </Box>
  );
} // prettier-ignore

const MOVES = [['Left', 1, 0], ['Right', -1, 0], ['Up', 0, 1], ['Down', 0, -1]] as const; // prettier-ignore

/** The repeat as it will be kept, moved until its motif lies in the middle. */
function Repeat({ label, canvas, size, nudge }: Pick<ClothPhotoState, 'canvas' | 'size' | 'nudge'> & { readonly label: string }) {
  const [width, height] = size;
  return (
    <Box>
      <canvas ref={canvas} width={width} height={height} role="img" aria-label={label} style={{ maxWidth: '100%', maxHeight: 300, display: 'block' }} />
      <Typography color="textSecondary">Move it until the motif lies in the middle:</Typography>
      <Stack direction="row" sx={{ gap: 0.5, flexWrap: 'wrap' }}>
        {MOVES.map(([word, dx, dy]) => (
          <Button key={word} size="small" onClick={() => nudge(dx, dy)}>
            {word}
          </Button>
        ))}
      </Stack>
    </Box>
  );
} // prettier-ignore
