'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { usableWidth, worthOf } from '@/core/cloth';
import type { StandardCut, Yield } from '@/core/cutting';
import { formatLength, type UnitSystem } from '@/core/length';
import type { ShelvedCloth } from '@/server/cloth';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { attempt, readFigure } from '@/ui/figures';
import type { FussyPaper } from './fussyRequest';
import { useClothWorker } from './useClothWorker';
import { isSameGround, type Ground } from './useLayout';

interface YieldPanelProps {
  readonly papers: readonly FussyPaper[];
  readonly shelf: readonly ShelvedCloth[];
  readonly system: UnitSystem;
  readonly ownCuts: readonly StandardCut[];
}

/** How many of a paper each cut that shops sell gives, in strips and laid close; and what a remnant gives. */
export function YieldPanel({ papers, shelf, system, ownCuts }: YieldPanelProps) {
  const [chosen, setChosen] = useState('0');
  const [width, setWidth] = useState('');
  const [length, setLength] = useState('');
  const { counted: asked, count, clear } = useYields(system);
  const paper = papers[Number(chosen)];
  const cloth = shelf.find(({ name }) => name === paper?.fabric);
  if (!paper || !cloth) return null;
  const yields = asked && isSameGround(asked.of, cloth) ? asked.yields : undefined;
  const hasRemnant = width.trim() !== '' || length.trim() !== '';
  const read = attempt((): StandardCut | undefined => {
    if (!hasRemnant) return undefined;
    const [widthMm, lengthMm] = [width, length].map((text) => readFigure(text, 'length', system) as number) as [number, number];
    return { name: `this remnant, ${formatLength(widthMm, system)} × ${formatLength(lengthMm, system)}`, widthMm, lengthMm };
  });
  return (
    <Box component="section" id="yield" aria-label="Yields" sx={{ mt: 4 }}>
      <Typography variant="h3">What a piece of cloth gives</Typography>
      <Typography sx={{ mb: 1.5 }}>
        How many of a paper the cuts that shops sell give, each with its allowance; and what can be had from a remnant.
      </Typography>
      <Stack spacing={1.5} sx={{ maxWidth: 640 }}>
        <Choice
          label="Paper"
          value={chosen}
          choices={papers.map(({ block, fabric, id }, index) => [String(index), `${block}, ${fabric}: ${id}`])}
          onChange={(value) => {
            clear();
            setChosen(value);
          }}
        />
        <Stack direction="row" spacing={1.5}>
          <TextField label="Remnant: width" value={width} error={read.fault !== undefined} onChange={({ target }) => { clear(); setWidth(target.value); }} />
          <TextField label="Remnant: length" value={length} error={read.fault !== undefined} onChange={({ target }) => { clear(); setLength(target.value); }} />
        </Stack>
        <ErrorNote error={read.fault} />
        <Button variant="contained" disabled={read.fault !== undefined || yields === 'counting'} sx={{ alignSelf: 'flex-start' }} onClick={() => void count(paper, cloth, read.value, ownCuts)}>
          {yields === 'counting' ? 'Counting …' : 'Count them'}
        </Button>
      </Stack>
      {Array.isArray(yields) && <YieldTable yields={yields} cloth={cloth} />}
    </Box>
  );
} // prettier-ignore

/** Counts in a worker; whoever asks for something else ends what is counted. */
function useYields(system: UnitSystem) {
  const [counted, setCounted] = useState<{ readonly of: Ground; readonly yields: readonly Yield[] | 'counting' } | undefined>();
  const { begin, end } = useClothWorker();
  const count = async ({ id, cut }: FussyPaper, cloth: ShelvedCloth, remnant: StandardCut | undefined, ownCuts: readonly StandardCut[]) => {
    const { api, isStill } = begin();
    setCounted({ of: cloth, yields: 'counting' });
    const found = await api.yields({ id, polygon: cut }, usableWidth(cloth), cloth.turns, system, remnant, ownCuts);
    if (!isStill()) return;
    setCounted({ of: cloth, yields: found });
    end();
  };
  const clear = () => {
    end();
    setCounted(undefined);
  };
  return { counted, count, clear };
} // prettier-ignore

function YieldTable({ yields, cloth }: { yields: readonly Yield[]; cloth: ShelvedCloth }) {
  return (
    <Table size="small" aria-label="Yields" sx={{ mt: 1.5, maxWidth: 760 }}>
      <TableHead>
        <TableRow>
          <TableCell>Piece of cloth</TableCell>
          <TableCell align="right">In strips</TableCell>
          <TableCell align="right">Laid close</TableCell>
          <TableCell align="right">Cloth for one, laid close</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {yields.map(({ cut, strips, close }) => {
          const worth = close > 0 ? worthOf(cloth, cut.widthMm, cut.lengthMm) / close : 0;
          return (
            <TableRow key={cut.name}>
              <TableCell>{cut.name}</TableCell>
              <TableCell align="right">{strips}</TableCell>
              <TableCell align="right">{close}</TableCell>
              <TableCell align="right">{worth > 0 ? worth.toFixed(3) : ''}</TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </Table>
  );
}
