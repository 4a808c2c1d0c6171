'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { InvalidInputError } from '@/core/errors';
import {
  ROSTER_COLUMNS,
  matchColumns,
  readRoster,
  readTable,
  type ReadRoster,
  type RosterColumn,
  type RosterMatch,
  type RosterRow,
  type Table,
} from '@/core/formats';
import { counted } from '@/core/words';
import type { Maker, MakerGroup } from '@/server/makers';
import { RefusedError, asRefusal, send } from '@/ui/api';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import type { MakerLink } from './LinkDialog';

interface RosterFileProps {
  readonly projectId: string;
  readonly makers: readonly Maker[];
  readonly groups: readonly MakerGroup[];
  readonly onLinks: (links: readonly MakerLink[]) => void;
}

interface Taken {
  readonly added: readonly (MakerLink & { readonly id: string })[];
  readonly before: readonly RosterRow[];
}

const NO_COLUMN = '';

/** Makers from a spreadsheet’s file: which column is what, and what will happen to whom, before anything does. */
export function RosterFile({ projectId, makers, groups, onLinks }: RosterFileProps) {
  const router = useRouter();
  const notice = useNotice();
  const [table, setTable] = useState<Table | undefined>();
  const [match, setMatch] = useState<RosterMatch>({});
  const [fault, setFault] = useState<RefusedError | undefined>();
  const { error, isBusy, run } = useSend();
  const take = async (file: File) => {
    try {
      const found = readTable(await file.text());
      setFault(undefined);
      setMatch(matchColumns(found.columns));
      setTable(found);
    } catch (problem) {
      setFault(asFault(problem));
    }
  };
  const address = `/api/projects/${projectId}`;
  const takeBack = async ({ added, before }: Taken) => {
    try {
      if (before.length > 0) await send('POST', `${address}/roster`, { rows: before });
      for (const { id } of added) await send('PATCH', `${address}/makers/${id}`, { isRemoved: true });
    } catch (problem) {
      notice({ text: asRefusal(problem).message });
    }
    router.refresh();
  };
  const save = (rows: readonly RosterRow[]) =>
    run(async () => {
      const taken = await send<Taken>('POST', `${address}/roster`, { rows });
      setTable(undefined);
      if (taken.added.length > 0) onLinks(taken.added);
      notice({ text: `${counted(taken.added.length, 'maker')} added, ${taken.before.length} changed.`, undo: () => takeBack(taken) });
      router.refresh();
    });
  const read = table && match.name !== undefined ? readRoster(table, match) : undefined;
  return (
    <>
      <FileButton accept=".csv,.txt,text/csv" onFile={(file) => void take(file)}>
        Read a list (CSV)
      </FileButton>
      {fault && <ErrorNote error={fault} />}
      {table && (
        <Dialog open onClose={() => setTable(undefined)} fullWidth maxWidth="sm" aria-labelledby="roster-title">
          <DialogTitle id="roster-title">What this list does</DialogTitle>
          <DialogContent>
            <Stack spacing={2} sx={{ pt: 1 }}>
              <ErrorNote error={error} />
              <Columns table={table} match={match} onMatch={setMatch} />
              {read ? <Preview read={read} makers={makers} groups={groups} /> : <Typography role="alert">Say which column holds the names.</Typography>}
            </Stack>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setTable(undefined)}>Leave it</Button>
            <Button variant="contained" disabled={isBusy || !read || read.rows.length === 0} onClick={() => read && void save(read.rows)}>
              {`Take in ${counted(read?.rows.length ?? 0, 'maker')}`}
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
} // prettier-ignore

function asFault(problem: unknown): RefusedError {
  if (problem instanceof InvalidInputError) return new RefusedError(422, problem.code, problem.message, problem.mend); // prettier-ignore
  return asRefusal(problem);
}

interface ColumnsProps {
  readonly table: Table;
  readonly match: RosterMatch;
  readonly onMatch: (match: RosterMatch) => void;
}

/** Which heading of the file stands for what. */
function Columns({ table, match, onMatch }: ColumnsProps) {
  const choices = [[NO_COLUMN, 'not in this file'], ...table.columns.map((one) => [one, one] as const)] as const;
  const set = (column: RosterColumn, heading: string) => {
    const { [column]: _was, ...others } = match;
    onMatch(heading === NO_COLUMN ? others : { ...others, [column]: heading });
  };
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1.5 }}>
      {(Object.keys(ROSTER_COLUMNS) as RosterColumn[]).map((column) => (
        <Choice key={column} label={ROSTER_COLUMNS[column].says} value={match[column] ?? NO_COLUMN} choices={choices} onChange={(heading) => set(column, heading)} />
      ))}
    </Box>
  );
} // prettier-ignore

/** Names of so many are said; the others are counted. */
const MOST_NAMED = 12;

function Preview({ read: { rows, faults }, makers, groups }: { readonly read: ReadRoster } & Pick<RosterFileProps, 'makers' | 'groups'>) {
  const known = new Set(makers.map(({ name }) => name.toLowerCase()));
  const there = new Set(groups.map(({ name }) => name.toLowerCase()));
  const fresh = rows.filter(({ name }) => !known.has(name.toLowerCase()));
  const changed = rows.filter(({ name }) => known.has(name.toLowerCase()));
  const newGroups = [...new Set(rows.flatMap(({ group }) => (group && !there.has(group.toLowerCase()) ? [group] : [])))];
  return (
    <Box aria-live="polite">
      {fresh.length > 0 && <Typography>{`Added, each with a link of their own: ${named(fresh)}.`}</Typography>}
      {changed.length > 0 && <Typography>{`Here already, and changed as the list says: ${named(changed)}.`}</Typography>}
      {newGroups.length > 0 && <Typography>{`New groups: ${newGroups.join(', ')}.`}</Typography>}
      {rows.length === 0 && <Typography>No row can be taken in.</Typography>}
      {faults.length > 0 && (
        <Box role="alert" sx={{ mt: 1 }}>
          <Typography variant="h4" component="h3">Left out</Typography>
          <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
            {faults.map(({ row, column, what }, index) => (
              <li key={index}>{`Row ${row}, ${column}: ${what}`}</li>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
} // prettier-ignore

function named(rows: readonly RosterRow[]): string {
  const names = rows.slice(0, MOST_NAMED).map(({ name, group }) => (group ? `${name} (${group})` : name));
  return rows.length > MOST_NAMED
    ? `${names.join(', ')} and ${rows.length - MOST_NAMED} more`
    : names.join(', ');
}
