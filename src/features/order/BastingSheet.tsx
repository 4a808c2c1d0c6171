'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { sayRefolds } from '@/core/basting';
import type { UnitSystem } from '@/core/length';
import type { BlockSheet } from '@/core/sheet';
import { KindCard } from './KindCard';
import { PaleCloths } from './PaleCloths';
import { useDocumentChange } from './useDocumentChange';
import { withBasting } from './withBasting';

interface BastingSheetProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly sheet: BlockSheet;
  readonly allowanceMm: number;
  readonly system: UnitSystem;
}

/** How each paper kind is folded and held: what is proposed and why, what else could be, and where tails would clash. */
export function BastingSheet({ projectId, blockId, sheet, allowanceMm, system }: BastingSheetProps) {
  const change = useDocumentChange(projectId, blockId);
  const { clashes, refolds, kinds } = sheet.basting;
  const refold = () =>
    change('The patches are folded anew; nothing clashes now.', (document) =>
      withBasting(document, ({ patches = {}, ...rest }) => ({
        ...rest,
        patches: {
          ...patches,
          ...Object.fromEntries(refolds.folds.map(({ patch, convention }) => [patch, convention])),
        },
      })),
    );
  return (
    <Stack component="section" aria-label="Basting" spacing={1.5} sx={{ mt: 3 }}>
      <Typography variant="h3">Basting, by paper</Typography>
      {clashes.length === 0 ? (
        <Alert severity="success" variant="outlined" icon={false}>
          No two tails lie over one seam anywhere in this block.
        </Alert>
      ) : (
        <Alert severity="warning" variant="outlined" icon={false}>
          <strong>
            {clashes.length} {clashes.length === 1 ? 'place' : 'places'} where two tails lie over one seam:
            four layers and a lump.
          </strong>{' '}
          Between{' '}
          {clashes
            .slice(0, 8)
            .map(({ patches }) => patches.join(' and '))
            .join('; ')}
          {clashes.length > 8 ? ' …' : ''}. Folding {sayRefolds(refolds.folds)} instead, all round (paper side
          towards you), mends them all{refolds.isFewest ? '; fewer would not do' : ''}.{' '}
          <Button size="small" onClick={() => void refold()}>
            Fold {refolds.folds.length} anew
          </Button>
        </Alert>
      )}
      <PaleCloths projectId={projectId} sheet={sheet} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fill, minmax(400px, 1fr))' },
          gap: 1.5,
        }}
      >
        {sheet.kinds.map((kind, index) => {
          const own = kinds[index];
          return own ? (
            <KindCard
              key={kind.id}
              kind={kind}
              basting={own}
              allowanceMm={allowanceMm}
              system={system}
              onChange={change}
              projectId={projectId}
              patches={sheet.patches.flatMap((patch, place) =>
                patch.kind === index ? [{ id: patch.id, number: place + 1 }] : [],
              )}
            />
          ) : null;
        })}
      </Box>
    </Stack>
  );
}
