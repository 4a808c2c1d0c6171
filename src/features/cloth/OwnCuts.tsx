import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { StandardCut } from '@/core/cutting';
import { formatLength, type UnitSystem } from '@/core/length';
import { CUT_LIMITS_MM, MOST_OWN_CUTS } from '@/core/order';
import { ErrorNote } from '@/ui/ErrorNote';
import { attempt, readFigure } from '@/ui/figures';

interface OwnCutsProps {
  readonly cuts: readonly StandardCut[];
  readonly system: UnitSystem;
  readonly onChange: (cuts: readonly StandardCut[]) => void;
}

/** Cuts that this shop sells besides the usual ones: tried where the smallest cut is looked for, and in yields. */
export function OwnCuts({ cuts, system, onChange }: OwnCutsProps) {
  const [typed, setTyped] = useState({ width: '', length: '' });
  const isTyped = typed.width.trim() !== '' && typed.length.trim() !== '';
  const read = attempt((): StandardCut | undefined => {
    if (!isTyped) return undefined;
    const [widthMm, lengthMm] = [typed.width, typed.length].map((text) => readFigure(text, 'length', system) as number) as [number, number];
    return { name: `own cut, ${formatLength(widthMm, system)} × ${formatLength(lengthMm, system)}`, widthMm, lengthMm };
  });
  const cut = read.value;
  const isInside = (mm: number) => mm >= CUT_LIMITS_MM.least && mm <= CUT_LIMITS_MM.most;
  const mayAdd = cut !== undefined && isInside(cut.widthMm) && isInside(cut.lengthMm) && !cuts.some(({ name }) => name === cut.name) && cuts.length < MOST_OWN_CUTS;
  return (
    <Box className="no-print" component="section" aria-label="Own cuts" sx={{ mt: 2 }}>
      <Typography>Cuts that you sell besides the usual ones:</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {cuts.map(({ name }) => (
          <li key={name}>
            {name}{' '}
            <Button size="small" onClick={() => onChange(cuts.filter((one) => one.name !== name))} aria-label={`Take out ${name}`}>
              Take out
            </Button>
          </li>
        ))}
      </Box>
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', mt: 1, alignItems: 'center' }}>
        <TextField sx={{ width: 170 }} label="Own cut: width" value={typed.width} error={read.fault !== undefined} onChange={({ target }) => setTyped({ ...typed, width: target.value })} />
        <TextField sx={{ width: 170 }} label="Own cut: length" value={typed.length} error={read.fault !== undefined} onChange={({ target }) => setTyped({ ...typed, length: target.value })} />
        <Button
          disabled={!mayAdd}
          onClick={() => {
            if (cut) onChange([...cuts, cut]);
            setTyped({ width: '', length: '' });
          }}
        >
          Add this cut
        </Button>
      </Stack>
      <ErrorNote error={read.fault} />
    </Box>
  );
} // prettier-ignore
