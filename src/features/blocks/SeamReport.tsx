import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { counted } from '@/core/words';
import { formatLength, formatThread, type UnitSystem } from '@/core/length';
import type { BlockSheet } from '@/core/sheet';
import { Facts } from '@/ui/Facts';
import { formatMinutes } from '@/ui/formatMinutes';
import { patchNumbers } from '@/ui/patchNumbers';
import { formatLong, sayFlatness } from '@/ui/seamWords';

/** What the seams of a block amount to, and what the order of work costs against its bound. */
export function SeamReport({ sheet, system }: { sheet: BlockSheet; system: UnitSystem }) {
  const { seams, plan, thread } = sheet;
  const gap = plan.bends - plan.bendsLeast;
  const rows: readonly (readonly [string, ReactNode])[] = [
    ['Finished size', `${formatLength(sheet.widthMm, system)} × ${formatLength(sheet.heightMm, system)}`],
    ['Seams', `${seams.count}, ${formatLong(seams.lengthMm, system)} in all`],
    ['Intersections inside', seams.innerIntersections],
    ['Lies flat', sayFlatness(sheet.flatness, patchNumbers(sheet.patches))],
    ['Open edges', `${seams.openEdges}, ${formatLong(seams.openLengthMm, system)}`],
    ['Joins', plan.joins],
    [
      'Bends',
      gap <= 0 || plan.isProven
        ? `${plan.bends}; no order has fewer`
        : `${plan.bends}; none can go below ${plan.bendsLeast}`,
    ],
    ['Tails that clash', plan.clashes === 0 ? 'none: every patch folds the same way round' : plan.clashes],
    [
      'Thread',
      `${formatThread(thread.metres, system)}, about ${counted(thread.needlefuls, 'needleful')}, ${counted(thread.stitches, 'stitch', 'stitches')}`,
    ],
    ['Time', `${formatMinutes(plan.bastingMinutes)} basting, ${formatMinutes(plan.joinMinutes)} sewing`],
  ];
  return (
    <Box>
      <Typography variant="h3" gutterBottom>
        Seam report
      </Typography>
      <Facts rows={rows} />
    </Box>
  );
}
