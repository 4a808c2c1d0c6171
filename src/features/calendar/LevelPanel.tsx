'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import {
  dropsOf,
  dayWords,
  suppose,
  weeklyLoad,
  type BlockWork,
  type Calendar,
  type Day,
  type Levelled,
  type Supposition,
} from '@/core/calendar';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { formatMinutes } from '@/ui/formatMinutes';
import { useSend } from '@/ui/useSend';
import { LevelRules } from './LevelRules';
import { LoadChart } from './LoadChart';
import { WhatIf } from './WhatIf';

interface LevelPanelProps {
  readonly projectId: string;
  readonly calendar: Calendar;
  readonly blocks: readonly BlockWork[];
  readonly today: Day;
  readonly onTake: (calendar: Calendar) => void;
}

/** How much there is to sew in each week; what other figures would make of it; and the flattest way. */
export function LevelPanel({ projectId, calendar, blocks, today, onTake }: LevelPanelProps) {
  const [change, setChange] = useState<Partial<Supposition>>({});
  const [isRuling, setRuling] = useState(false);
  const [answer, setAnswer] = useState<{ readonly of: string; readonly levelled: Levelled } | undefined>();
  // Of the calendar as it was: taken later, it would take back what was changed since.
  const of = useMemo(() => JSON.stringify(calendar), [calendar]);
  const levelled = answer?.of === of ? answer.levelled : undefined;
  const { error, isBusy, run } = useSend();
  const { hoursPerWeek } = calendar;
  const supposition = useMemo(() => ({ hoursPerWeek, times: 1, weeksMore: 0, without: [], ...change }), [hoursPerWeek, change]);
  const supposed = useMemo(() => suppose(calendar, blocks, supposition, today), [calendar, blocks, supposition, today]);
  const before = weeklyLoad(supposed.calendar, supposed.blocks);
  if (before.length === 0) return null;
  const after = levelled && weeklyLoad({ ...levelled.calendar, hoursPerWeek: supposition.hoursPerWeek }, supposed.blocks);
  const most = Math.max(...[...before, ...(after ?? [])].flatMap(({ minutes, room }) => [minutes, room]));
  const level = () =>
    run(async () => setAnswer({ of, levelled: await send<Levelled>('POST', `/api/projects/${projectId}/calendar/level`, { calendar }) }));
  const isSupposed = Object.keys(change).length > 0;
  const { times: _times, ...keepable } = change;
  const take = (next: Calendar) => {
    onTake(next);
    setChange({});
    setAnswer(undefined);
  };
  return (
    <section aria-labelledby="load-title">
      <Stack direction="row" sx={{ mt: 3, mb: 1, gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="h3" id="load-title" sx={{ flexGrow: 1 }}>
          How much there is to sew
        </Typography>
        <Button onClick={() => setRuling(true)}>What levelling holds to</Button>
        <Button disabled={isBusy} onClick={() => void level()}>
          {isBusy ? 'Levelling …' : 'Level the load'}
        </Button>
      </Stack>
      <ErrorNote error={error} />
      <Typography role="status">{answer && !levelled && 'The dates shown are no longer those that were levelled: level them again.'}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' }, gap: 2 }}>
        <LoadChart title={levelled ? 'As it is' : isSupposed ? 'Supposed' : 'Each week'} weeks={before} most={most} />
        {after ? (
          <LoadChart title="Levelled" weeks={after} most={most} />
        ) : (
          <WhatIf
            supposition={supposition}
            blocks={blocks}
            supposed={supposed}
            isSupposed={isSupposed}
            onChange={(next) => setChange({ ...change, ...next })}
            onBack={() => setChange({})}
            onKeep={Object.keys(keepable).length > 0 ? () => take(supposed.calendar) : undefined}
          />
        )}
      </Box>
      {levelled && (
        <LevelChoice calendar={calendar} levelled={levelled} blocks={blocks} onTake={() => take(levelled.calendar)} onLeave={() => setAnswer(undefined)} />
      )}
      {isRuling && (
        <LevelRules
          calendar={calendar}
          blocks={blocks}
          onClose={() => setRuling(false)}
          onKeep={(rules) => {
            onTake({ ...calendar, ...rules });
            setRuling(false);
          }}
        />
      )}
    </section>
  );
} // prettier-ignore

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
