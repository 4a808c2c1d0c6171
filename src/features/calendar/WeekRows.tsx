'use client';
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { useState, type KeyboardEvent } from 'react';
import {
  dayWords,
  daysBetween,
  mondayOf,
  plusDays,
  type AgendaItem,
  type Day,
  type WeekLoad,
} from '@/core/calendar';
import { counted } from '@/core/words';
import { KindMark, KINDS } from './KindMark';
import { LoadBar } from './LoadBar';

interface WeekRowsProps {
  readonly agenda: readonly AgendaItem[];
  readonly load: readonly WeekLoad[];
  readonly holidays: (day: Day) => boolean;
  readonly today: Day;
  readonly onOpen: (entry: string) => void;
  readonly onAdd: (day: Day) => void;
  readonly onMove: (entry: string, day: Day) => void;
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
/** Weeks before today's that are shown at first. */
const PAST_WEEKS = 1;
/** More weeks than this are not drawn. */
const MOST_WEEKS = 110;
/** What an arrow key with Alt moves an entry by, days. */
const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/** Week after week with its days, what is on them, and what there is to sew. Entries are dragged, or moved by Alt and the arrows. */
export function WeekRows({ agenda, load, holidays, today, onOpen, onAdd, onMove }: WeekRowsProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const days = [today, ...agenda.map(({ day }) => day), ...load.map(({ monday }) => monday)].sort();
  const [isAll, setIsAll] = useState(false);
  const earliest = mondayOf(days[0] ?? today);
  const recent = plusDays(mondayOf(today), -7 * PAST_WEEKS);
  const first = isAll || earliest > recent ? earliest : recent;
  const weeks = Math.min(MOST_WEEKS, Math.floor(daysBetween(first, days.at(-1) ?? today) / 7) + 1);
  const most = Math.max(1, ...load.flatMap(({ minutes, room }) => [minutes, room]));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => over && onMove(String(active.id), String(over.id))}
    >
      {first > earliest && (
        <Button size="small" sx={{ mb: 1, display: 'block' }} onClick={() => setIsAll(true)}>
          {`Show ${counted(daysBetween(earliest, first) / 7, 'earlier week')}`}
        </Button>
      )}
      <Box role="table" aria-label="Weeks" sx={{ overflowX: 'auto', overflowY: 'hidden', border: 1, borderColor: 'divider' }}>
        <Box role="row" sx={{ ...ROW, bgcolor: 'background.default' }}>
          {['Week of', ...WEEKDAYS, 'To sew'].map((name) => (
            <Typography key={name} role="columnheader" variant="overline" sx={{ px: 0.75 }}>
              {name}
            </Typography>
          ))}
        </Box>
        {Array.from({ length: weeks }, (_, week) => plusDays(first, 7 * week)).map((monday) => (
          <Box role="row" key={monday} sx={ROW}>
            <Typography role="rowheader" variant="overline" color="textSecondary" sx={{ p: 0.75, lineHeight: 1.2 }}>
              {dayWords(monday).slice(4, 10)}
            </Typography>
            {WEEKDAYS.map((_, index) => {
              const day = plusDays(monday, index);
              return (
                <DayCell key={day} day={day} isToday={day === today} isHoliday={holidays(day)} onAdd={onAdd}>
                  {agenda.filter((item) => item.day === day).map((item) => (
                    <Chip key={item.id} item={item} onOpen={onOpen} onMove={onMove} />
                  ))}
                </DayCell>
              );
            })}
            <LoadBar week={load.find((one) => one.monday === monday)} most={most} />
          </Box>
        ))}
      </Box>
    </DndContext>
  );
} // prettier-ignore

const ROW = {
  display: 'grid',
  gridTemplateColumns: '64px repeat(7, minmax(84px, 1fr)) 120px',
  borderBottom: 1,
  borderColor: 'divider',
  minWidth: 790,
} as const;

/** Read aloud, not seen. */
const FOR_READERS = { position: 'absolute', width: 1, height: 1, overflow: 'hidden', clipPath: 'inset(50%)', whiteSpace: 'nowrap' } as const; // prettier-ignore

interface DayCellProps {
  readonly day: Day;
  readonly isToday: boolean;
  readonly isHoliday: boolean;
  readonly onAdd: (day: Day) => void;
  readonly children: React.ReactNode;
}

function DayCell({ day, isToday, isHoliday, onAdd, children }: DayCellProps) {
  const { setNodeRef, isOver } = useDroppable({ id: day });
  return (
    <Box
      ref={setNodeRef}
      role="cell"
      onDoubleClick={() => onAdd(day)}
      sx={{
        position: 'relative',
        borderLeft: 1,
        borderColor: 'divider',
        p: 0.25,
        minHeight: 44,
        minWidth: 0,
        bgcolor: isOver ? 'action.hover' : isHoliday ? 'divider' : undefined,
        boxShadow: isToday ? 'inset 0 0 0 2px var(--mui-palette-primary-main)' : undefined,
      }}
    >
      <Typography variant="caption" component="p" color={isHoliday ? 'textPrimary' : 'textSecondary'} sx={{ textAlign: 'right', pr: 0.5, lineHeight: 1.2 }}>
        <Box component="span" sx={FOR_READERS}>
          {dayWords(day)}
        </Box>
        <span aria-hidden>{Number(day.slice(8))}</span>
        {isToday && ' today'}
      </Typography>
      {children}
    </Box>
  );
} // prettier-ignore

interface ChipProps {
  readonly item: AgendaItem;
  readonly onOpen: (entry: string) => void;
  readonly onMove: (entry: string, day: Day) => void;
}

/** One thing on a day. What follows from an entry opens it, and moves with it alone. */
function Chip({ item, onOpen, onMove }: ChipProps) {
  const { id, kind, title, reason, entry, day } = item;
  const isOwn = kind === 'drop' || kind === 'holiday' || id === entry || id === `${entry}-0`;
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: isOwn ? entry : id, disabled: !isOwn });
  const onKeyDown = (event: KeyboardEvent) => {
    const step = event.altKey && isOwn ? STEPS[event.key] : undefined;
    if (step === undefined) return;
    event.preventDefault();
    onMove(entry, plusDays(day, step));
  };
  return (
    <ButtonBase
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      role="button"
      aria-disabled={undefined}
      aria-roledescription={undefined}
      aria-describedby={undefined}
      onClick={() => onOpen(entry)}
      onKeyDown={onKeyDown}
      title={reason}
      aria-label={`${KINDS[kind].name}: ${title}, ${dayWords(day)}. ${reason}`}
      sx={{
        display: 'flex',
        gap: 0.5,
        width: '100%',
        justifyContent: 'flex-start',
        alignItems: 'flex-start',
        px: 0.5,
        py: 0.25,
        minHeight: 24,
        textAlign: 'left',
        fontFamily: 'inherit',
        fontSize: '0.85rem',
        lineHeight: 1.2,
        borderLeft: '3px solid',
        borderLeftColor: KINDS[kind].color,
        bgcolor: 'background.paper',
        mb: 0.25,
        cursor: isOwn ? 'grab' : 'pointer',
        touchAction: 'manipulation',
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        zIndex: transform ? 2 : undefined,
      }}
    >
      <KindMark kind={kind} />
      <span style={{ overflowWrap: 'anywhere' }}>{title}</span>
    </ButtonBase>
  );
} // prettier-ignore
