'use client';
import Box from '@mui/material/Box';
import { foldBy, pleatsOf, tailsOf, type FoldConvention } from '@/core/basting';
import { boxOf } from '@/core/geometry';
import type { SheetKind, SheetPatch } from '@/core/sheet';
import { AROUND_ROOM, AROUND_SHARE, FoldLayer, PatchLayer, PleatLayer } from '@/ui/drawing';

/** The paper as the hand sees it, its paper side, with its folds numbered, its tails to scale, and the pleats of its curves. */
export function FoldPicture({
  kind,
  convention,
  allowanceMm,
}: {
  kind: SheetKind;
  convention: FoldConvention;
  allowanceMm: number;
}) {
  const fold = foldBy(convention, kind.outline);
  const tails = tailsOf(kind.outline, fold, allowanceMm);
  const patch: SheetPatch = {
    id: kind.id,
    outline: kind.outline,
    fabric: '',
    layer: 0,
    kind: 0,
    hand: 'none',
    foldOrder: fold.order,
    tails,
  };
  const { minX, minY, maxX, maxY } = boxOf(kind.outline);
  const pleats = pleatsOf(kind.outline).length > 0 ? allowanceMm : 0;
  const numberMm = AROUND_SHARE * Math.max(maxX - minX, maxY - minY);
  const pad = Math.max(AROUND_ROOM * numberMm, pleats, ...tails.map(({ lengthMm }) => lengthMm)) + 2;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`Paper side of ${kind.name}: order of folding ${fold.order.map((side) => side + 1).join(', ')}`}
      viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
      sx={{ width: 130, height: 130, flexShrink: 0 }}
    >
      <g transform={`matrix(-1 0 0 1 ${minX + maxX} 0)`}>
        <PatchLayer
          patches={[patch]}
          isNumbered={false}
          fabrics={[]}
          prefix="none"
          ink={() => 'normal'}
          isFlipped
          showTails
        />
        <PleatLayer pleats={pleatsOf(kind.outline)} allowanceMm={allowanceMm} />
        <FoldLayer patches={[patch]} isFlipped aroundMm={numberMm} />
      </g>
    </Box>
  );
}
