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
import { CALENDAR_LIMITS, isDay, isTimeZone, type Calendar } from '@/core/calendar';
import { ErrorNote } from '@/ui/ErrorNote';
import { ZoneField } from '@/ui/ZoneField';

interface CalendarFiguresProps {
  readonly calendar: Calendar;
  /** Names to choose from. */
  readonly suppliers: readonly string[];
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
export function CalendarFigures({ calendar, suppliers: names, onKeep, onClose }: CalendarFiguresProps) {
  const [typed, setTyped] = useState(() => Object.fromEntries(NAMES.map((name) => [name, String(calendar[name])])) as Record<Name, string>); // prettier-ignore
  const [timeZone, setTimeZone] = useState(calendar.timeZone);
  const [suppliers, setSuppliers] = useState<readonly TypedSupplier[]>(() => [
    ...(calendar.suppliers ?? []).map(({ name, leadDays }) => ({ name, days: String(leadDays) })),
    NO_SUPPLIER,
  ]);
  const [endsOn, setEndsOn] = useState(calendar.endsOn ?? '');
  const [fault, setFault] = useState<{ what: string; mend: string } | undefined>();
  const keep = () => {
    const wrong = NAMES.find((name) => !isWithin(typed[name], name));
    const kept = suppliers.filter(({ name, days }) => name.trim() !== '' || days.trim() !== '');
    const found = wrong
      ? { what: `${LABELS[wrong]}: “${typed[wrong]}” cannot be.`, mend: `Give a number from ${CALENDAR_LIMITS[wrong].least} to ${CALENDAR_LIMITS[wrong].most}.` }
      : !isTimeZone(timeZone)
        ? { what: `“${timeZone}” is no time zone.`, mend: 'Take one from the list, like Europe/Lisbon.' }
        : endsOn !== '' && !isDay(endsOn)
          ? { what: 'The end is no day.', mend: 'Choose one that exists, or none.' }
          : faultOf(kept);
    setFault(found);
    if (found) return;
    const { endsOn: _, suppliers: _suppliers, ...rest } = calendar;
    const figures = Object.fromEntries(NAMES.map((name) => [name, readNumber(typed[name])]));
    onKeep({ ...rest, ...figures, timeZone, ...(endsOn === '' ? {} : { endsOn }), ...(kept.length > 0 ? { suppliers: kept.map(({ name, days }) => ({ name: name.trim(), leadDays: readNumber(days) })) } : {}) });
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
              slotProps={{ htmlInput: { inputMode: 'decimal' } }}
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
          <SupplierRows names={names} rows={suppliers} onChange={setSuppliers} />
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

interface TypedSupplier {
  readonly name: string;
  readonly days: string;
}

const NO_SUPPLIER: TypedSupplier = { name: '', days: '' };

function faultOf(suppliers: readonly TypedSupplier[]) {
  const { least, most } = CALENDAR_LIMITS.leadDays;
  for (const { name, days } of suppliers) {
    if (name.trim() === '') return { what: `A supplier has no name; its days: ${days}.`, mend: 'Name the supplier, or clear the days.' };
    const value = readNumber(days);
    if (!(value >= least && value <= most && Number.isInteger(value))) return { what: `${name}: “${days}” days cannot be.`, mend: `Give a whole number from ${least} to ${most}.` };
    if (suppliers.filter((other) => other.name.trim().toLowerCase() === name.trim().toLowerCase()).length > 1) return { what: `${name} is there twice.`, mend: 'Clear one of them.' };
  }
  return undefined;
} // prettier-ignore

interface SupplierRowsProps {
  readonly names: readonly string[];
  readonly rows: readonly TypedSupplier[];
  readonly onChange: (rows: readonly TypedSupplier[]) => void;
}

/** Suppliers who take another time; there is always an empty row to fill. */
function SupplierRows({ names, rows, onChange }: SupplierRowsProps) {
  const put = (index: number, change: Partial<TypedSupplier>) => {
    const next = rows.map((row, at) => (at === index ? { ...row, ...change } : row));
    const last = next.at(-1);
    onChange(last && (last.name !== '' || last.days !== '') && next.length < CALENDAR_LIMITS.suppliers ? [...next, NO_SUPPLIER] : next);
  };
  return (
    <>
      <Typography>Suppliers who take another time. Each gets a day by which to order, before every drop.</Typography>
      <datalist id="suppliers">
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      {rows.map(({ name, days }, index) => (
        <Stack key={index} direction="row" spacing={1}>
          <TextField label={`Supplier ${index + 1}`} value={name} sx={{ flexGrow: 1 }} onChange={({ target }) => put(index, { name: target.value })} slotProps={{ htmlInput: { list: 'suppliers', maxLength: CALENDAR_LIMITS.title } }} />
          <TextField label="Days" value={days} sx={{ width: 110 }} onChange={({ target }) => put(index, { days: target.value })} slotProps={{ htmlInput: { 'aria-label': `Days, supplier ${index + 1}`, inputMode: 'numeric' } }} />
        </Stack>
      ))}
    </>
  );
} // prettier-ignore

const readNumber = (text: string) => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

function isWithin(text: string, name: Name): boolean {
  const { least, most } = CALENDAR_LIMITS[name];
  const value = readNumber(text);
  return value >= least && value <= most && (name === 'hoursPerWeek' || Number.isInteger(value));
}
