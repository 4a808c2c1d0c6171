'use client';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import type { BinLine } from '@/server/projects';
import { send } from '@/ui/api';
import { formatDay } from '@/ui/formatDay';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

/** What was taken out of a project; each thing can be put back at any time. */
export function BinPanel({ projectId, lines }: { projectId: string; lines: readonly BinLine[] }) {
  const router = useRouter();
  const { error, isBusy, run } = useSend();
  const restore = ({ kind, id }: BinLine) =>
    run(async () => {
      await send('PATCH', `/api/projects/${projectId}/${kind}s/${id}`, { isRemoved: false });
      router.refresh();
    });
  return (
    <Stack spacing={1.5} sx={{ maxWidth: 720 }}>
      <Typography variant="h2">Bin</Typography>
      <ErrorNote error={error} />
      {lines.length === 0 && (
        <Typography color="textSecondary">
          Nothing here: blocks and makers that you take out wait here.
        </Typography>
      )}
      {lines.map((line) => (
        <Paper key={line.id} sx={{ p: 1.5, display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <Typography sx={{ flex: 1 }}>
            {line.kind === 'block' ? 'Block' : 'Maker'} <strong>{line.name}</strong>, taken out on{' '}
            {formatDay(line.removedAt)}
          </Typography>
          <Button disabled={isBusy} onClick={() => void restore(line)}>
            Put {line.name} back
          </Button>
        </Paper>
      ))}
    </Stack>
  );
}
