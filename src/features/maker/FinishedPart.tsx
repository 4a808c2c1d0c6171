import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { FinishedPhoto } from '@/server/photos';
import { RefusedError, read, send } from '@/ui/api';
import { newId } from '@/ui/newId';
import { PlainButton } from '@/ui/PlainButton';
import { smallerPicture } from '@/ui/smallerPicture';
import { useOutbox } from '@/ui/useOutbox';
import { Framed } from './MakerNotes';
import type { MakersBlock, PageData } from './useMakerBlock';

/** A picture of a finished block: enough for a page, small enough to wait on a phone. */
const PICTURE = { px: 1200, quality: 0.8 } as const;

interface FinishedPartProps {
  readonly token: string;
  readonly maker: PageData['maker'];
  readonly block: MakersBlock;
}

type Sent = { readonly id: string; readonly blockId: string; readonly image: string };

/** Pictures of this block when it is done: one’s own, and those of others where the host has opened a gallery. */
export default function FinishedPart({ token, maker, block }: FinishedPartProps) {
  const address = `/api/m/${token}/finished`;
  const [photos, setPhotos] = useState<readonly FinishedPhoto[]>([]);
  const [fault, setFault] = useState<RefusedError | undefined>();
  const { waiting, put } = useOutbox<Sent>({
    key: `kevlo-finished-${maker.id}`,
    deliver: async (sent) => {
      setPhotos(await send<FinishedPhoto[]>('POST', address, sent));
      setFault(undefined);
    },
    onRefused: setFault,
  });
  useEffect(() => {
    read<FinishedPhoto[]>(address).then(setPhotos, () => undefined);
  }, [address]);
  const add = async (file: File | undefined) => {
    if (file) put({ id: newId(), blockId: block.id, image: await smallerPicture(file, PICTURE) });
  };
  const remove = (id: string) => send<FinishedPhoto[]>('POST', address, { id, isRemoved: true }).then(setPhotos, (error: unknown) => setFault(error as RefusedError));
  const own = photos.filter(({ makerId, blockId }) => makerId === maker.id && blockId === block.id);
  const others = photos.filter(({ makerId, blockId }) => makerId !== maker.id && blockId === block.id);
  return (
    <Box component="section" aria-label="Pictures of this block">
      <Box component="label" sx={{ display: 'block', minHeight: 44, mt: 1 }}>
        A picture of the finished block, seen by your host; by others only where your host shares it:{' '}
        <input type="file" accept="image/*" onChange={(event) => void add(event.target.files?.[0])} />
      </Box>
      {fault && <Framed color="error.main">{fault.message}</Framed>}
      {waiting.length > 0 && <Typography role="status" color="warning.main">A picture waits to be sent.</Typography>}
      {own.map((photo) => (
        <Picture key={photo.id} token={token} photo={photo} says={photo.isShared ? 'Yours; your host shares it' : 'Yours; seen by your host alone'}>
          <PlainButton look="text" onClick={() => void remove(photo.id)}>Take it off</PlainButton>
        </Picture>
      ))}
      {others.map((photo) => (
        <Picture key={photo.id} token={token} photo={photo} says={photo.maker} />
      ))}
    </Box>
  );
} // prettier-ignore

interface PictureProps {
  readonly token: string;
  readonly photo: FinishedPhoto;
  readonly says: string;
  readonly children?: React.ReactNode;
}

function Picture({ token, photo: { id, width, height }, says, children }: PictureProps) {
  return (
    <Box component="figure" sx={{ m: 0, my: 1 }}>
      {/* eslint-disable-next-line @next/next/no-img-element -- small already, and behind the personal link */}
      <img src={`/api/m/${token}/finished/${id}`} alt={`Finished block: ${says}`} width={width} height={height} loading="lazy" style={{ width: '100%', height: 'auto', display: 'block' }} />
      <Typography component="figcaption">
        {says} {children}
      </Typography>
    </Box>
  );
} // prettier-ignore
