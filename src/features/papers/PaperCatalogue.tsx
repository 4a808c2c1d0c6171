'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import { counted } from '@/core/words';
import {
  PAPER_FAMILIES,
  defaultPaper,
  makePaper,
  measurePaper,
  type Paper,
  type PaperFamily,
} from '@/core/catalogue';
import { papersPerSheet } from '@/core/cutting';
import { boxOf, type Outline } from '@/core/geometry';
import { UNIT_DEFAULTS, formatAngle, formatArea, formatLength, type UnitSystem } from '@/core/length';
import { roomOf, type PageSize } from '@/core/printing';
import { nameShape, signatureOf } from '@/core/shapes';
import { readDrawnPapers, type DrawnPapers } from '@/ui/drawnPapers';
import { DRAWING_FILES, FileButton } from '@/ui/FileButton';
import { ErrorNote } from '@/ui/ErrorNote';
import { Facts } from '@/ui/Facts';
import { FigureField } from '@/ui/FigureField';
import { outlinePath } from '@/ui/outlinePath';
import { readPaper, typedFromPaper } from '@/ui/paperForm';
import { TruePaper } from './TruePaper';

const FAMILIES = Object.keys(PAPER_FAMILIES) as PaperFamily[];
/** Cards draw their papers to one scale: this many mm across. */
const CARD_MM = 135;

interface PaperCatalogueProps {
  readonly system: UnitSystem;
  readonly pageSize: PageSize;
}

/** Every family of papers, any size of it, with its measures, drawn true and ready to print. */
export function PaperCatalogue({ system, pageSize }: PaperCatalogueProps) {
  const { stepMm } = UNIT_DEFAULTS[system];
  const [family, setFamily] = useState<PaperFamily>('regular');
  const [typed, setTyped] = useState(() => typedFromPaper(defaultPaper('regular', stepMm), system));
  const [chosen, setChosen] = useState<Paper | undefined>();
  const [drawings, setDrawings] = useState<DrawnPapers | undefined>();
  const reading = useMemo(() => readPaper(family, typed, system, chosen), [family, typed, system, chosen]);
  const choose = (paper: Paper) => {
    setFamily(paper.family);
    setChosen(paper);
    setTyped(typedFromPaper(paper, system));
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 460px' },
        gap: 3,
        alignItems: 'start',
      }}
    >
      <Stack spacing={2}>
        <Typography variant="h2">Papers</Typography>
        <Box
          role="radiogroup"
          aria-label="Families of papers, drawn to one scale"
          sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(168px, 1fr))', gap: 1 }}
        >
          {FAMILIES.map((one) => (
            <FamilyCard
              key={one}
              family={one}
              paper={defaultPaper(one, stepMm)}
              isChosen={family === one}
              onChoose={() => choose(defaultPaper(one, stepMm))}
            />
          ))}
        </Box>
        <FromDrawing drawings={drawings} onRead={setDrawings} system={system} onMeant={choose} />
      </Stack>
      <Stack spacing={1.5} component="section" aria-label="The chosen paper">
        <Typography variant="h2" component="h3">
          {PAPER_FAMILIES[family].label}
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
          {PAPER_FAMILIES[family].fields.map((field) => (
            <FigureField
              key={field.name}
              field={field}
              value={typed[field.name] ?? ''}
              isWrong={reading.fault?.where === field.name}
              onChange={(value) => setTyped({ ...typed, [field.name]: value })}
            />
          ))}
        </Box>
        <ErrorNote error={reading.fault} />
        {'outline' in reading && (
          <Measured paper={reading.paper} outline={reading.outline} system={system} pageSize={pageSize} />
        )}
      </Stack>
    </Box>
  );
}

interface FamilyCardProps {
  readonly family: PaperFamily;
  readonly paper: Paper;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function FamilyCard({ family, paper, isChosen, onChoose }: FamilyCardProps) {
  const outline = useMemo(() => makePaper(paper), [paper]);
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const [x, y] = [(minX + maxX) / 2 - CARD_MM / 2, (minY + maxY) / 2 - CARD_MM / 2];
  return (
    <Button
      role="radio"
      aria-checked={isChosen}
      variant={isChosen ? 'contained' : 'outlined'}
      onClick={onChoose}
      sx={{
        display: 'flex',
        flexDirection: 'column',
        justifyContent: 'space-between',
        p: 1,
        minHeight: 150,
        lineHeight: 1.25,
      }}
    >
      <svg width="100%" height={88} viewBox={`${x} ${y} ${CARD_MM} ${CARD_MM}`} aria-hidden="true">
        <path
          d={outlinePath(outline)}
          fill="currentColor"
          fillOpacity={0.14}
          stroke="currentColor"
          strokeWidth={1.6}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {PAPER_FAMILIES[family].label}
    </Button>
  );
}

interface MeasuredProps {
  readonly paper: Paper;
  readonly outline: Outline;
  readonly system: UnitSystem;
  readonly pageSize: PageSize;
}

function Measured({ paper, outline, system, pageSize }: MeasuredProps) {
  const [count, setCount] = useState('20');
  const [size, setSize] = useState<PageSize>(pageSize);
  const [isApart, setApart] = useState(false);
  const [hasHole, setHole] = useState(true);
  const measures = useMemo(() => measurePaper(outline), [outline]);
  const packing = useDeferredValue(outline);
  const perSheet = useMemo(() => {
    const { minX, minY, maxX, maxY } = roomOf(size);
    return papersPerSheet(packing, maxX - minX, maxY - minY, isApart ? 2 : 0);
  }, [packing, size, isApart]);
  const length = (millimetres: number) => formatLength(millimetres, system);
  const name = nameShape(signatureOf(outline), system);
  const rows: readonly (readonly [string, string])[] = [
    ['Edges, clockwise', measures.edgesMm.map(length).join(', ')],
    ['Angles', measures.anglesDeg.map(formatAngle).join(', ')],
    ['Diagonals', measures.diagonalsMm.length > 0 ? measures.diagonalsMm.map(length).join(', ') : 'none'],
    ['Fits a strip of', `${length(measures.widthMm)}, ${length(measures.lengthMm)} long`],
    ['Area', formatArea(measures.areaMm2, system)],
    ['Edge all round', length(measures.perimeterMm)],
    [
      'Tails',
      measures.acuteCorners === 0 ? 'none: no corner is sharp' : `at ${measures.acuteCorners} sharp corners`,
    ],
    [
      `Papers on ${size}`,
      perSheet === 0
        ? 'larger than a page: printed in parts'
        : `${perSheet}, ${isApart ? '2 mm apart' : 'sharing cuts'}`,
    ],
  ];
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
      <TruePaper outline={outline} system={system} name={name} />
      <Typography variant="h3">{name}</Typography>
      <Facts rows={rows} />
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
      <Typography variant="body2" color="textSecondary">
        Print at 100 % and measure the ruler on the page before you cut. With a rotary cutter cut away from
        yourself and close the blade; rules of your venue and the maker’s instructions come first.
      </Typography>
    </>
  );
}

interface FromDrawingProps {
  readonly drawings: DrawnPapers | undefined;
  readonly onRead: (papers: DrawnPapers) => void;
  readonly onMeant: (paper: Paper) => void;
  readonly system: UnitSystem;
}

function FromDrawing({ drawings, onRead, onMeant, system }: FromDrawingProps) {
  return (
    <Box component="section">
      <Typography variant="h3" gutterBottom>
        From a drawing
      </Typography>
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
        <FileButton
          accept={DRAWING_FILES}
          onFile={(file) => void file.text().then((text) => onRead(readDrawnPapers(text, system)))}
        >
          Choose a drawing
        </FileButton>
        <Typography color="textSecondary">
          Its papers are measured, and compared with the catalogue. To build with one, take it from the same
          drawing in the workshop.
        </Typography>
      </Stack>
      <Box sx={{ mt: 1.5 }}>
        <ErrorNote error={drawings?.fault} />
        {drawings && 'papers' in drawings && (
          <Stack spacing={1}>
            {drawings.papers.map(({ name, outline, meant }, index) => (
              <Alert key={index} severity={meant ? 'warning' : 'success'} variant="outlined" icon={false}>
                <strong>{name}</strong>, {formatArea(measurePaper(outline).areaMm2, system)}.{' '}
                {meant && (
                  <>
                    This is a {meant.name}; the drawing is {meant.offMm.toFixed(2)} mm off.{' '}
                    <Button size="small" onClick={() => onMeant(meant.paper)}>
                      Use the exact one
                    </Button>
                  </>
                )}
              </Alert>
            ))}
          </Stack>
        )}
      </Box>
    </Box>
  );
}
