import Box from '@mui/material/Box';
import { boxOf, hasStraightSide } from '@/core/geometry';
import type { BlockSheet, Step } from '@/core/sheet';
import { AROUND_ROOM, AROUND_SHARE, FoldLayer, PatchMark } from './drawing';

interface PaperPictureProps {
  readonly sheet: BlockSheet;
  readonly step: Step;
  /** Screen points, or any length of CSS. */
  readonly size: number | string;
}

/** The paper of a step of basting as it lies, paper side towards the hand, with the order of its folds and its raw sides: the block shows them too small, and from the front. */
export function PaperPicture({ sheet, step, size }: PaperPictureProps) {
  const patch = step.kind === 'baste' ? sheet.patches[step.patches[0] ?? -1] : undefined;
  if (!patch) return null;
  const { minX, minY, maxX, maxY } = boxOf(patch.outline);
  const numberMm = AROUND_SHARE * Math.max(maxX - minX, maxY - minY);
  const pad = AROUND_ROOM * numberMm;
  const isFolded = hasStraightSide(patch.outline);
  return (
    <Box component="figure" sx={{ float: 'right', m: 0, ml: 1, mt: 0.5, textAlign: 'center' }}>
      <Box
        component="svg"
        role="img"
        aria-label={`The paper side${isFolded ? `: ${patch.foldOrder.length} sides to fold, 1 first` : ''}`}
        viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
        sx={{ display: 'block', width: size, height: size }}
      >
        <g transform={`matrix(-1 0 0 1 ${minX + maxX} 0)`}>
          <PatchMark outline={patch.outline} fill="none" strokeWidth={1.5} rawSides={patch.rawSides ?? []} />
          <FoldLayer patches={[patch]} isFlipped aroundMm={numberMm} />
        </g>
      </Box>
      <Box component="figcaption" sx={{ fontSize: '0.8rem', color: 'text.secondary' }}>
        Paper side
      </Box>
    </Box>
  );
}
