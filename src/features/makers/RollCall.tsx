'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState } from 'react';
import { counted } from '@/core/words';
import type { Maker, MakerGroup } from '@/server/makers';
import type { RollLine } from '@/server/progress';
import { Choice } from '@/ui/Choice';
import { LinkButton } from '@/ui/LinkButton';
import { isInField } from '@/ui/isInField';
import { unitAt, useRollCall, type Roll } from './useRollCall';
import { ALL, NONE } from './wallView';

interface RollCallProps {
  readonly projectId: string;
  readonly makers: readonly Maker[];
  readonly groups: readonly MakerGroup[];
  readonly initial: Roll;
}

/** Two figures that follow each other within this time are one number, ms. */
const FIGURES_MS = 1200;

/**
 * A whole group entered in a minute: arrows go through makers, figures say how many of the unit are done, s stuck, a away; a letter
 * more and the line is found by name. By touch the same with buttons.
 */
export function RollCall({ projectId, makers, groups, initial }: RollCallProps) {
  const roll = useRollCall(projectId, initial);
  const { lines, undo, undoes, waiting, isOffline } = roll;
  const [group, setGroup] = useState(ALL);
  const [at, setAt] = useState(0);
  const finder = useRef<HTMLInputElement>(null);
  const shown = useMemo(() => makers.filter((maker) => !maker.isPaused && isOfGroup(maker, group)), [makers, group]);
  const current = Math.min(at, shown.length - 1);
  const lineOf = (id: string | undefined) => lines.find(({ makerId }) => makerId === id);
  const says = saysOf(roll);
  useRollKeys({ shown, current, setAt, says, undo, unitKey: unitKeyOf(lineOf(shown[current]?.id)), onFind: () => finder.current?.focus() });
  const away = shown.filter(({ id }) => lineOf(id)?.isAbsent).length;
  return (
    <Box sx={{ maxWidth: 980 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1 }}>
        <Typography variant="h2">Roll call</Typography>
        <Stack direction="row" sx={{ gap: 1 }}>
          <Button onClick={undo} disabled={!undo}>{undoes ? `Take back: ${undoes}` : 'Take back'}</Button>
          <LinkButton href={`/p/${projectId}/makers`}>All makers</LinkButton>
        </Stack>
      </Stack>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        ↑ ↓ go through makers, figures say how many are done, S stuck, A away, U takes back, / finds a name. {counted(shown.length, 'maker')}, {away} away.
      </Typography>
      <Stack direction="row" sx={{ gap: 1.5, mb: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        {groups.length > 0 && (
          <Box sx={{ minWidth: 200 }}>
            <Choice label="Group" value={group} choices={[[ALL, 'all groups'], ...groups.map(({ id, name }) => [id, name] as const), [NONE, 'in no group']]} onChange={setGroup} />
          </Box>
        )}
        <FindName finder={finder} makers={shown} onFound={setAt} />
      </Stack>
      <Box role="status" sx={{ minHeight: 24 }}>
        {waiting > 0 && isOffline && `${counted(waiting, 'entry', 'entries')} ${waiting === 1 ? 'waits' : 'wait'} on this device for a connection. Go on.`}
      </Box>
      <Box role="list" aria-label="Makers">
        {shown.map((maker, index) => (
          <RollRow key={maker.id} maker={maker} line={lineOf(maker.id)} isCurrent={index === current} onCurrent={() => setAt(index)} says={says} />
        ))}
      </Box>
    </Box>
  );
} // prettier-ignore

const isOfGroup = ({ groupId }: Maker, group: string) => group === ALL || (group === NONE ? groupId === null : groupId === group); // prettier-ignore

/** What is said of a maker by a key or a press. */
function saysOf({ day, lines, say }: ReturnType<typeof useRollCall>): Says {
  const lineOf = ({ id }: Maker) => lines.find(({ makerId }) => makerId === id);
  return {
    count: (maker, count) => {
      const line = lineOf(maker);
      const unit = line && (unitAt(line) ?? line.now?.units.at(-1));
      if (!line?.now || !unit) return;
      const within = Math.max(0, Math.min(unit.count, count));
      say({ makerId: maker.id, kind: 'count', blockId: line.now.blockId, key: unit.key, count: within }, `${maker.name}: ${unit.name}`);
    },
    stuck: (maker) => {
      const now = lineOf(maker)?.now;
      if (now) say({ makerId: maker.id, kind: now.isStuck ? 'unstuck' : 'stuck', blockId: now.blockId }, `${maker.name}: stuck`);
    },
    away: (maker) => say({ makerId: maker.id, kind: lineOf(maker)?.isAbsent ? 'present' : 'absent', day }, `${maker.name}: away`),
  };
} // prettier-ignore

interface FindNameProps {
  readonly finder: React.RefObject<HTMLInputElement | null>;
  readonly makers: readonly Maker[];
  readonly onFound: (index: number) => void;
}

/** A maker’s line by how their name begins; Enter goes back to the roll. */
function FindName({ finder, makers, onFound }: FindNameProps) {
  const [text, setText] = useState('');
  const indexOf = (words: string) => (words === '' ? -1 : makers.findIndex(({ name }) => name.toLowerCase().startsWith(words.toLowerCase())));
  const find = (words: string) => {
    setText(words);
    const index = indexOf(words);
    if (index >= 0) onFound(index);
  };
  return (
    <>
      <Box component="label" sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        Find a name
        <Box
          component="input"
          ref={finder}
          value={text}
          onChange={(event: React.ChangeEvent<HTMLInputElement>) => find(event.target.value)}
          onKeyDown={(event: React.KeyboardEvent) => {
            if (event.key !== 'Enter' && event.key !== 'Escape') return;
            event.preventDefault();
            setText('');
            finder.current?.blur();
          }}
          sx={{ font: 'inherit', minHeight: 44, px: 1, color: 'text.primary', bgcolor: 'background.paper', border: 1, borderColor: 'text.secondary' }}
        />
      </Box>
      <span role="status">{text !== '' && indexOf(text) < 0 && `No name begins with “${text}”.`}</span>
    </>
  );
} // prettier-ignore

interface Says {
  readonly count: (maker: Maker, count: number) => void;
  readonly stuck: (maker: Maker) => void;
  readonly away: (maker: Maker) => void;
}

interface RollRowProps {
  readonly maker: Maker;
  readonly line: RollLine | undefined;
  readonly isCurrent: boolean;
  readonly onCurrent: () => void;
  readonly says: Says;
}

const big = { minWidth: 44, minHeight: 44 } as const;

function RollRow({ maker, line, isCurrent, onCurrent, says }: RollRowProps) {
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (isCurrent) row.current?.scrollIntoView?.({ block: 'nearest' });
  }, [isCurrent]);
  const unit = line && (unitAt(line) ?? line.now?.units.at(-1));
  return (
    <Box
      ref={row}
      role="listitem"
      aria-current={isCurrent}
      aria-label={maker.name}
      onClick={onCurrent}
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1.2fr 2fr auto' }, gap: 1, alignItems: 'center', px: 1, py: 0.5, borderBottom: 1, borderColor: 'divider', outline: isCurrent ? '2px solid var(--mui-palette-primary-main)' : 'none', opacity: line?.isAbsent ? 0.65 : 1 }}
    >
      <Typography>
        <strong>{maker.name}</strong>
        {line?.isAbsent && ' · away today'}
        {line?.now?.isStuck && <Box component="span" sx={{ color: 'error.main' }}> · stuck</Box>}
      </Typography>
      <Typography>
        {line?.now && unit ? `${line.now.block}: ${unit.name}, ${unit.done} of ${unit.count}` : line?.now === null ? 'all done' : ''}
      </Typography>
      <Stack direction="row" sx={{ gap: 0.5 }}>
        <Button sx={big} aria-label={`One less, ${maker.name}`} disabled={!unit || unit.done === 0} onClick={() => unit && says.count(maker, unit.done - 1)}>−</Button>
        <Button sx={big} aria-label={`One more, ${maker.name}`} disabled={!unit || unit.done >= unit.count} onClick={() => unit && says.count(maker, unit.done + 1)}>+</Button>
        <Button sx={big} aria-label={`All, ${maker.name}`} disabled={!unit || unit.done >= unit.count} onClick={() => unit && says.count(maker, unit.count)}>all</Button>
        <Button sx={big} aria-label={`Stuck, ${maker.name}`} aria-pressed={line?.now?.isStuck ?? false} disabled={!line?.now} onClick={() => says.stuck(maker)}>stuck</Button>
        <Button sx={big} aria-label={`Away, ${maker.name}`} aria-pressed={line?.isAbsent ?? false} onClick={() => says.away(maker)}>away</Button>
      </Stack>
    </Box>
  );
} // prettier-ignore

interface RollKeys {
  readonly shown: readonly Maker[];
  readonly current: number;
  readonly setAt: (index: number) => void;
  readonly says: Says;
  readonly undo: (() => void) | undefined;
  /** The unit that a figure counts. */
  readonly unitKey: string | undefined;
  readonly onFind: () => void;
}

const unitKeyOf = (line: RollLine | undefined) => line && unitAt(line)?.key;

/** The keys of the roll; figures that follow each other at once are one number. */
function useRollKeys(state: RollKeys): void {
  const latest = useRef(state);
  useEffect(() => {
    latest.current = state;
  });
  useEffect(() => {
    let typed = { text: '', of: '', time: -FIGURES_MS };
    const onKey = (event: KeyboardEvent) => {
      if (isInField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      const { shown, current, setAt, says, undo, unitKey, onFind } = latest.current;
      const maker = shown[current];
      const key = event.key.toLowerCase();
      const ways: Readonly<Record<string, (() => void) | undefined>> = {
        arrowdown: () => setAt(Math.min(shown.length - 1, current + 1)),
        arrowup: () => setAt(Math.max(0, current - 1)),
        s: maker && (() => says.stuck(maker)),
        a: maker && (() => says.away(maker)),
        u: undo,
        '/': onFind,
      };
      const isFigure = /^\d$/.test(key) && maker !== undefined;
      if (isFigure) {
        const of = `${maker.id}/${unitKey}`;
        const isMore = typed.of === of && event.timeStamp - typed.time < FIGURES_MS;
        typed = { text: isMore ? typed.text + key : key, of, time: event.timeStamp };
        says.count(maker, Number(typed.text.slice(-5)));
      } else ways[key]?.();
      if (isFigure || ways[key]) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
} // prettier-ignore
