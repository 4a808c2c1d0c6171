'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { dayWords, daysBetween, type AgendaItem, type Day, type EarlyShare } from '@/core/calendar';
import { counted, inDays } from '@/core/words';
import type { DropPace } from '@/server/calendar';
import { KindMark, KINDS } from './KindMark';

interface AgendaListProps {
  readonly agenda: readonly AgendaItem[];
  readonly drops: readonly DropPace[];
  /** Before anybody has begun: what can be said of each drop. */
  readonly early: readonly EarlyShare[];
  readonly today: Day;
  readonly onOpen: (entry: string) => void;
}

/** All dates one below the other, with where each comes from; for drops also who will have sewn them. */
export function AgendaList({ agenda, drops, early, today, onOpen }: AgendaListProps) {
  const [isAll, setIsAll] = useState(false);
  const shown = isAll ? agenda : agenda.filter(({ day }) => day >= today);
  return (
    <>
    {shown.length < agenda.length && (
      <Button size="small" onClick={() => setIsAll(true)}>{`Show ${counted(agenda.length - shown.length, 'earlier date')}`}</Button>
    )}
    <Box component="ol" aria-label="Dates" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {shown.map((item) => {
        const pace = item.kind === 'drop' ? drops.find(({ drop }) => drop === item.entry) : undefined;
        const share = item.kind === 'drop' ? early.find(({ drop }) => drop === item.entry) : undefined;
        return (
          <Stack
            component="li"
            direction="row"
            spacing={1.5}
            key={item.id}
            sx={{ py: 0.75, borderBottom: 1, borderColor: 'divider', opacity: item.day < today ? 0.75 : 1 }}
          >
            <Box sx={{ pt: 0.5 }}>
              <KindMark kind={item.kind} />
            </Box>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <strong>
                {dayWords(item.day)}: {item.title}
              </strong>{' '}
              <Typography component="span" color="textSecondary">
                {KINDS[item.kind].name}, {inDays(daysBetween(today, item.day))}
              </Typography>
              <Typography>{item.reason}</Typography>
              {pace && pace.makers > 0 && !share && <Typography>{readiness(pace)}</Typography>}
              {share && <Typography>{earlyWords(share)}</Typography>}
            </Box>
            <Button size="small" sx={{ alignSelf: 'flex-start' }} onClick={() => onOpen(item.entry)} aria-label={`Change ${item.title}, ${item.day}`}>
              Change
            </Button>
          </Stack>
        );
      })}
    </Box>
    </>
  );
} // prettier-ignore

/** What can be said before the start. */
export function earlyWords({ share, minutes, weeks }: EarlyShare): string {
  return `Before the start: about ${Math.round(100 * share)} % of a group will have sewn it by the next drop (${Math.round(minutes / 6) / 10} h up to here in ${Math.round(10 * weeks) / 10} weeks).`;
}

/** Who will have sewn a drop, and all before it, when the next one comes. */
export function readiness({ makers, done, likely, sure }: DropPace): string {
  return `Sewn by ${done} of ${counted(makers, 'maker')}; by the next drop with even chances by ${likely}, at 8 in 10 by ${sure}.`;
}
