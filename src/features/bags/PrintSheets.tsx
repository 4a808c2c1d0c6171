'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import GlobalStyles from '@mui/material/GlobalStyles';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useEffect, useState, type ComponentProps, type ReactNode } from 'react';
import { UNIT_DEFAULTS, formatLength } from '@/core/length';
import type { Maker } from '@/server/makers';
import type { Project } from '@/server/projects';
import { ownBag, sayChoice, sewersOf } from '@/core/bags';
import { bagCode, sayCode } from '@/core/packing';
import { counted, timesWord } from '@/core/words';
import { SquareCode } from '@/ui/SquareCode';
import { Silhouette } from '@/ui/drawing';
import { BoughtLabels } from './BoughtLabels';
import { PrinterPanel } from './PrinterPanel';
import { BagContentsCard } from './BagContentsCard';
import type { BagBlock } from './bagBlock';
import { PickListView } from './PickListView';

interface PrintSheetsProps {
  readonly project: Project;
  readonly blocks: readonly BagBlock[];
  readonly makers: readonly Maker[];
  readonly drops: ComponentProps<typeof PickListView>['drops'];
  /** Places along the shelf. */
  readonly walk: readonly string[];
  readonly fabrics: readonly string[];
  /** Labels of bags that hold a whole drop. */
  readonly outer: readonly OuterLabel[];
  readonly mayEdit: boolean;
}

interface OuterLabel {
  readonly block: string;
  readonly maker: string;
  readonly code: string;
  readonly lines: readonly string[];
}

/** What is printed for packing: the pick list, each block's bag, and a label per bag. */
export function PrintSheets({
  project,
  blocks,
  makers,
  drops,
  walk,
  fabrics,
  outer,
  mayEdit,
}: PrintSheetsProps) {
  const [page, setPage] = useState(project.pageSize);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) =>
      event.key === 'l' && !event.ctrlKey && !event.metaKey && window.print();
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const labels = blocks.reduce((sum, { id }) => sum + sewersOf(id, makers).length, outer.length);
  return (
    <Box sx={{ maxWidth: 800 }}>
      <GlobalStyles styles={`@page { size: ${page}; margin: 12mm; }`} />
      <Stack direction="row" spacing={2} className="no-print" sx={{ mb: 2, alignItems: 'center' }}>
        <Button variant="contained" onClick={() => window.print()}>
          Print (L)
        </Button>
        <ToggleButtonGroup
          exclusive
          value={page}
          onChange={(_, next) => next && setPage(next)}
          aria-label="Paper size"
        >
          {[...new Set([UNIT_DEFAULTS[project.unitSystem].pageSize, project.pageSize])].map((size) => (
            <ToggleButton key={size} value={size}>
              {size}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Typography color="textSecondary">{counted(labels, 'label')}</Typography>
      </Stack>
      <BoughtLabels projectId={project.id} labels={labels} mayEdit={mayEdit} />
      <PrinterPanel project={project} blocks={blocks} makers={makers} />
      <Typography variant="h2" sx={{ mb: 2 }}>
        {project.name}: pick list
      </Typography>
      <PickListView {...{ blocks, makers, drops, project, walk }} />
      <Box sx={{ breakBefore: 'page', pt: 2 }}>
        <Typography variant="h2" gutterBottom>
          {project.name}: in each bag
        </Typography>
        <Stack spacing={2}>
          {blocks.map((block) => (
            <Box key={block.id} sx={{ breakInside: 'avoid' }}>
              <BagContentsCard block={block} project={project} fabrics={fabrics} isInner />
            </Box>
          ))}
        </Stack>
      </Box>
      <Box sx={{ breakBefore: 'page', pt: 2 }}>
        <Typography variant="h2" gutterBottom>
          Labels
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: '4mm' }}>
          {blocks.flatMap((block) =>
            sewersOf(block.id, makers).map((maker) => (
              <Label key={`${block.id}${maker.id}`} block={block} maker={maker} project={project} />
            )),
          )}
          {outer.map(({ block, maker, code, lines }) => (
            <LabelFrame key={code} name={block} maker={maker} code={code.replaceAll('-', '')}>
              <Typography variant="body2">{`Holds the bags of ${lines.join(', ')}.`}</Typography>
            </LabelFrame>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

function Label({ block, maker, project }: { block: BagBlock; maker: Maker; project: Project }) {
  const settings = { allowanceMm: project.allowanceMm, system: project.unitSystem };
  const bag = ownBag(block.bag, maker, settings);
  const choice = sayChoice(maker, settings, block.bag);
  return (
    <LabelFrame
      name={block.name}
      maker={choice === '' ? maker.name : `${maker.name}: ${choice}`}
      code={bagCode(block.id, maker.id)}
    >
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: '2mm 5mm', my: '2mm' }}>
        {bag.papers.map(({ kind, name, count, spares, left, right }) => (
          <Stack key={name} direction="row" spacing={1} sx={{ alignItems: 'center' }}>
            <Silhouette outline={kind.outline} size={30} label={name} />
            <Box sx={{ lineHeight: 1.15 }}>
              <strong>{count + spares}</strong> {timesWord(name)} {name}
              {left + right > 0 ? ` (${left} L, ${right} R)` : ''}
            </Box>
          </Stack>
        ))}
      </Stack>
      <Typography variant="body2">
        {bag.fabrics
          .map(
            ({ fabric, cuts }) =>
              `${fabric}: ${cuts.map(({ count, widthMm, lengthMm }) => `${count} of ${formatLength(widthMm, project.unitSystem)} × ${formatLength(lengthMm, project.unitSystem)}`).join(', ')}`,
          )
          .join(' · ')}
      </Typography>
      {bag.extras.length > 0 && (
        <Typography variant="body2">
          For the top:{' '}
          {bag.extras
            .map(
              ({ count, kindName, widthMm, lengthMm }) =>
                `${count} × ${kindName}, ${formatLength(widthMm, project.unitSystem)} × ${formatLength(lengthMm, project.unitSystem)}`,
            )
            .join(', ')}
        </Typography>
      )}
      {block.saved !== '' && (
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          When done, save for later blocks: {block.saved}.
        </Typography>
      )}
      <Typography variant="body2" color="textSecondary">
        {project.name}
        {project.shop ? ` · ${project.shop}` : ''}. Needles and blades: keep out of bags that travel or go to
        children; local rules decide.
      </Typography>
    </LabelFrame>
  );
}

interface LabelFrameProps {
  readonly name: string;
  readonly maker: string;
  readonly code: string;
  readonly children: ReactNode;
}

/** A label with whose bag it is, and its code in signs and as a square. */
function LabelFrame({ name, maker, code, children }: LabelFrameProps) {
  return (
    <Box
      component="section"
      aria-label={`Label ${name}, ${maker}`}
      sx={{ border: '1px solid', borderColor: 'text.primary', p: '4mm', breakInside: 'avoid' }}
    >
      <Stack direction="row" sx={{ justifyContent: 'space-between', gap: '3mm' }}>
        <Box>
          <Typography variant="h3" component="p">
            {name}
          </Typography>
          <Typography sx={{ fontWeight: 600 }}>{maker}</Typography>
          <Typography sx={{ fontVariantNumeric: 'tabular-nums' }}>{sayCode(code)}</Typography>
        </Box>
        <SquareCode text={code} label={`Code of this bag: ${sayCode(code)}`} size="18mm" />
      </Stack>
      {children}
    </Box>
  );
}
