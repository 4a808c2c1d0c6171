'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { counted } from '@/core/words';
import type { BlockDocument } from '@/core/block';
import type { Point } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import type { Merged } from '@/core/workshop';
import { useNotice } from '@/ui/Notices';
import { patchNumbers } from '@/ui/patchNumbers';
import { ArrangePanel } from './ArrangePanel';
import { BoardView } from './BoardView';
import { ClothPanel } from './ClothPanel';
import { ConflictDialog } from './ConflictDialog';
import { FiguresPanel } from './FiguresPanel';
import { PaperTray } from './PaperTray';
import { ReportPanel } from './ReportPanel';
import { SavingNote } from './SavingNote';
import { useReport } from './useReport';
import { takeDraft, useSaving, type SavedBlock } from './useSaving';
import { useWorkshop, type Tool } from './useWorkshop';
import { useWorkshopKeys } from './useWorkshopKeys';

interface WorkshopPageProps {
  readonly projectId: string;
  /** The block to work on; none for a new one. */
  readonly block?: SavedBlock;
  readonly knownFabrics: readonly string[];
  readonly system: UnitSystem;
}

const TOOLS: readonly (readonly [Tool, string])[] = [
  ['pick', 'Pick (1)'],
  ['place', 'Place (2)'],
  ['paint', 'Paint (3)'],
  ['centre', 'Centre (4)'],
];

/** The workshop: a block built from papers on the board, with its seam report beside it; it saves itself. */
export function WorkshopPage({ projectId, block, knownFabrics, system }: WorkshopPageProps) {
  const notice = useNotice();
  const [known, setKnown] = useState(block);
  const shop = useWorkshop(block?.document, knownFabrics[0] ?? 'Light', known?.id);
  const live = useReport(shop.document, system);
  const [tab, setTab] = useState(0);
  const [look, setLook] = useState<Point | undefined>();
  const [clash, setClash] = useState<Merged | undefined>();

  const takeIn = (merged: Merged, rebase: (state: BlockDocument) => BlockDocument) => {
    shop.rebase(merged.document, rebase);
    if (merged.conflicts.length > 0) setClash(merged);
    else if (merged.theirChanges > 0)
      notice({
        text: `Someone else changed ${counted(merged.theirChanges, 'paper')}: taken in. Yours are kept.`,
      });
  };
  const saving = useSaving({
    projectId,
    initial: block,
    document: shop.document,
    onMerged: takeIn,
    onCreated: (made) => {
      setKnown(made);
      window.history.replaceState(null, '', `/p/${projectId}/blocks/${made.id}/workshop`);
    },
  });
  const takeDraftIn = useRef((merged: Merged) => void merged);
  useEffect(() => {
    takeDraftIn.current = (merged) => {
      shop.edit(() => merged.document, 'Kept on this device');
      notice({ text: 'What this device still held of this block is taken in again.' });
      if (merged.conflicts.length > 0) setClash(merged);
    };
  });
  useEffect(() => {
    // Only the browser knows what it kept: after the page stands.
    const timer = setTimeout(() => {
      const merged = block && takeDraft(block);
      if (merged) takeDraftIn.current(merged);
    });
    return () => clearTimeout(timer);
  }, [block]);
  useWorkshopKeys(shop);

  const fabrics = useMemo(
    () =>
      [
        ...new Set([...knownFabrics, ...shop.addedFabrics, ...shop.patches.map(({ fabric }) => fabric)]),
      ].sort(),
    [knownFabrics, shop.addedFabrics, shop.patches],
  );
  const marks = useMemo(
    () => [
      ...(live.report?.problems ?? []).map(({ at, message }) => ({ at, label: message })),
      ...(live.report?.flatness.faults ?? []).map(({ at, missingDeg }) => ({
        at,
        label: `${missingDeg.toFixed(1)}° missing`,
      })),
    ],
    [live.report],
  );
  const numbers = useMemo(() => patchNumbers(shop.patches), [shop.patches]);
  const few = shop.picked.length;
  return (
    <Stack spacing={1}>
      <Stack
        direction="row"
        sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}
      >
        <Typography variant="h2">{known?.name ?? 'A new block'}: workshop</Typography>
        <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
          <SavingNote state={saving.state} onAgain={() => void saving.saveNow()} />
          {known && (
            <Button component={Link} href={`/p/${projectId}/blocks/${known.id}`}>
              To the block
            </Button>
          )}
        </Stack>
      </Stack>
      <Stack
        direction="row"
        role="toolbar"
        aria-label="Tools"
        sx={{ flexWrap: 'wrap', gap: 0.75, alignItems: 'center' }}
      >
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Tool"
          value={shop.tool}
          onChange={(_, next: Tool | null) => next && shop.setTool(next)}
        >
          {TOOLS.map(([tool, label]) => (
            <ToggleButton key={tool} value={tool}>
              {label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Button size="small" disabled={!shop.canUndo} onClick={shop.undo} aria-keyshortcuts="Control+Z">
          Undo
        </Button>
        <Button size="small" disabled={!shop.canRedo} onClick={shop.redo} aria-keyshortcuts="Control+Shift+Z">
          Redo
        </Button>
        <Button size="small" onClick={() => shop.turnOn(1)} aria-keyshortcuts="r">
          Turn (R)
        </Button>
        <Button size="small" onClick={shop.turnOver} aria-keyshortcuts="x">
          Turn over (X)
        </Button>
        <Button size="small" disabled={few === 0} onClick={shop.copy} aria-keyshortcuts="Control+D">
          Copy
        </Button>
        <Button
          size="small"
          color="error"
          disabled={few === 0}
          onClick={shop.remove}
          aria-keyshortcuts="Delete"
        >
          Take out
        </Button>
        <Typography component="span" color="textSecondary">
          {few === 0 ? counted(shop.patches.length, 'paper') : `${few} of ${shop.patches.length} picked`}
        </Typography>
      </Stack>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: '215px minmax(0, 1fr) 330px' },
          gap: 1.5,
          alignItems: 'start',
        }}
      >
        <PaperTray shop={shop} report={live.report} system={system} />
        <Box>
          <BoardView
            shop={shop}
            report={live.report}
            fabrics={fabrics}
            system={system}
            marks={marks}
            {...(look ? { look } : {})}
          />
          <Typography
            variant="body2"
            color="textSecondary"
            role="status"
            aria-live="polite"
            sx={{ minHeight: 22 }}
          >
            {shop.said}
          </Typography>
        </Box>
        <Box sx={{ maxHeight: { md: 'calc(100vh - 260px)' }, overflowY: { md: 'auto' }, pr: 0.5 }}>
          <Tabs
            value={tab}
            onChange={(_, next: number) => setTab(next)}
            variant="fullWidth"
            aria-label="Beside the board"
            sx={{
              mb: 1.5,
              minHeight: 40,
              '& .MuiTab-root': { minHeight: 40, minWidth: 0, px: 0.5, textTransform: 'none' },
            }}
          >
            {['Seams', 'Cloth', 'Arrange', 'Figures'].map((label, index) => (
              <Tab key={label} label={label} id={`shop-tab-${index}`} aria-controls="shop-panel" />
            ))}
          </Tabs>
          <div role="tabpanel" id="shop-panel" aria-labelledby={`shop-tab-${tab}`}>
            {tab === 0 && (
              <ReportPanel
                live={live}
                numbers={numbers}
                system={system}
                onLook={(at) => setLook({ ...at })}
                onMend={({ document, label }) => {
                  shop.edit(() => document, 'Mend');
                  shop.setSaid(`${label}: done.`);
                }}
                onSnap={(document) => {
                  shop.edit(() => document, 'Snap to papers');
                  shop.setSaid('Snapped to papers of the catalogue.');
                }}
              />
            )}
            {tab === 1 && (
              <ClothPanel
                shop={shop}
                report={live.report}
                numbers={numbers}
                fabrics={fabrics}
                onLook={(at) => setLook({ ...at })}
              />
            )}
            {tab === 2 && <ArrangePanel shop={shop} report={live.report} />}
            {tab === 3 && <FiguresPanel shop={shop} system={system} />}
          </div>
        </Box>
      </Box>
      <ConflictDialog
        merged={clash}
        onKeep={() => setClash(undefined)}
        onTake={(document) => {
          shop.edit(() => document, 'Take theirs');
          setClash(undefined);
        }}
      />
    </Stack>
  );
}
