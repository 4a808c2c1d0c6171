'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { dayWords, plusDays, type Day, type Holiday } from '@/core/calendar';
import type { FoundHoliday } from '@/workers/readHolidays';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { useSend } from '@/ui/useSend';

interface CalendarFilesProps {
  readonly projectId: string;
  /** The group whose dates are looked at; all where none is. */
  readonly group?: { readonly id: string; readonly name: string } | undefined;
  readonly today: Day;
  readonly newId: () => string;
  readonly onHolidays: (holidays: readonly Holiday[]) => void;
}

/** Dates for other calendars (a file, or a secret address that they read again and again), and holidays from one. */
export function CalendarFiles({ projectId, group, today, newId, onHolidays }: CalendarFilesProps) {
  const [address, setAddress] = useState<string | undefined>();
  const [found, setFound] = useState<readonly FoundHoliday[] | undefined>();
  const { error, isBusy, run } = useSend();
  const base = `/api/projects/${projectId}/calendar`;
  const renew = () => run(async () => setAddress((await send<{ address: string }>('POST', `${base}/feed`, group ? { group: group.id } : {})).address));
  const read = (file: File) =>
    run(async () => {
      const body = { text: await file.text(), from: today, to: plusDays(today, 730) };
      setFound((await send<{ holidays: FoundHoliday[] }>('POST', `${base}/holidays`, body)).holidays);
    });
  return (
    <section aria-labelledby="files-title">
      <Typography variant="h3" id="files-title" sx={{ mt: 3, mb: 1 }}>
        In other calendars
      </Typography>
      <ErrorNote error={error} />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button component="a" href={base} download="calendar.ics">
          Dates as .ics
        </Button>
        <Button disabled={isBusy} onClick={() => void renew()}>
          {group ? `New secret address for ${group.name}` : 'New secret address'}
        </Button>
        <FileButton accept=".ics,text/calendar" disabled={isBusy} onFile={(file) => void read(file)}>
          Holidays from an .ics
        </FileButton>
      </Stack>
      {address && (
        <Typography sx={{ mt: 1, overflowWrap: 'anywhere' }}>
          Shown this once; an earlier address no longer works. Whoever has it sees the dates and nothing else: <strong>{address}</strong>
        </Typography>
      )}
      {found && (
        <HolidaysDialog
          found={found}
          onClose={() => setFound(undefined)}
          onKeep={(holidays) => {
            setFound(undefined);
            onHolidays(holidays.map((one) => ({ ...one, kind: 'holiday', id: newId() })));
          }}
        />
      )}
    </section>
  );
} // prettier-ignore

interface HolidaysDialogProps {
  readonly found: readonly FoundHoliday[];
  readonly onKeep: (holidays: readonly FoundHoliday[]) => void;
  readonly onClose: () => void;
}

function HolidaysDialog({ found, onKeep, onClose }: HolidaysDialogProps) {
  const [left, setLeft] = useState<ReadonlySet<FoundHoliday>>(new Set());
  const kept = found.filter((one) => !left.has(one));
  const turn = (one: FoundHoliday, isKept: boolean) =>
    setLeft((all) => new Set(isKept ? [...all].filter((other) => other !== one) : [...all, one]));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="holidays-title">
      <DialogTitle id="holidays-title">Holidays in the next two years</DialogTitle>
      <DialogContent>
        {found.length === 0 && <Typography>The file names no whole day in the next two years.</Typography>}
        <FormGroup>
          {found.map((one) => (
            <FormControlLabel
              key={`${one.day} ${one.title}`}
              control={<Checkbox checked={!left.has(one)} onChange={(_, isKept) => turn(one, isKept)} />}
              label={`${dayWords(one.day)}${one.until === one.day ? '' : ` to ${dayWords(one.until)}`}: ${one.title}`}
            />
          ))}
        </FormGroup>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave them</Button>
        <Button variant="contained" disabled={kept.length === 0} onClick={() => onKeep(kept)}>
          Put them in
        </Button>
      </DialogActions>
    </Dialog>
  );
}
