'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';

interface BlockNameProps {
  readonly projectId: string;
  readonly block: { readonly id: string; readonly name: string };
}

/** The block's name, and a way to change it. What was typed stays when the server refuses. */
export function BlockName({ projectId, block }: BlockNameProps) {
  const router = useRouter();
  const notice = useNotice();
  const [draft, setDraft] = useState<string | undefined>();
  const { error, isBusy, run } = useSend();
  useUnsaved(draft !== undefined && draft !== block.name);
  const rename = (name: string, before: string) =>
    send('PATCH', `/api/projects/${projectId}/blocks/${block.id}`, { name, before });
  const save = () =>
    run(async () => {
      const before = block.name;
      await rename(draft ?? '', before);
      notice({
        text: `Renamed to ${draft}.`,
        undo: () => rename(before, draft ?? '').then(() => router.refresh()),
      });
      setDraft(undefined);
      router.refresh();
    });
  if (draft === undefined) {
    return (
      <Stack direction="row" spacing={1} sx={{ alignItems: 'baseline' }}>
        <Typography variant="h2">{block.name}</Typography>
        <Button size="small" variant="text" onClick={() => setDraft(block.name)}>
          Rename
        </Button>
      </Stack>
    );
  }
  return (
    <Stack
      spacing={1}
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <ErrorNote error={error} />
      <Stack direction="row" spacing={1}>
        <TextField
          label="Name of the block"
          value={draft}
          onChange={(event) => setDraft(event.target.value)}
          autoFocus
          error={error?.where === 'name'}
          sx={{ width: 260 }}
        />
        <Button type="submit" variant="contained" disabled={isBusy}>
          Rename
        </Button>
        <Button onClick={() => setDraft(undefined)}>Leave it</Button>
      </Stack>
    </Stack>
  );
}
