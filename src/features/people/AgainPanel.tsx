'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

/** The same project once more, for others: all that was planned, and nobody who sewed it. */
export function AgainPanel({ projectId, name }: { readonly projectId: string; readonly name: string }) {
  const router = useRouter();
  const [next, setNext] = useState(`${name}, again`);
  const { error, isBusy, run } = useSend();
  const copy = () =>
    run(async () => {
      const { id } = await send<{ id: string }>('POST', `/api/projects/${projectId}/again`, { name: next.trim() });
      router.push(`/p/${id}/logbook`);
      router.refresh();
    });
  return (
    <Stack
      spacing={1.5}
      component="form"
      sx={{ maxWidth: 720, alignItems: 'flex-start' }}
      onSubmit={(event) => {
        event.preventDefault();
        void copy();
      }}
    >
      <Typography variant="h2">Run it again</Typography>
      <ErrorNote error={error} />
      <Typography color="textSecondary">
        Blocks, setting, cloths, prices, the words of reminders, notes and pictures at steps, and what was written for next time. No
        makers, no dates, nothing in stock. It opens at what was written for next time.
      </Typography>
      <TextField label="Name of the new project" value={next} onChange={({ target }) => setNext(target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} />
      <Button type="submit" disabled={isBusy || next.trim() === ''}>
        Copy it
      </Button>
    </Stack>
  );
} // prettier-ignore
