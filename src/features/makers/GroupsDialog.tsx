'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { MakerGroup } from '@/server/makers';
import type { Roster } from './useRoster';

interface GroupsDialogProps {
  readonly groups: readonly MakerGroup[];
  readonly roster: Roster;
  readonly onClose: () => void;
}

/** The classes that sew this project: made, renamed, taken out. */
export function GroupsDialog({ groups, roster, onClose }: GroupsDialogProps) {
  const [name, setName] = useState('');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="groups-title">
      <DialogTitle id="groups-title">Groups</DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" gutterBottom>
          A class that meets at its own times. Who is in which is said under each maker’s name, or by a list read from a file.
        </Typography>
        <Stack spacing={1.5} sx={{ pt: 1 }}>
          {groups.map((group) => (
            <GroupRow key={`${group.id}${group.name}`} group={group} roster={roster} />
          ))}
          <Stack
            direction="row"
            spacing={1}
            component="form"
            onSubmit={(event) => {
              event.preventDefault();
              void roster.addGroup(name.trim()).then((isMade) => isMade && setName(''));
            }}
          >
            <TextField label="A new group" value={name} onChange={({ target }) => setName(target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} sx={{ flexGrow: 1 }} />
            <Button type="submit" disabled={name.trim() === ''} sx={{ whiteSpace: 'nowrap' }}>
              Make it
            </Button>
          </Stack>
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

function GroupRow({ group, roster }: { readonly group: MakerGroup; readonly roster: Roster }) {
  const [name, setName] = useState(group.name);
  return (
    <Stack direction="row" spacing={1}>
      <TextField label={`Name of ${group.name}`} value={name} onChange={({ target }) => setName(target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} sx={{ flexGrow: 1 }} />
      <Button disabled={name.trim() === '' || name.trim() === group.name} onClick={() => void roster.renameGroup(group, name.trim())}>
        Rename
      </Button>
      <Button onClick={() => void roster.removeGroup(group)} aria-label={`Take ${group.name} out`} sx={{ whiteSpace: 'nowrap' }}>
        Take out
      </Button>
    </Stack>
  );
} // prettier-ignore
