'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Step } from '@/core/sheet';
import { useUnsaved } from '@/ui/useUnsaved';
import { useDocumentChange } from './useDocumentChange';

interface HostNoteProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly step: Step;
}

/** Longest note, letters. */
const MOST_LETTERS = 1000;

/** What the host wants makers to know at this step; it goes with the step to their page and onto its card. */
export function HostNote({ projectId, blockId, step }: HostNoteProps) {
  const change = useDocumentChange(projectId, blockId);
  const [draft, setDraft] = useState<string | undefined>();
  const save = async (text: string) => {
    const isSaved = await change(
      text === '' ? 'The note is taken off.' : 'The note is on the makers’ pages now.',
      (document) => {
        const { [step.id]: _was, ...others } = document.notes ?? {};
        return { ...document, notes: text === '' ? others : { ...others, [step.id]: text } };
      },
    );
    // What is typed stays until it is saved.
    if (isSaved) setDraft(undefined);
  };
  useUnsaved(draft !== undefined && draft !== (step.hostNote ?? ''));
  if (draft === undefined) {
    return (
      <Stack direction="row" spacing={1} className="no-print" sx={{ alignItems: 'center', my: 0.5 }}>
        {step.hostNote && (
          <Typography>
            <strong>Your note:</strong> {step.hostNote}
          </Typography>
        )}
        <Button size="small" variant="text" onClick={() => setDraft(step.hostNote ?? '')}>
          {step.hostNote ? 'Change the note' : 'Add a note for makers'}
        </Button>
      </Stack>
    );
  }
  return (
    <Stack spacing={1} className="no-print" sx={{ my: 1 }}>
      <TextField
        label="Note for makers at this step"
        value={draft}
        multiline
        minRows={2}
        slotProps={{ htmlInput: { maxLength: MOST_LETTERS } }}
        onChange={(event) => setDraft(event.target.value)}
      />
      <Stack direction="row" spacing={1}>
        <Button size="small" variant="contained" onClick={() => void save(draft.trim())}>
          Save the note
        </Button>
        <Button size="small" onClick={() => setDraft(undefined)}>
          Leave it
        </Button>
      </Stack>
    </Stack>
  );
}
