'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import FormLabel from '@mui/material/FormLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { CALENDAR_LIMITS, daysBetween, isDay, type BlockWork, type CalendarEntry } from '@/core/calendar';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { KINDS } from './KindMark';

interface EntryDialogProps {
  readonly entry: CalendarEntry;
  readonly isNew: boolean;
  readonly blocks: readonly BlockWork[];
  /** The drop that a block is in now. */
  readonly dropOf: (block: string, entry: CalendarEntry) => CalendarEntry | undefined;
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly onKeep: (entry: CalendarEntry) => void;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

/** One entry of the calendar with all that is said of it. */
export function EntryDialog({ entry: initial, isNew, blocks, groups, dropOf, onKeep, onRemove, onClose }: EntryDialogProps) {
  const [entry, setEntry] = useState(initial);
  const [fault, setFault] = useState<{ what: string; mend: string } | undefined>();
  const set = (change: object) => setEntry((own) => ({ ...own, ...change }) as CalendarEntry);
  const keep = () => {
    const found = faultOf(entry);
    setFault(found);
    if (!found) onKeep({ ...entry, title: entry.title.trim() });
  };
  const name = KINDS[entry.kind].name.toLowerCase();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="entry-title">
      <DialogTitle id="entry-title">{isNew ? `Add a ${name}` : `Change this ${name}`}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <ErrorNote error={fault} />
          <TextField
            label="Name"
            value={entry.title}
            onChange={({ target }) => set({ title: target.value })}
            slotProps={{ htmlInput: { maxLength: CALENDAR_LIMITS.title } }}
          />
          <DayField label={entry.kind === 'holiday' ? 'First day' : 'Day'} value={entry.day} onChange={(day) => set({ day })} />
          {entry.kind === 'holiday' && <DayField label="Last day" value={entry.until} onChange={(until) => set({ until })} />}
          {entry.kind !== 'holiday' && groups.length > 0 && (
            <Choice
              label="For"
              value={entry.group ?? ALL_GROUPS}
              choices={[[ALL_GROUPS, 'all makers'], ...groups.map(({ id, name: group }) => [id, group] as const)]}
              onChange={(group) => setEntry((before) => inGroup(before, group))}
            />
          )}
          {entry.kind === 'meeting' && <MeetingFields meeting={entry} onChange={set} />}
          {entry.kind === 'drop' && (
            <>
              <FormControlLabel
                control={<Checkbox checked={entry.isFixed} onChange={(_, isFixed) => set({ isFixed })} />}
                label="The day is fixed: levelling leaves it alone"
              />
              <FormGroup>
                <FormLabel component="legend">Bags of</FormLabel>
                {blocks.map(({ id, name: block }) => {
                  const other = dropOf(id, entry);
                  const elsewhere = other && other.id !== entry.id ? ` (leaves ${other.title})` : '';
                  return (
                    <FormControlLabel
                      key={id}
                      control={
                        <Checkbox
                          checked={entry.blocks.includes(id)}
                          onChange={(_, isIn) => set({ blocks: isIn ? [...entry.blocks, id] : entry.blocks.filter((one) => one !== id) })}
                        />
                      }
                      label={`${block}${elsewhere}`}
                    />
                  );
                })}
              </FormGroup>
            </>
          )}
          <TextField
            label={entry.kind === 'meeting' ? 'What is taught, what to bring' : 'Note'}
            value={entry.note ?? ''}
            multiline
            minRows={2}
            onChange={({ target }) => set({ note: target.value })}
            slotProps={{ htmlInput: { maxLength: CALENDAR_LIMITS.note } }}
          />
        </Stack>
      </DialogContent>
      <DialogActions>
        {!isNew && (
          <Button color="error" onClick={onRemove} sx={{ mr: 'auto' }}>
            Take it out
          </Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={keep}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

const ALL_GROUPS = 'all';

function inGroup({ group: _before, ...entry }: CalendarEntry, group: string): CalendarEntry {
  return (group === ALL_GROUPS ? entry : { ...entry, group }) as CalendarEntry;
}

function DayField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (day: string) => void;
}) {
  return (
    <TextField
      type="date"
      label={label}
      value={value}
      onChange={({ target }) => onChange(target.value)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

type Meeting = Extract<CalendarEntry, { kind: 'meeting' }>;

function MeetingFields({ meeting, onChange }: { meeting: Meeting; onChange: (change: Partial<Meeting>) => void }) {
  const number = (name: 'minutes' | 'everyWeeks' | 'times', label: string) => (
    <TextField
      type="number"
      label={label}
      value={Number.isNaN(meeting[name]) ? '' : meeting[name]}
      onChange={({ target }) => onChange({ [name]: target.value === '' ? NaN : Number(target.value) })}
      slotProps={{ htmlInput: { min: CALENDAR_LIMITS[name].least, max: CALENDAR_LIMITS[name].most } }}
    />
  );
  return (
    <>
      <Stack direction="row" spacing={2}>
        <TextField
          type="time"
          label="Begins at"
          value={meeting.at}
          onChange={({ target }) => onChange({ at: target.value })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        {number('minutes', 'Minutes')}
      </Stack>
      <TextField label="Place" value={meeting.place} onChange={({ target }) => onChange({ place: target.value })} />
      <Stack direction="row" spacing={2}>
        {number('times', 'Times in all')}
        {number('everyWeeks', 'Weeks apart')}
      </Stack>
    </>
  );
} // prettier-ignore

/** What cannot be kept, and how to mend it. */
function faultOf(entry: CalendarEntry): { what: string; mend: string } | undefined {
  if (entry.title.trim() === '') return { what: 'It has no name.', mend: 'Give it a name that is seen on its day.' };
  if (!isDay(entry.day)) return { what: 'It has no day.', mend: 'Choose one that exists.' };
  if (entry.kind === 'holiday' && (!isDay(entry.until) || daysBetween(entry.day, entry.until) < 0))
    return { what: 'It ends before it begins.', mend: 'Choose a last day that is not before the first.' };
  if (entry.kind !== 'meeting') return undefined;
  if (!/^\d\d:\d\d$/.test(entry.at)) return { what: 'It has no hour.', mend: 'Say when it begins, like 18:30.' };
  const wrong = (['minutes', 'everyWeeks', 'times'] as const).find((name) => {
    const { least, most } = CALENDAR_LIMITS[name];
    return !Number.isInteger(entry[name]) || entry[name] < least || entry[name] > most;
  });
  if (!wrong) return undefined;
  const { least, most } = CALENDAR_LIMITS[wrong];
  const names = { minutes: 'Minutes', everyWeeks: 'Weeks apart', times: 'Times in all' };
  return { what: `${names[wrong]} cannot be that.`, mend: `Give a whole number from ${least} to ${most}.` };
} // prettier-ignore
