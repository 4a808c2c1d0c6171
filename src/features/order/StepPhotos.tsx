'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { StepPhoto } from '@/server/photos';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { useNotice } from '@/ui/Notices';
import { useUnsaved } from '@/ui/useUnsaved';
import { RefusedError, asRefusal, send } from '@/ui/api';
import { smallerPicture } from '@/ui/smallerPicture';

interface StepPhotosProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly stepId: string;
  readonly photos: readonly StepPhoto[];
}

/** Pictures of the host for this step; makers see them on their page. */
export function StepPhotos({ projectId, blockId, stepId, photos }: StepPhotosProps) {
  const router = useRouter();
  const notice = useNotice();
  const [picked, setPicked] = useState<File | undefined>();
  const setRemoved = async (photo: StepPhoto, isRemoved: boolean) => {
    try {
      await send('PATCH', `/api/projects/${projectId}/photos/${photo.id}`, { isRemoved });
      router.refresh();
      if (isRemoved) notice({ text: 'The picture is taken off.', undo: () => setRemoved(photo, false) });
    } catch (error) {
      notice({ text: asRefusal(error).message });
    }
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'end', my: 0.5 }}>
      {photos.map((photo) => (
        <Box component="figure" key={photo.id} sx={{ m: 0, maxWidth: 220 }}>
          {/* eslint-disable-next-line @next/next/no-img-element -- small already, and behind a sign-in */}
          <img
            src={`/api/projects/${projectId}/photos/${photo.id}`}
            alt={photo.says}
            width={photo.width}
            height={photo.height}
            style={{ width: '100%', height: 'auto', display: 'block' }}
          />
          <Box component="figcaption" sx={{ fontSize: '0.9rem' }}>
            {photo.says}{' '}
            <Button
              size="small"
              variant="text"
              className="no-print"
              aria-label={`Take off the picture: ${photo.says}`}
              onClick={() => void setRemoved(photo, true)}
            >
              Take off
            </Button>
          </Box>
        </Box>
      ))}
      <Box className="no-print">
        <FileButton accept="image/jpeg,image/png,image/webp" size="small" variant="text" onFile={setPicked}>
          Add a picture for makers
        </FileButton>
      </Box>
      {picked && (
        <SayWhat
          file={picked}
          onLeave={() => setPicked(undefined)}
          onSend={async (says) => {
            const image = await smallerPicture(picked);
            await send('POST', `/api/projects/${projectId}/blocks/${blockId}/photos`, {
              stepId,
              says,
              image,
            });
            setPicked(undefined);
            router.refresh();
            notice({ text: 'The picture is on the makers’ pages now.' });
          }}
        />
      )}
    </Box>
  );
}

interface SayWhatProps {
  readonly file: File;
  readonly onLeave: () => void;
  readonly onSend: (says: string) => Promise<void>;
}

/** Asks what a picture shows, for those who cannot see it. */
function SayWhat({ file, onLeave, onSend }: SayWhatProps) {
  const [says, setSays] = useState('');
  useUnsaved(says.trim() !== '');
  const [isBusy, setIsBusy] = useState(false);
  const [refusal, setRefusal] = useState<RefusedError | undefined>();
  const submit = async () => {
    setIsBusy(true);
    try {
      await onSend(says.trim());
    } catch (error) {
      setRefusal(asRefusal(error));
      setIsBusy(false);
    }
  };
  return (
    <Dialog open onClose={onLeave} fullWidth maxWidth="xs">
      <DialogTitle>{file.name}</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          label="What it shows"
          helperText="Read out to makers who cannot see it, and shown under it. Only your own pictures, please, and nobody’s face without asking."
          value={says}
          onChange={({ target }) => setSays(target.value)}
          slotProps={{ htmlInput: { maxLength: 300 } }}
          sx={{ mt: 1 }}
        />
        {refusal && <ErrorNote error={refusal} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onLeave}>Leave it</Button>
        <Button variant="contained" disabled={says.trim() === '' || isBusy} onClick={() => void submit()}>
          {isBusy ? 'Sending …' : 'Put it to this step'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
