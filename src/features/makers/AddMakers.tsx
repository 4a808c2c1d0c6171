'use client';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import type { MakerLink } from './LinkDialog';

/** Adds makers by name, one to a line. The names stay when the server refuses them. */
export function AddMakers({
  projectId,
  onAdded,
}: {
  projectId: string;
  onAdded: (links: readonly MakerLink[]) => void;
}) {
  const [text, setText] = useState('');
  const { error, isBusy, run } = useSend();
  useUnsaved(text.trim() !== '');
  const names = text
    .split('\n')
    .map((name) => name.trim())
    .filter(Boolean);
  const add = () =>
    run(async () => {
      const added = await send<MakerLink[]>('POST', `/api/projects/${projectId}/makers`, { names });
      setText('');
      onAdded(added);
    });
  return (
    <Paper
      sx={{ p: 2 }}
      component="form"
      className="no-print"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Typography variant="h3" gutterBottom>
        Add makers
      </Typography>
      <Stack spacing={1.5}>
        <ErrorNote error={error} />
        <TextField
          label="Names, one to a line"
          multiline
          minRows={2}
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={error?.where?.startsWith('names') ?? false}
        />
        <Button
          type="submit"
          variant="contained"
          disabled={isBusy || names.length === 0}
          sx={{ alignSelf: 'flex-start' }}
        >
          Add {names.length > 1 ? `${names.length} makers` : 'the maker'}
        </Button>
      </Stack>
    </Paper>
  );
}
