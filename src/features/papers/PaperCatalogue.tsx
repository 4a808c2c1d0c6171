'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { PAPER_FAMILIES, defaultPaper, type Paper, type PaperFamily } from '@/core/catalogue';
import { UNIT_DEFAULTS, type UnitSystem } from '@/core/length';
import type { PageSize } from '@/core/printing';
import { ErrorNote } from '@/ui/ErrorNote';
import { FigureField } from '@/ui/FigureField';
import type { DrawnPapers } from '@/ui/drawnPapers';
import { readPaper, typedFromPaper } from '@/ui/paperForm';
import { FamilyCard } from './FamilyCard';
import { MeasuredPaper } from './MeasuredPaper';
import { PapersOfDrawing } from './PapersOfDrawing';

const FAMILIES = Object.keys(PAPER_FAMILIES) as PaperFamily[];

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
        <PapersOfDrawing drawings={drawings} onRead={setDrawings} system={system} onMeant={choose} />
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
          <MeasuredPaper
            paper={reading.paper}
            outline={reading.outline}
            system={system}
            pageSize={pageSize}
          />
        )}
      </Stack>
    </Box>
  );
}
