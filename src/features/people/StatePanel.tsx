'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import type { ProjectState } from '@/server/projects';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

/** Archives a whole project or puts it into the bin; both can be taken back on the page of projects. */
export function StatePanel({ projectId, name }: { projectId: string; name: string }) {
  const router = useRouter();
  const { error, isBusy, run } = useSend();
  const put = (state: ProjectState) =>
    run(async () => {
      await send('POST', `/api/projects/${projectId}/state`, { state });
      router.push('/');
      router.refresh();
    });
  return (
    <Stack spacing={1.5} sx={{ maxWidth: 720, alignItems: 'flex-start' }}>
      <Typography variant="h2">The whole project</Typography>
      <ErrorNote error={error} />
      <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <Button href={`/api/projects/${projectId}/export`} download>
          Save it as a file
        </Button>
        <Button disabled={isBusy} onClick={() => void put('archived')}>
          Archive it
        </Button>
        <Button color="error" disabled={isBusy} onClick={() => void put('binned')}>
          Put {name} into the bin
        </Button>
      </Stack>
      <Typography color="textSecondary">
        An archived project stays whole and is listed apart. In the bin, makers’ links rest until it is taken
        out again.
      </Typography>
    </Stack>
  );
}
