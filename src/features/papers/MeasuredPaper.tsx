'use client';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import { measurePaper, type Paper } from '@/core/catalogue';
import { papersPerSheet } from '@/core/cutting';
import type { Outline } from '@/core/geometry';
import { formatAngle, formatArea, formatLength, type UnitSystem } from '@/core/length';
import { roomOf, type PageSize } from '@/core/printing';
import { nameShape, signatureOf } from '@/core/shapes';
import { counted } from '@/core/words';
import { Facts } from '@/ui/Facts';
import { TruePaper } from './TruePaper';

interface MeasuredPaperProps {
  readonly paper: Paper;
  readonly outline: Outline;
  readonly system: UnitSystem;
  readonly pageSize: PageSize;
}

/** How papers are put on a page, and how many fit on one. */
function usePaperPages(outline: Outline, pageSize: PageSize) {
  const [count, setCount] = useState('20');
  const [size, setSize] = useState<PageSize>(pageSize);
  const [isApart, setApart] = useState(false);
  const [hasHole, setHole] = useState(true);
  const packing = useDeferredValue(outline);
  const perSheet = useMemo(() => {
    const { minX, minY, maxX, maxY } = roomOf(size);
    return papersPerSheet(packing, maxX - minX, maxY - minY, isApart ? 2 : 0);
  }, [packing, size, isApart]);
  return { count, setCount, size, setSize, isApart, setApart, hasHole, setHole, perSheet };
}

type PaperPages = ReturnType<typeof usePaperPages>;

/** What there is to know of a paper, each with its name. */
function factsOf(outline: Outline, system: UnitSystem, { size, isApart, perSheet }: PaperPages): readonly (readonly [string, string])[] {
  const measures = measurePaper(outline);
  const length = (millimetres: number) => formatLength(millimetres, system);
  return [
    ['Edges, clockwise', measures.edgesMm.map(length).join(', ')],
    ['Angles', measures.anglesDeg.map(formatAngle).join(', ')],
    ['Diagonals', measures.diagonalsMm.length > 0 ? measures.diagonalsMm.map(length).join(', ') : 'none'],
    ['Fits a strip of', `${length(measures.widthMm)}, ${length(measures.lengthMm)} long`],
    ['Area', formatArea(measures.areaMm2, system)],
    ['Edge all round', length(measures.perimeterMm)],
    ['Tails', measures.acuteCorners === 0 ? 'none: no corner is sharp' : `at ${measures.acuteCorners} sharp corners`],
    [`Papers on ${size}`, perSheet === 0 ? 'larger than a page: printed in parts' : `${perSheet}, ${isApart ? '2 mm apart' : 'sharing cuts'}`],
  ];
} // prettier-ignore

/** A paper drawn at true size with its measures, to be printed. */
export function MeasuredPaper({ paper, outline, system, pageSize }: MeasuredPaperProps) {
  const pages = usePaperPages(outline, pageSize);
  const name = nameShape(signatureOf(outline), system);
  return (
    <>
      <TruePaper outline={outline} system={system} name={name} />
      <Typography variant="h3">{name}</Typography>
      <Facts rows={factsOf(outline, system, pages)} />
      <PrintPapers paper={paper} system={system} pages={pages} />
      <Typography variant="body2" color="textSecondary">
        Print at 100 % and measure the ruler on the page before you cut. With a rotary cutter cut away from
        yourself and close the blade; rules of your venue and the maker’s instructions come first.
      </Typography>
    </>
  );
}

interface PrintPapersProps {
  readonly paper: Paper;
  readonly system: UnitSystem;
  readonly pages: PaperPages;
}

function PrintPapers({ paper, system, pages }: PrintPapersProps) {
  const { count, setCount, size, setSize, isApart, setApart, hasHole, setHole, perSheet } = pages;
  const isCount = /^\d{1,4}$/.test(count.trim()) && Number(count) >= 1 && Number(count) <= 2000;
  const query = new URLSearchParams({
    paper: JSON.stringify(paper),
    count: String(Number(count)),
    size,
    gap: isApart ? '2' : '0',
    hole: String(hasHole),
    system,
  });
  return (
    <>
      <Stack direction="row" sx={{ gap: 1.25, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          label="How many"
          value={count}
          error={!isCount}
          helperText={
            isCount && perSheet > 0
              ? `${counted(Math.ceil(Number(count) / perSheet), 'sheet')}`
              : 'from 1 to 2000'
          }
          onChange={(event) => setCount(event.target.value)}
          sx={{ width: 110 }}
        />
        <TextField
          select
          label="Page"
          value={size}
          onChange={(event) => setSize(event.target.value as PageSize)}
          sx={{ width: 110 }}
        >
          <MenuItem value="A4">A4</MenuItem>
          <MenuItem value="Letter">Letter</MenuItem>
        </TextField>
        <Button
          component="a"
          variant="contained"
          disabled={!isCount}
          href={`/api/papers?${query}`}
          target="_blank"
          rel="noopener"
        >
          Print at true size
        </Button>
      </Stack>
      <Stack direction="row" sx={{ flexWrap: 'wrap' }}>
        <FormControlLabel
          control={<Switch checked={isApart} onChange={(_, is) => setApart(is)} />}
          label="2 mm apart"
        />
        <FormControlLabel
          control={<Switch checked={hasHole} onChange={(_, is) => setHole(is)} />}
          label="Ring to punch"
        />
      </Stack>
    </>
  );
}
