'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { ownBag, sayChoice, sewersOf } from '@/core/bags';
import { bagCode, packingLines, sayCode } from '@/core/packing';
import { counted, times } from '@/core/words';
import type { Maker } from '@/server/makers';
import type { Project } from '@/server/projects';
import { Choice } from '@/ui/Choice';
import type { BagBlock } from './bagBlock';
import { usePrintQueue } from './usePrintQueue';

interface PrinterPanelProps {
  readonly project: Project;
  readonly blocks: readonly BagBlock[];
  readonly makers: readonly Maker[];
}

/** Labels to a label printer, one after the other; what has not come out waits on this device. */
export function PrinterPanel({ project, blocks, makers }: PrinterPanelProps) {
  const { waiting, why, print } = usePrintQueue(project.id);
  const [chosen, setChosen] = useState(blocks[0]?.id ?? '');
  const block = blocks.find(({ id }) => id === chosen);
  if (!block) return null;
  const sewers = sewersOf(block.id, makers);
  const settings = { allowanceMm: project.allowanceMm, system: project.unitSystem };
  const send = () => {
    for (const maker of sewers) {
      const lines = packingLines(ownBag(block.bag, maker, settings), project.unitSystem).map(({ count, what }) => times(count, what));
      const choice = sayChoice(maker, settings, block.bag);
      print({ block: block.name, maker: choice === '' ? maker.name : `${maker.name}: ${choice}`, code: sayCode(bagCode(block.id, maker.id)), lines });
    }
  };
  return (
    <Box className="no-print" component="section" aria-label="Printer for labels" sx={{ mb: 2 }}>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Box sx={{ minWidth: 200 }}>
          <Choice label="Labels of" value={chosen} choices={blocks.map(({ id, name }) => [id, name] as const)} onChange={setChosen} />
        </Box>
        <Button onClick={send} disabled={sewers.length === 0}>
          {`${counted(sewers.length, 'label')} to the label printer`}
        </Button>
        <Button component="a" href={`/p/${project.id}/bags/printer`} target="_blank" rel="noopener">
          Label printer stand-in
        </Button>
      </Stack>
      <Typography role="status" sx={{ minHeight: 24 }}>
        {waiting > 0 && `${counted(waiting, 'label waits', 'labels wait')}${why === '' ? '' : `: ${why.toLowerCase()}`}. It goes on by itself.`}
      </Typography>
    </Box>
  );
} // prettier-ignore
