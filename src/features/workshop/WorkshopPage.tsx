'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Point } from '@/core/geometry';
import { counted } from '@/core/words';
import type { UnitSystem } from '@/core/length';
import { asRefusal } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { patchNumbers } from '@/ui/patchNumbers';
import { BoardView } from './BoardView';
import { ConflictDialog } from './ConflictDialog';
import { PaperTray } from './PaperTray';
import { SavingNote } from './SavingNote';
import { TouchedDialog } from './TouchedDialog';
import { useReport } from './useReport';
import type { SavedBlock } from './useSaving';
import type { Workshop } from './useWorkshop';
import { useWorkshopBlock } from './useWorkshopBlock';
import { WorkshopSide } from './WorkshopSide';
import { WorkshopTools } from './WorkshopTools';

interface WorkshopPageProps {
  readonly projectId: string;
  /** The block to work on; none for a new one. */
  readonly block?: SavedBlock;
  readonly knownFabrics: readonly string[];
  readonly system: UnitSystem;
  /** Makers who have begun this block, and bags of it that are packed or handed over. */
  readonly touched?: { readonly makers: readonly string[]; readonly bags: number };
}

/** The workshop: a block built from papers on the board, with its seam report beside it; it saves itself. */
export function WorkshopPage({ projectId, block, knownFabrics, system, touched }: WorkshopPageProps) {
  const { known, shop, saving, clash, setClash } = useWorkshopBlock(
    projectId,
    block,
    knownFabrics[0] ?? 'Light',
  );
  const onVersion = useVersion(projectId, saving.asVersion);
  const live = useReport(shop.document, system);
  const [look, setLook] = useState<Point | undefined>();
  const { fabrics, marks, numbers } = useDrawn(shop, live, knownFabrics);
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
      {touched && <TouchedNote {...touched} />}
      {saving.state.kind === 'touches' && (
        <TouchedDialog
          touched={saving.state.touched}
          onAll={saving.allow}
          onVersion={onVersion}
          onUndo={shop.undo}
        />
      )}
      <WorkshopTools shop={shop} />
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
        <WorkshopSide
          shop={shop}
          live={live}
          numbers={numbers}
          fabrics={fabrics}
          system={system}
          onLook={(at) => setLook({ ...at })}
        />
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

/** What the board and its side draw besides the patches: cloths to choose from, marks where something is wrong, numbers. */
function useDrawn(
  { patches, addedFabrics }: Workshop,
  { report }: ReturnType<typeof useReport>,
  knownFabrics: readonly string[],
) {
  const fabrics = useMemo(
    () => [...new Set([...knownFabrics, ...addedFabrics, ...patches.map(({ fabric }) => fabric)])].sort(),
    [knownFabrics, addedFabrics, patches],
  );
  const marks = useMemo(
    () => [
      ...(report?.problems ?? []).map(({ at, message }) => ({ at, label: message })),
      ...(report?.flatness.faults ?? []).map(({ at, missingDeg }) => ({
        at,
        label: `${Math.abs(missingDeg).toFixed(1)}° ${missingDeg > 0 ? 'missing' : 'too much'}`,
      })),
    ],
    [report],
  );
  const numbers = useMemo(() => patchNumbers(patches), [patches]);
  return { fabrics, marks, numbers };
}

/** Said before anything is changed: whose work and which bags a change of papers or cloth touches. */
function TouchedNote({ makers, bags }: NonNullable<WorkshopPageProps['touched']>) {
  if (makers.length === 0 && bags === 0) return null;
  const who =
    makers.length === 0
      ? []
      : [`${makers.slice(0, 3).join(', ')}${makers.length > 3 ? ` and ${makers.length - 3} more` : ''} ${makers.length === 1 ? 'has' : 'have'} begun it`]; // prettier-ignore
  const packed = bags === 0 ? [] : [`${counted(bags, 'bag')} of it ${bags === 1 ? 'is' : 'are'} packed`];
  return (
    <Typography role="note" sx={{ borderLeft: 4, borderColor: 'warning.main', pl: 1.5 }}>
      {[...who, ...packed].join(', and ')}. Another paper, size or cloth takes back what was done with the old one and
      marks its bags; order, folds and notes do not. For later makers alone, save it as a block file, bring that in as another block and change that one.
    </Typography>
  ); // prettier-ignore
}

/** Keeps the change as a version of its own and goes there. */
function useVersion(projectId: string, asVersion: ReturnType<typeof useWorkshopBlock>['saving']['asVersion']) {
  const router = useRouter();
  const notice = useNotice();
  return () =>
    void asVersion().then(
      (made) => {
        if (!made) return;
        notice({ text: `${made.name} is made: ${counted(made.go, 'maker')} will sew it, ${made.stay} go on with the old one. Give it a place in the setting.` });
        router.push(`/p/${projectId}/blocks/${made.id}/workshop`);
      },
      (error: unknown) => notice({ text: asRefusal(error).message }),
    );
} // prettier-ignore
