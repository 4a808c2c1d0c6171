'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { PAPER_FAMILIES, defaultPaper, type PaperFamily } from '@/core/catalogue';
import { UNIT_DEFAULTS, type UnitSystem } from '@/core/length';
import { nameShape, signatureOf } from '@/core/shapes';
import type { LiveReport } from '@/core/workshop';
import { Silhouette } from '@/ui/drawing';
import { readDrawnPapers, type DrawnPapers } from '@/ui/drawnPapers';
import { DRAWING_FILES, FileButton } from '@/ui/FileButton';
import { ErrorNote } from '@/ui/ErrorNote';
import { FigureField } from '@/ui/FigureField';
import { readPaper, typedFromPaper } from '@/ui/paperForm';
import type { Workshop } from './useWorkshop';

const FAMILIES = Object.keys(PAPER_FAMILIES) as PaperFamily[];

interface PaperTrayProps {
  readonly shop: Workshop;
  readonly report: LiveReport | undefined;
  readonly system: UnitSystem;
}

/** The papers at hand: those of the block, and any of the catalogue by its figures. */
export function PaperTray({ shop, report, system }: PaperTrayProps) {
  const { stepMm } = UNIT_DEFAULTS[system];
  const [family, setFamily] = useState<PaperFamily>('regular');
  const [typed, setTyped] = useState(() => typedFromPaper(defaultPaper('regular', stepMm), system));
  const reading = useMemo(() => readPaper(family, typed, system), [family, typed, system]);
  const choose = (next: PaperFamily) => {
    setFamily(next);
    setTyped(typedFromPaper(defaultPaper(next, stepMm), system));
  };
  const name = 'outline' in reading ? nameShape(signatureOf(reading.outline), system) : '';
  return (
    <Stack spacing={1.5}>
      <Typography variant="h3">Papers</Typography>
      <OwnPapers shop={shop} report={report} />
      <TextField
        select
        label="Family"
        value={family}
        onChange={(event) => choose(event.target.value as PaperFamily)}
      >
        {FAMILIES.map((one) => (
          <MenuItem key={one} value={one}>
            {PAPER_FAMILIES[one].label}
          </MenuItem>
        ))}
      </TextField>
      {PAPER_FAMILIES[family].fields.map((field) => (
        <FigureField
          key={field.name}
          field={field}
          value={typed[field.name] ?? ''}
          isWrong={reading.fault?.where === field.name}
          onChange={(value) => setTyped({ ...typed, [field.name]: value })}
        />
      ))}
      <ErrorNote error={reading.fault} />
      {'outline' in reading && (
        <Button
          variant={shop.paper?.name === name && shop.tool === 'place' ? 'contained' : 'outlined'}
          onClick={() => shop.hold({ name, outline: reading.outline })}
          startIcon={<Silhouette outline={reading.outline} size={30} label="" />}
          sx={{ justifyContent: 'flex-start' }}
        >
          Take {name}
        </Button>
      )}
      <PapersFromDrawing shop={shop} system={system} />
      <FormControlLabel
        control={
          <Switch checked={shop.isForced} onChange={(event) => shop.setForced(event.target.checked)} />
        }
        label="Force edges of unequal length together"
      />
    </Stack>
  );
}

/** The papers that the block has already, to take one more. */
function OwnPapers({ shop, report }: Omit<PaperTrayProps, 'system'>) {
  const own = useMemo(() => {
    if (!report) return [];
    return report.kindNames.flatMap((kindName, kind) => {
      const first = report.kindOf.indexOf(kind);
      const outline = shop.patches[first]?.outline;
      const count = report.kindOf.filter((one) => one === kind).length;
      return outline ? [{ name: kindName, outline, count }] : [];
    });
  }, [report, shop.patches]);
  if (own.length === 0) return null;
  return (
    <Box role="group" aria-label="Papers of this block" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
      {own.map((one) => (
        <Button
          key={one.name}
          size="small"
          aria-pressed={shop.paper?.name === one.name}
          variant={shop.paper?.name === one.name ? 'contained' : 'outlined'}
          onClick={() => shop.hold(one)}
          title={`${one.name}, ${one.count} in the block`}
          aria-label={`${one.name}, ${one.count} in the block`}
          sx={{ minWidth: 52, height: 52, p: 0.5 }}
        >
          <Silhouette outline={one.outline} size={34} label="" />
        </Button>
      ))}
    </Box>
  );
}

/** Papers that a drawing shows, each as the exact paper of the catalogue that it was meant to be. */
function PapersFromDrawing({ shop, system }: Pick<PaperTrayProps, 'shop' | 'system'>) {
  const [drawn, setDrawn] = useState<DrawnPapers | undefined>();
  return (
    <>
      <FileButton
        accept={DRAWING_FILES}
        size="small"
        onFile={(file) => void file.text().then((text) => setDrawn(readDrawnPapers(text, system)))}
      >
        Papers from a drawing
      </FileButton>
      <ErrorNote error={drawn?.fault} />
      {drawn && 'papers' in drawn && (
        <Box
          role="group"
          aria-label="Papers from the drawing"
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}
        >
          {drawn.papers.map((one, index) => {
            // Where the drawing was meant to be a paper of the catalogue, that exact one is taken.
            const exact = one.meant ?? one;
            const says = one.meant ? `${exact.name}, drawn ${one.meant.offMm.toFixed(2)} mm off` : exact.name;
            return (
              <Button
                key={index}
                size="small"
                title={says}
                aria-label={`Take from the drawing: ${says}`}
                onClick={() => shop.hold({ name: exact.name, outline: exact.outline })}
                sx={{ minWidth: 52, height: 52, p: 0.5 }}
              >
                <Silhouette outline={exact.outline} size={34} label="" />
              </Button>
            );
          })}
        </Box>
      )}
    </>
  );
}
