import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { chanceFrom } from '@/core/chance';
import { areaOf } from '@/core/geometry';
import { weighBag, weighing, type Card, type PackingLine, type Scale } from '@/core/packing';
import { counted, timesWord } from '@/core/words';
import { useScale } from './useScale';
import { useScaleSettings } from './Gear';

interface CheckBagProps {
  readonly lines: readonly PackingLine[];
  readonly checkedBy: string | null;
  readonly onRight: () => void;
  readonly onBack: () => void;
}

/** Lines that a second person counts again, unless they count all. */
const SAMPLE = 3;

/** A packed bag looked into by a second person: a few lines by chance, or all. */
export function CheckBag({ lines, checkedBy, onRight, onBack }: CheckBagProps) {
  const [seed] = useState(() => Math.floor(Math.random() * 1e9));
  const [isAll, setIsAll] = useState(false);
  const reading = useScale();
  const settings = useScaleSettings();
  const asked = isAll ? lines : sampleOf(lines, seed);
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        {checkedBy === null ? 'This bag is packed. A second person counts again what is named here.' : `Packed, and looked into by ${checkedBy}.`}
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, fontSize: '1.1rem' }}>
        {asked.map(({ key, count, what, note }) => (
          <li key={key}>
            <strong>{count}</strong> {timesWord(what)} {what} <Typography component="span" color="textSecondary">({note})</Typography>
          </li>
        ))}
      </Box>
      {reading?.isStable && (
        <Typography role="status" sx={{ mb: 1 }}>
          {sayBag(reading.grams, lines, settings)}
        </Typography>
      )}
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
        <Button variant="contained" onClick={onRight} disabled={checkedBy !== null} sx={{ minHeight: 56 }}>
          {checkedBy === null ? 'It is right' : 'Looked into'}
        </Button>
        {!isAll && asked.length < lines.length && (
          <Button onClick={() => setIsAll(true)} sx={{ minHeight: 56 }}>{`Count all ${counted(lines.length, 'line')}`}</Button>
        )}
        <Button onClick={onBack} sx={{ minHeight: 56 }}>
          Next bag
        </Button>
      </Stack>
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        Something is wrong? Mark the bag “to pack” on the wall; then it is counted afresh here.
      </Typography>
    </>
  );
} // prettier-ignore

/** A few lines by chance, in the order of the bag. */
function sampleOf(lines: readonly PackingLine[], seed: number): readonly PackingLine[] {
  const random = chanceFrom(seed);
  const drawn = new Set([...lines].map((line) => ({ line, at: random() })).sort((a, b) => a.at - b.at).slice(0, SAMPLE).map(({ line }) => line)); // prettier-ignore
  return lines.filter((line) => drawn.has(line));
}

/** The papers of the bag weighed alone, against what they should weigh. */
function sayBag(
  grams: number,
  lines: readonly PackingLine[],
  { card, scale }: { readonly card: Card; readonly scale: Scale },
): string {
  const papers = lines.flatMap(({ outline, count }) =>
    outline ? [{ count, paperG: weighing(areaOf(outline), card, scale).paperG }] : [],
  );
  const { targetG, leastSeenG, verdict } = weighBag(grams, papers, card, scale);
  return `The papers of this bag, alone on the scale: ${grams.toFixed(1)} g of ${targetG.toFixed(1)} g, ${verdict}. Less than ${leastSeenG.toFixed(1)} g cannot be seen; card of ${card.gramsPerM2} g/m².`;
}
