'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import {
  CALENDAR_LIMITS,
  dropsOf,
  dayWords,
  weeklyLoad,
  type BlockWork,
  type Calendar,
  type Levelled,
} from '@/core/calendar';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { formatMinutes } from '@/ui/formatMinutes';
import { useSend } from '@/ui/useSend';
import { LoadChart } from './LoadChart';

interface LevelPanelProps {
  readonly projectId: string;
  readonly calendar: Calendar;
  readonly blocks: readonly BlockWork[];
  readonly onTake: (calendar: Calendar) => void;
}

/** How much there is to sew in each week; what other hours or a slower group would make of it; and the flattest way. */
export function LevelPanel({ projectId, calendar, blocks, onTake }: LevelPanelProps) {
  const [hours, setHours] = useState<number | undefined>();
  const [percent, setPercent] = useState(100);
  const [levelled, setLevelled] = useState<Levelled | undefined>();
  const { error, isBusy, run } = useSend();
  const slower = useMemo(() => blocks.map((block) => ({ ...block, minutes: (block.minutes * percent) / 100 })), [blocks, percent]);
  const supposed = { ...calendar, hoursPerWeek: hours ?? calendar.hoursPerWeek };
  const before = weeklyLoad(supposed, slower);
  if (before.length === 0) return null;
  const after = levelled && weeklyLoad({ ...levelled.calendar, hoursPerWeek: supposed.hoursPerWeek }, slower);
  const most = Math.max(...[...before, ...(after ?? [])].flatMap(({ minutes, room }) => [minutes, room]));
  const level = () =>
    run(async () => setLevelled(await send<Levelled>('POST', `/api/projects/${projectId}/calendar/level`, { calendar })));
  const isSupposed = hours !== undefined || percent !== 100;
  return (
    <section aria-labelledby="load-title">
      <Stack direction="row" sx={{ mt: 3, mb: 1, gap: 1, flexWrap: 'wrap', justifyContent: 'space-between' }}>
        <Typography variant="h3" id="load-title">
          How much there is to sew
        </Typography>
        <Button disabled={isBusy} onClick={() => void level()}>
          {isBusy ? 'Levelling …' : 'Level the load'}
        </Button>
      </Stack>
      <ErrorNote error={error} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' }, gap: 2 }}>
        <LoadChart title={levelled ? 'As it is' : isSupposed ? 'Supposed' : 'Each week'} weeks={before} most={most} />
        {after ? (
          <LoadChart title="Levelled" weeks={after} most={most} />
        ) : (
          <Stack spacing={1} sx={{ maxWidth: 420, px: 1 }}>
            <Typography>What if? Nothing is saved by these.</Typography>
            <Supposed label={`${supposed.hoursPerWeek} hours a week`} value={supposed.hoursPerWeek} min={CALENDAR_LIMITS.hoursPerWeek.least} max={20} step={0.25} onChange={setHours} />
            <Supposed label={`Everything takes ${percent} % of the standard`} value={percent} min={50} max={200} step={5} onChange={setPercent} />
            {isSupposed && (
              <Button sx={{ alignSelf: 'flex-start' }} onClick={() => { setHours(undefined); setPercent(100); }}>
                Back to what is
              </Button>
            )}
          </Stack>
        )}
      </Box>
      {levelled && (
        <LevelChoice
          calendar={calendar}
          levelled={levelled}
          blocks={blocks}
          onTake={() => {
            onTake(levelled.calendar);
            setLevelled(undefined);
          }}
          onLeave={() => setLevelled(undefined)}
        />
      )}
    </section>
  );
} // prettier-ignore

interface SupposedProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
}

function Supposed({ label, value, onChange, ...limits }: SupposedProps) {
  return (
    <Box>
      <Typography>{label}</Typography>
      <Slider aria-label={label} value={value} onChange={(_, next) => onChange(next)} {...limits} />
    </Box>
  );
}

interface LevelChoiceProps {
  readonly calendar: Calendar;
  readonly levelled: Levelled;
  readonly blocks: readonly BlockWork[];
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** What levelling would change, drop by drop, to be taken or left. */
function LevelChoice({ calendar, levelled, blocks, onTake, onLeave }: LevelChoiceProps) {
  const changes = changesOf(calendar, levelled.calendar, blocks);
  const { before, after, isProven } = levelled;
  return (
    <Box sx={{ mt: 1 }}>
      <Typography>
        {changes.length === 0
          ? `Nothing is flatter than what is: ${formatMinutes(before)} in the heaviest week${isProven ? '' : ', as far as was looked'}.`
          : `The heaviest stretch goes from ${formatMinutes(before)} to ${formatMinutes(after)} a week. ${isProven ? 'No choice of blocks and days is flatter by more than a hundredth.' : 'The search ended before it was sure that nothing is flatter.'}`}
      </Typography>
      <ul>
        {changes.map((change) => (
          <li key={change}>{change}</li>
        ))}
      </ul>
      <Stack direction="row" spacing={1}>
        {changes.length > 0 && (
          <Button variant="contained" onClick={onTake}>
            Take it
          </Button>
        )}
        <Button onClick={onLeave}>Leave it as it is</Button>
      </Stack>
    </Box>
  );
} // prettier-ignore

function changesOf(before: Calendar, after: Calendar, blocks: readonly BlockWork[]): string[] {
  const names = (ids: readonly string[]) => ids.flatMap((id) => blocks.find((block) => block.id === id)?.name ?? []).join(', ');
  return dropsOf(after).flatMap((drop) => {
    const own = before.entries.find(({ id }) => id === drop.id);
    if (own?.kind !== 'drop') return [];
    const isMoved = own.day !== drop.day;
    const isOther = [...own.blocks].sort().join() !== [...drop.blocks].sort().join();
    if (!isMoved && !isOther) return [];
    const day = isMoved ? `${dayWords(own.day)} → ${dayWords(drop.day)}` : dayWords(drop.day);
    return [`${drop.title}, ${day}: ${names(drop.blocks)}`];
  });
} // prettier-ignore
