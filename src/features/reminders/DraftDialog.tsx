import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { TEXT_LIMITS } from '@/core/reminders';
import type { Message } from '@/server/reminders';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

interface DraftDialogProps {
  readonly projectId: string;
  readonly message: Message;
  readonly onClose: () => void;
  readonly onKept: () => void;
}

/** One reminder as it will be read, to be changed for this maker alone. */
export function DraftDialog({ projectId, message, onClose, onKept }: DraftDialogProps) {
  const [subject, setSubject] = useState(message.subject);
  const [body, setBody] = useState(message.body);
  const { error, isBusy, run } = useSend();
  const isChanged = subject !== message.subject || body !== message.body;
  const keep = () =>
    run(async () => {
      const change = { id: message.id, revision: message.revision, subject: subject.trim(), body };
      await send('POST', `/api/projects/${projectId}/reminders`, { change });
      onKept();
      onClose();
    });
  return (
    <Dialog open onClose={isChanged ? undefined : onClose} fullWidth maxWidth="sm" aria-labelledby="draft-title">
      <DialogTitle id="draft-title">To {message.maker}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <ErrorNote error={error} />
          <TextField
            label="Subject"
            value={subject}
            onChange={({ target }) => setSubject(target.value)}
            slotProps={{ htmlInput: { maxLength: 2 * TEXT_LIMITS.subject } }}
          />
          <TextField
            label="Text"
            value={body}
            multiline
            minRows={8}
            onChange={({ target }) => setBody(target.value)}
            slotProps={{ htmlInput: { maxLength: 2 * TEXT_LIMITS.body } }}
            helperText="A line on how to switch reminders off is added below it."
          />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{isChanged ? 'Leave it as it was' : 'Close'}</Button>
        <Button variant="contained" disabled={!isChanged || isBusy || !subject.trim()} onClick={() => void keep()}>
          Keep these words
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore
