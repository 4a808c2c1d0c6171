import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Contact } from '@/server/makers';
import { ErrorNote } from '@/ui/ErrorNote';
import { ZoneField } from '@/ui/ZoneField';
import type { OwnReminders } from './useReminders';

/** Where each maker may be written to. */
export function ContactTable({ contacts, own }: { contacts: readonly Contact[]; own: OwnReminders }) {
  const [open, setOpen] = useState<Contact | undefined>();
  if (contacts.length === 0) return <Typography>No maker yet: add them at the station Makers.</Typography>;
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        Only hosts see these; they are not in project files. Whoever switches reminders off by the link in one stays off until they switch them on again.
      </Typography>
      <TableContainer>
        <Table size="small" aria-label="Addresses">
          <TableHead>
            <TableRow>
              <TableCell>Maker</TableCell>
              <TableCell>E-mail</TableCell>
              <TableCell>Time zone</TableCell>
              <TableCell>Reminders</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {contacts.map((contact) => (
              <TableRow key={contact.makerId}>
                <TableCell>{contact.name}</TableCell>
                <TableCell sx={{ overflowWrap: 'anywhere' }}>{contact.email ?? 'none'}</TableCell>
                <TableCell>{contact.timeZone ?? 'as the calendar'}</TableCell>
                <TableCell>{contact.wantsMail ? 'on' : 'switched off by them'}</TableCell>
                <TableCell align="right">
                  <Button size="small" aria-label={`Address of ${contact.name}`} onClick={() => setOpen(contact)}>
                    Change
                  </Button>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      {open && <ContactDialog contact={open} own={own} onClose={() => setOpen(undefined)} />}
    </>
  );
} // prettier-ignore

interface ContactDialogProps {
  readonly contact: Contact;
  readonly own: OwnReminders;
  readonly onClose: () => void;
}

function ContactDialog({ contact, own, onClose }: ContactDialogProps) {
  const [email, setEmail] = useState(contact.email ?? '');
  const [timeZone, setTimeZone] = useState(contact.timeZone ?? '');
  const close = () => {
    own.settle();
    onClose();
  };
  const keep = async () => {
    const isKept = await own.setContact(contact.makerId, { email: email.trim() || null, timeZone: timeZone.trim() || null });
    if (isKept) onClose();
  };
  return (
    <Dialog open onClose={close} fullWidth maxWidth="xs" aria-labelledby="contact-title">
      <DialogTitle id="contact-title">{contact.name}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <ErrorNote error={own.error} />
          <TextField label="E-mail address" type="email" value={email} onChange={({ target }) => setEmail(target.value)} helperText="Empty: nothing is sent." />
          <ZoneField value={timeZone} onChange={setTimeZone} helperText="Like Europe/Lisbon; empty: the calendar’s." />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Leave it</Button>
        <Button variant="contained" disabled={own.isBusy} onClick={() => void keep()}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore
