'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { InvalidInputError } from '@/core/errors';
import { LABEL_LIMITS, USUAL_LABELS, checkLabelSheet, type LabelSheet } from '@/core/printing';
import { counted } from '@/core/words';
import { asRefusal, sendForFile } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { ErrorNote } from '@/ui/ErrorNote';
import { NumberField } from '@/ui/NumberField';
import { useRemembered } from '@/ui/useRemembered';

const NAMES: Readonly<Record<keyof LabelSheet, string>> = {
  pageWidthMm: 'Page width, mm',
  pageHeightMm: 'Page height, mm',
  columns: 'Labels across',
  rows: 'Labels down',
  labelWidthMm: 'Label width, mm',
  labelHeightMm: 'Label height, mm',
  leftMm: 'Left margin, mm',
  topMm: 'Top margin, mm',
  pitchXMm: 'Label to label across, mm',
  pitchYMm: 'Label to label down, mm',
};
const FIELDS = Object.keys(NAMES) as (keyof LabelSheet)[];

/** By then the browser has taken the file. */
const KEPT_MS = 60_000;

interface BoughtLabelsProps {
  readonly projectId: string;
  readonly labels: number;
  /** Whether cards with makers’ own pages are theirs to print. */
  readonly mayEdit: boolean;
}

/** Labels on bought sheets, whatever their figures: as they stand on the packet. They are remembered on this device. */
export function BoughtLabels({ projectId, labels, mayEdit }: BoughtLabelsProps) {
  const notice = useNotice();
  const [isBusy, setIsBusy] = useState(false);
  const [kept, keepFigures] = useRemembered('kevlo-label-sheet');
  const [used, setUsed] = useState(0);
  const sheet = readKept(kept);
  const fault = faultOf(sheet);
  const base = `/api/projects/${projectId}/bags/print`;
  const query = new URLSearchParams({ what: 'labels', used: String(used), ...Object.fromEntries(FIELDS.map((name) => [name, String(sheet[name])])) });
  const printOwn = async () => {
    setIsBusy(true);
    try {
      const link = document.createElement('a');
      link.href = URL.createObjectURL(await sendForFile(base, {}));
      link.download = 'bag cards.pdf';
      link.click();
      setTimeout(() => URL.revokeObjectURL(link.href), KEPT_MS);
    } catch (problem) {
      notice({ text: asRefusal(problem).message });
    }
    setIsBusy(false);
  };
  const perSheet = sheet.rows * sheet.columns;
  return (
    <Paper className="no-print" component="section" aria-label="Cards and labels as PDF" sx={{ p: 2, mb: 2 }}>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mb: 1.5 }}>
        <Button component="a" href={`${base}?what=cards`} target="_blank" rel="noopener">
          A card for each block’s bag (PDF)
        </Button>
        {mayEdit && (
          <Button disabled={isBusy} onClick={() => void printOwn()}>
            {isBusy ? 'One moment …' : 'A card for each maker’s bag, with the code of their page (PDF)'}
          </Button>
        )}
        <Button component="a" variant="contained" disabled={fault !== undefined} href={`${base}?${query}`} target="_blank" rel="noopener">
          {`${counted(labels, 'label')} on bought sheets (PDF)`}
        </Button>
      </Stack>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        Figures as they stand on the packet of label sheets. Print at 100 %, first on plain paper held against a sheet.
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(175px, 1fr))', gap: 1.5 }}>
        {FIELDS.map((name) => (
          <NumberField
            key={name}
            label={NAMES[name]}
            value={sheet[name]}
            {...LABEL_LIMITS[name]}
            isWhole={name === 'rows' || name === 'columns'}
            onChange={(value) => keepFigures(JSON.stringify({ ...sheet, [name]: value }))}
          />
        ))}
        <NumberField label="Used on the first sheet" value={used} least={0} most={799} isWhole onChange={setUsed} />
      </Box>
      <Box role="status" sx={{ mt: 1 }}>
        {fault ? <ErrorNote error={fault} /> : `${counted(perSheet, 'label')} a sheet, ${counted(Math.ceil(((used % perSheet) + labels) / perSheet), 'sheet')}.`}
      </Box>
    </Paper>
  );
} // prettier-ignore

function readKept(text: string | undefined): LabelSheet {
  try {
    const found = JSON.parse(text ?? '{}') as Partial<LabelSheet>;
    return FIELDS.every((name) => typeof found[name] === 'number') ? (found as LabelSheet) : USUAL_LABELS;
  } catch {
    return USUAL_LABELS;
  }
}

/** Why labels of these figures cannot be printed, if they cannot. */
function faultOf(sheet: LabelSheet): { readonly what: string; readonly mend: string } | undefined {
  try {
    checkLabelSheet(sheet);
    return undefined;
  } catch (problem) {
    if (!(problem instanceof InvalidInputError)) throw problem;
    return { what: problem.message, mend: problem.mend };
  }
}
