import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { formatLength, type UnitSystem } from '@/core/length';
import { ErrorNote } from '@/ui/ErrorNote';
import { attempt, readFigure } from '@/ui/figures';
import type { UsedArea } from './useLayout';

interface UsedAreasProps {
  readonly areas: readonly UsedArea[];
  /** Of the cloth, mm: an area begins on it. */
  readonly widthMm: number;
  readonly system: UnitSystem;
  readonly onChange: (areas: readonly UsedArea[]) => void;
}

const FIELDS = [
  ['x', 'From the left rim'],
  ['y', 'From the cut edge'],
  ['widthMm', 'Wide'],
  ['lengthMm', 'Long'],
] as const;
const NOTHING = { x: '', y: '', widthMm: '', lengthMm: '' };
/** No cloth on a table is longer, mm; and so many areas are listed. */
const [MOST_MM, MOST_AREAS] = [50_000, 30];

/** Flaws of the cloth, and what was cut out of it before: a layout goes round them. */
export function UsedAreas({ areas, widthMm, system, onChange }: UsedAreasProps) {
  const [typed, setTyped] = useState<Readonly<Record<(typeof FIELDS)[number][0], string>>>(NOTHING);
  const isTyped = FIELDS.every(([key]) => typed[key].trim() !== '');
  const read = attempt((): UsedArea | undefined => {
    if (!isTyped) return undefined;
    const place = (text: string) => readFigure(text, 'length or none', system) as number;
    const side = (text: string) => readFigure(text, 'length', system) as number;
    return { x: place(typed.x), y: place(typed.y), widthMm: side(typed.widthMm), lengthMm: side(typed.lengthMm) };
  });
  const area = read.value;
  const isOn = area !== undefined && area.x < widthMm && area.y + area.lengthMm <= MOST_MM;
  const size = (mm: number) => (mm === 0 ? '0' : formatLength(mm, system));
  const say = ({ x, y, widthMm: wide, lengthMm }: UsedArea) => `${size(wide)} × ${size(lengthMm)}, ${size(x)} from the left rim, ${size(y)} from the cut edge`;
  return (
    <Box component="details" sx={{ mt: 1.5 }}>
      <Box component="summary" sx={{ cursor: 'pointer', minHeight: 44, lineHeight: '44px' }}>
        {areas.length === 0 ? 'Flaws, or cut into already?' : `${areas.length} of it not to be used`}
      </Box>
      <Typography color="textSecondary">The layout goes round what is listed here.</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {areas.map((one, index) => (
          <li key={say(one)}>
            {say(one)}{' '}
            <Button size="small" onClick={() => onChange(areas.filter((_, other) => other !== index))} aria-label={`It can be used: ${say(one)}`}>
              Take out
            </Button>
          </li>
        ))}
      </Box>
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', mt: 1.5, alignItems: 'center' }}>
        {FIELDS.map(([key, label]) => (
          <TextField key={key} label={label} value={typed[key]} error={read.fault !== undefined} onChange={({ target }) => setTyped({ ...typed, [key]: target.value })} sx={{ width: 150 }} />
        ))}
        <Button
          disabled={!isOn || areas.length >= MOST_AREAS}
          onClick={() => {
            if (area) onChange([...areas, area]);
            setTyped(NOTHING);
          }}
        >
          Not to be used
        </Button>
      </Stack>
      <ErrorNote error={read.fault} />
    </Box>
  );
} // prettier-ignore
