import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { InvalidInputError } from '@/core/errors';
import { readShelfCsv, shelfCsv, type ReadShelf } from '@/core/formats';
import { boltUnit, formatBolt, formatLength, type UnitSystem } from '@/core/length';
import { counted } from '@/core/words';
import type { ShelvedCloth } from '@/server/cloth';
import { RefusedError, send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { useMoney } from '@/ui/money';
import { useSend } from '@/ui/useSend';

interface ShelfFileProps {
  readonly projectId: string;
  readonly shelf: readonly ShelvedCloth[];
  readonly system: UnitSystem;
  /** Cloths as they were, and as they are now. */
  readonly onSaved: (before: readonly ShelvedCloth[], after: readonly ShelvedCloth[]) => void;
}

/** The shelf as a file for a spreadsheet, and back: what a file would change is shown before it does. */
export function ShelfFile({ projectId, shelf, system, onSaved }: ShelfFileProps) {
  const [read, setRead] = useState<ReadShelf<ShelvedCloth> | undefined>();
  const [fault, setFault] = useState<RefusedError | undefined>();
  const { error, isBusy, run } = useSend();
  const take = async (file: File) => {
    setFault(undefined);
    try {
      setRead(readShelfCsv(await file.text(), shelf, system));
    } catch (problem) {
      if (!(problem instanceof InvalidInputError)) throw problem;
      setFault(new RefusedError(422, problem.code, problem.message, problem.mend));
    }
  };
  const save = ({ changed }: ReadShelf<ShelvedCloth>) =>
    run(async () => {
      const cloths = changed.map(({ after }) => after);
      const kept = await send<ShelvedCloth[]>('POST', `/api/projects/${projectId}/cloths`, { cloths });
      onSaved(changed.map(({ before }) => before), kept);
      setRead(undefined);
    });
  return (
    <>
      <Button
        component="a"
        download="cloths.csv"
        href={`data:text/csv;charset=utf-8,${encodeURIComponent(shelfCsv(shelf, system))}`}
      >
        Shelf as CSV
      </Button>
      <FileButton accept=".csv,.txt,text/csv" onFile={(file) => void take(file)}>
        Read a CSV
      </FileButton>
      {fault && <ErrorNote error={fault} />}
      {read && (
        <Dialog open onClose={() => setRead(undefined)} fullWidth maxWidth="sm" aria-labelledby="shelf-file">
          <DialogTitle id="shelf-file">What this file changes</DialogTitle>
          <DialogContent>
            <ErrorNote error={error} />
            <ReadShelfList read={read} system={system} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setRead(undefined)}>Leave it</Button>
            <Button variant="contained" disabled={isBusy || read.changed.length === 0} onClick={() => void save(read)}>
              {`Change ${counted(read.changed.length, 'cloth')}`}
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
} // prettier-ignore

function ReadShelfList({ read: { changed, unknown, faults }, system }: { readonly read: ReadShelf<ShelvedCloth>; readonly system: UnitSystem }) {
  const money = useMoney();
  return (
    <Stack spacing={1.5}>
      {changed.length === 0 && <Typography>Nothing: every cloth is as the file says, or its row cannot be read.</Typography>}
      <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
        {changed.map(({ before, after }) => (
          <li key={before.name}>
            <strong>{before.name}</strong>: {differences(before, after, system, money).join('; ')}
          </li>
        ))}
      </Box>
      {faults.length > 0 && (
        <Box role="alert">
          <Typography variant="h4" component="h3">Cannot be read; these rows change nothing</Typography>
          <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
            {faults.map(({ row, column, what }, index) => (
              <li key={index}>{`Row ${row}, ${column}: ${what}`}</li>
            ))}
          </Box>
        </Box>
      )}
      {unknown.length > 0 && <Typography>{`No block has a cloth of these names: ${unknown.join(', ')}.`}</Typography>}
    </Stack>
  );
} // prettier-ignore

const LIES = { any: 'any way round', half: 'half turns', none: 'one way only' } as const;

/** What is otherwise, in words. */
function differences(before: ShelvedCloth, after: ShelvedCloth, system: UnitSystem, money: (amount: number) => string): string[] {
  const length = (mm: number) => (mm === 0 ? 'none' : formatLength(mm, system));
  const said: readonly (readonly [string, (cloth: ShelvedCloth) => string])[] = [
    ['width', ({ widthMm }) => length(widthMm)],
    ['selvedge', ({ selvedgeMm }) => length(selvedgeMm)],
    ['pieces lie', ({ turns }) => LIES[turns]],
    ['repeat', ({ repeatWidthMm, repeatHeightMm, isHalfDrop }) => (repeatWidthMm === 0 ? 'none' : `${length(repeatWidthMm)} × ${length(repeatHeightMm)}${isHalfDrop ? ', half drop' : ''}`)],
    ['in stock', ({ stockMm }) => formatBolt(stockMm, system)],
    [`price of a ${system === 'inch' ? 'yard' : 'metre'}`, ({ pricePerMetre }) => money((pricePerMetre * boltUnit(system)) / 1000)],
  ];
  return said.flatMap(([name, say]) => (say(before) === say(after) ? [] : [`${name} ${say(before)} → ${say(after)}`]));
} // prettier-ignore
