'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import useSWR from 'swr';
import type { FinishedPhoto } from '@/server/photos';
import { asRefusal, read, send } from '@/ui/api';
import { formatDay } from '@/ui/formatDay';
import { LinkButton } from '@/ui/LinkButton';
import { Notice } from '@/ui/Notice';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';

interface GalleryState {
  readonly isOpen: boolean;
  readonly photos: readonly FinishedPhoto[];
}

interface GalleryProps {
  readonly projectId: string;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly initial: GalleryState;
  readonly mayEdit: boolean;
}

/** Pictures of finished blocks. Makers see those of others only where the gallery is open and the picture is shared. */
export function Gallery({ projectId, blocks, initial, mayEdit }: GalleryProps) {
  const notice = useNotice();
  const address = `/api/projects/${projectId}/gallery`;
  const { data = initial, mutate } = useSWR<GalleryState>(address, read, { fallbackData: initial });
  useLive(projectId, ['makers'], () => mutate());
  const change = async (body: object, text: string, back: object): Promise<void> => {
    try {
      await send('PATCH', address, body);
      notice({ text, undo: () => change(back, 'Taken back', body) });
      await mutate();
    } catch (error) {
      notice({ text: asRefusal(error).message });
    }
  };
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1 }}>
        <Typography variant="h2">Finished blocks</Typography>
        <LinkButton href={`/p/${projectId}/makers`}>All makers</LinkButton>
      </Stack>
      {mayEdit && (
        <FormControlLabel
          control={<Checkbox checked={data.isOpen} onChange={(_, isOpen) => void change({ isOpen }, isOpen ? 'Makers see what is shared, with names.' : 'Makers see their own pictures alone.', { isOpen: !isOpen })} />}
          label="The gallery is open: makers see the pictures that are shared, with the names of who sewed them"
        />
      )}
      {data.photos.length === 0 && <Notice title="No pictures yet">Makers add one under “Pictures of this block” on their own page.</Notice>}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(220px, 1fr))', gap: 1.5 }}>
        {data.photos.map(({ id, maker, blockId, width, height, isShared, at }) => {
          const block = blocks.find((one) => one.id === blockId)?.name ?? '';
          return (
            <Box component="li" key={id} sx={{ border: 1, borderColor: isShared ? 'primary.main' : 'divider', p: 1 }}>
              {/* eslint-disable-next-line @next/next/no-img-element -- small already, and behind the sign-in */}
              <img src={`${address}/${id}`} alt={`${block}, sewn by ${maker}`} width={width} height={height} loading="lazy" style={{ width: '100%', height: 'auto', display: 'block' }} />
              <Typography>{`${block}, ${maker}`}</Typography>
              <Typography color="textSecondary">{formatDay(at)}</Typography>
              {mayEdit && (
                <Button size="small" aria-pressed={isShared} onClick={() => void change({ id, isShared: !isShared }, isShared ? 'Not shared any more.' : 'Shared in the gallery.', { id, isShared })}>
                  {isShared ? 'Shared: take it out' : 'Share it'}
                </Button>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
} // prettier-ignore
