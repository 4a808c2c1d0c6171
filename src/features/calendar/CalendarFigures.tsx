'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { CALENDAR_LIMITS, isDay, isTimeZone, type Calendar } from '@/core/calendar';
import { ErrorNote } from '@/ui/ErrorNote';
import { ZoneField } from '@/ui/ZoneField';

interface CalendarFiguresProps {
  readonly calendar: Calendar;
  readonly onKeep: (calendar: Calendar) => void;
  readonly onClose: () => void;
}

type Name = 'hoursPerWeek' | 'leadDays' | 'eveningMinutes';

const LABELS: Readonly<Record<Name, string>> = {
  hoursPerWeek: 'Hours a maker sews in a week',
  leadDays: 'Days from an order until cloth comes',
  eveningMinutes: 'Minutes of an evening of packing',
};
const NAMES = Object.keys(LABELS) as Name[];

/** The figures from which other dates follow. */
export function CalendarFigures({ calendar, onKeep, onClose }: CalendarFiguresProps) {
  const [typed, setTyped] = useState(() => Object.fromEntries(NAMES.map((name) => [name, String(calendar[name])])) as Record<Name, string>); // prettier-ignore
  const [timeZone, setTimeZone] = useState(calendar.timeZone);
  const [endsOn, setEndsOn] = useState(calendar.endsOn ?? '');
  const [fault, setFault] = useState<{ what: string; mend: string } | undefined>();
  const keep = () => {
    const wrong = NAMES.find((name) => !isWithin(typed[name], name));
    const found = wrong
      ? { what: `${LABELS[wrong]}: “${typed[wrong]}” cannot be.`, mend: `Give a number from ${CALENDAR_LIMITS[wrong].least} to ${CALENDAR_LIMITS[wrong].most}.` }
      : !isTimeZone(timeZone)
        ? { what: `“${timeZone}” is no time zone.`, mend: 'Take one from the list, like Europe/Lisbon.' }
        : endsOn !== '' && !isDay(endsOn)
          ? { what: 'The end is no day.', mend: 'Choose one that exists, or none.' }
          : undefined;
    setFault(found);
    if (found) return;
    const { endsOn: _, ...rest } = calendar;
    const figures = Object.fromEntries(NAMES.map((name) => [name, readNumber(typed[name])]));
    onKeep({ ...rest, ...figures, timeZone, ...(endsOn === '' ? {} : { endsOn }) });
  }; // prettier-ignore
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="figures-title">
      <DialogTitle id="figures-title">Figures of the calendar</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <ErrorNote error={fault} />
          {NAMES.map((name) => (
            <TextField
              key={name}
              label={LABELS[name]}
              value={typed[name]}
              inputMode="decimal"
              onChange={({ target }) => setTyped({ ...typed, [name]: target.value })}
            />
          ))}
          <TextField
            type="date"
            label="Everything sewn by"
            value={endsOn}
            helperText="None: the last drop has as long as the others in the mean."
            onChange={({ target }) => setEndsOn(target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <ZoneField value={timeZone} onChange={setTimeZone} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={keep}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const readNumber = (text: string) => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

function isWithin(text: string, name: Name): boolean {
  const { least, most } = CALENDAR_LIMITS[name];
  const value = readNumber(text);
  return value >= least && value <= most && (name === 'hoursPerWeek' || Number.isInteger(value));
}
