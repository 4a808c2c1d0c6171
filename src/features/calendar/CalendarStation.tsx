'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import {
  agendaOf,
  dropsOf,
  earlyShares,
  forGroup,
  holidaysOf,
  isSameGroup,
  plusDays,
  reckoned,
  weeklyLoad,
  withEntriesOf,
  type AgendaItem,
  type BlockWork,
  type Calendar,
  type CalendarEntry,
  type Day,
} from '@/core/calendar';
import type { LearntStandard } from '@/core/pace';
import type { ProjectPace } from '@/server/calendar';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { SaveButtons } from '@/ui/SaveButtons';
import { AgendaList } from './AgendaList';
import { CalendarFigures } from './CalendarFigures';
import { CalendarFiles } from './CalendarFiles';
import { DropsDialog } from './DropsDialog';
import { EntryDialog } from './EntryDialog';
import { LearntTable } from './LearntTable';
import { LevelPanel } from './LevelPanel';
import { PaceTable } from './PaceTable';
import { useCalendar, type OwnCalendar } from './useCalendar';
import { WeekRows } from './WeekRows';

interface CalendarStationProps {
  readonly projectId: string;
  readonly initial: Calendar;
  readonly revision: number;
  /** With their plain standards. */
  readonly blocks: readonly BlockWork[];
  /** Undefined where it could not be reckoned just now. */
  readonly pace: ProjectPace | undefined;
  readonly today: Day;
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  /** How long each kind of work takes, by what was timed. */
  readonly learnt: readonly LearntStandard[];
  /** Names that are written to lines of the order. */
  readonly suppliers: readonly string[];
}

const newId = () => crypto.randomUUID();

/** When what is handed out, who will be ready, and what follows from it. */
export function CalendarStation({ projectId, initial, revision, blocks: plain, pace, today, groups, learnt, suppliers }: CalendarStationProps) {
  const own = useCalendar(projectId, initial, revision);
  const { calendar } = own;
  const blocks = useMemo(() => reckoned(plain, calendar.standards), [plain, calendar.standards]);
  const [edited, setEdited] = useState<CalendarEntry | undefined>();
  const [view, setView] = useState<'weeks' | 'list'>('weeks');
  const [group, setGroup] = useState(ALL_GROUPS);
  const seen = useMemo(() => (group === ALL_GROUPS ? calendar : forGroup(calendar, group)), [calendar, group]);
  // One maker sews what one group is given: of all groups, the first that has dates of its own.
  const sewn = useMemo(() => (group === ALL_GROUPS ? forGroup(calendar, calendar.entries.find((one) => one.group)?.group ?? null) : seen), [calendar, group, seen]);
  const agenda = useMemo(() => agendaOf(seen, blocks).map((item) => ({ ...item, title: titled(item, seen, groups) })), [seen, blocks, groups]);
  const load = useMemo(() => weeklyLoad(sewn, blocks), [sewn, blocks]);
  // Once somebody has sewn, their own weeks tell more.
  const hasBegun = pace?.makers.some(({ begun }) => begun) ?? false;
  const early = hasBegun ? [] : earlyShares(sewn, blocks);
  const open = (id: string) => setEdited(calendar.entries.find((entry) => entry.id === id));
  const isHoliday = (day: Day) => holidaysOf(calendar).some((one) => one.day <= day && day <= one.until);
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1 }}>
        <Typography variant="h2">Calendar</Typography>
        <SaveButtons {...own} />
      </Stack>
      <ErrorNote error={own.error} />
      {own.showTheirs && (
        <Button sx={{ my: 1 }} onClick={own.showTheirs}>
          Show theirs (undo brings yours back)
        </Button>
      )}
      <AddButtons projectId={projectId} own={own} blocks={blocks} today={today} suppliers={suppliers} onAdd={setEdited} />
      <NotInDrops calendar={calendar} blocks={blocks} />
      <Stack direction="row" sx={{ gap: 2, my: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        {groups.length > 0 && (
          <Box sx={{ minWidth: 220 }}>
            <Choice label="Dates of" value={group} choices={[[ALL_GROUPS, 'all groups'], ...groups.map(({ id, name }) => [id, name] as const)]} onChange={setGroup} />
          </Box>
        )}
        {agenda.length > 0 && (
          <ToggleButtonGroup exclusive size="small" aria-label="View" value={view} onChange={(_, next: typeof view | null) => next && setView(next)}>
            <ToggleButton value="weeks">Weeks</ToggleButton>
            <ToggleButton value="list">List with reasons</ToggleButton>
          </ToggleButtonGroup>
        )}
      </Stack>
      {agenda.length > 0 && view === 'weeks' && (
        <>
          <WeekRows agenda={agenda} load={load} holidays={isHoliday} today={today} onOpen={open} onMove={own.move} onAdd={(day) => setEdited(fresh('drop', day, calendar))} />
          <Typography color="textSecondary">
            Drag a date to another day, or hold Alt and press the arrows. The bar is what one maker has to sew in a week; the dashed line is where {calendar.hoursPerWeek} hours end.
          </Typography>
        </>
      )}
      {view === 'list' && <AgendaList agenda={agenda} drops={pace?.drops ?? []} early={early} today={today} onOpen={open} />}
      <LevelPanel projectId={projectId} calendar={sewn} blocks={blocks} today={today} onTake={(next) => own.change(withEntriesOf(calendar, next), 'level')} />
      {pace === undefined && (
        <Typography role="status" sx={{ mt: 3 }}>
          Who will be done when could not be reckoned just now. Open the page again in a moment; the dates above are not touched by it.
        </Typography>
      )}
      {pace && pace.makers.length > 0 && <PaceTable pace={pace} today={today} />}
      <LearntTable learnt={learnt} standards={calendar.standards ?? {}} onChange={(standards) => own.change({ ...calendar, standards }, 'standards')} />
      <CalendarFiles projectId={projectId} group={groups.find(({ id }) => id === group)} today={today} newId={newId} onHolidays={own.addAll} />
      {edited && (
        <EntryDialog
          key={edited.id}
          entry={edited}
          isNew={!calendar.entries.some(({ id }) => id === edited.id)}
          blocks={blocks}
          groups={groups}
          dropOf={(block, entry) => dropsOf(calendar).find((drop) => drop.blocks.includes(block) && isSameGroup(drop, entry))}
          onKeep={(entry) => {
            own.put(entry);
            setEdited(undefined);
          }}
          onRemove={() => {
            own.remove(edited.id);
            setEdited(undefined);
          }}
          onClose={() => setEdited(undefined)}
        />
      )}
    </Box>
  );
} // prettier-ignore

const ALL_GROUPS = 'all';

/** A date with the group that it is for. */
function titled(
  { title, entry }: AgendaItem,
  { entries }: Calendar,
  groups: CalendarStationProps['groups'],
): string {
  const id = entries.find((one) => one.id === entry)?.group;
  const name = groups.find((one) => one.id === id)?.name;
  return name === undefined ? title : `${title} (${name})`;
}

interface AddButtonsProps {
  readonly projectId: string;
  readonly own: OwnCalendar;
  readonly blocks: readonly BlockWork[];
  readonly today: Day;
  readonly suppliers: readonly string[];
  readonly onAdd: (entry: CalendarEntry) => void;
}

function AddButtons({ projectId, own, blocks, today, suppliers, onAdd }: AddButtonsProps) {
  const [dialog, setDialog] = useState<'drops' | 'figures' | undefined>();
  const { calendar } = own;
  const drops = dropsOf(calendar);
  const close = () => setDialog(undefined);
  const next = drops.at(-1) ? plusDays(drops.at(-1)?.day ?? today, 28) : plusDays(today, 14);
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mt: 1 }}>
      {drops.length === 0 && blocks.length > 0 && (
        <Button variant="contained" onClick={() => setDialog('drops')}>
          Lay out the drops
        </Button>
      )}
      <Button onClick={() => onAdd(fresh('drop', next, calendar))}>Add a drop</Button>
      <Button onClick={() => onAdd(fresh('meeting', plusDays(today, 7), calendar))}>Add a meeting</Button>
      <Button onClick={() => onAdd(fresh('holiday', plusDays(today, 7), calendar))}>Add a holiday</Button>
      <Button onClick={() => setDialog('figures')}>Figures</Button>
      <Button component={Link} href={`/p/${projectId}/calendar/reminders`}>
        Reminders
      </Button>
      {dialog === 'drops' && (
        <DropsDialog blocks={blocks} from={next} newId={newId} onClose={close} onKeep={(laid) => { own.addAll(laid); close(); }} />
      )}
      {dialog === 'figures' && (
        <CalendarFigures calendar={calendar} suppliers={suppliers} onClose={close} onKeep={(figures) => { own.change(figures); close(); }} />
      )}
    </Stack>
  );
} // prettier-ignore

/** What is said when dates are missing: nothing yet, or blocks that nobody hands out. */
function NotInDrops({ calendar, blocks }: { calendar: Calendar; blocks: readonly BlockWork[] }) {
  const drops = dropsOf(calendar);
  if (drops.length === 0)
    return (
      <Typography sx={{ my: 1 }}>
        No bags are handed out yet. Lay out the drops: so many blocks at a time, so many weeks apart. When to order cloth and when to pack follows from them.
      </Typography>
    );
  const missing = blocks.filter(({ id }) => !drops.some((drop) => drop.blocks.includes(id)));
  if (missing.length === 0) return null;
  return (
    <Typography sx={{ my: 1, color: 'warning.main' }}>
      In no drop: {missing.map(({ name }) => name).join(', ')}. Open a drop and tick them there.
    </Typography>
  );
} // prettier-ignore

/** A new entry on a day, as it usually is. */
function fresh(kind: CalendarEntry['kind'], day: Day, calendar: Calendar): CalendarEntry {
  const common = { id: newId(), day };
  if (kind === 'drop') return { ...common, kind, title: `Drop ${dropsOf(calendar).length + 1}`, blocks: [], isFixed: false };
  if (kind === 'holiday') return { ...common, kind, title: 'Holiday', until: day };
  return { ...common, kind, title: 'Meeting', at: '18:30', minutes: 120, place: '', everyWeeks: 1, times: 1 };
} // prettier-ignore
