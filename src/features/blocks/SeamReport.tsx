import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { formatLength, type UnitSystem } from '@/core/length';
import type { BlockSheet } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';

/** What the seams of a block amount to, and what the order of work costs against its bound. */
export function SeamReport({ sheet, system }: { sheet: BlockSheet; system: UnitSystem }) {
  const { seams, plan, thread } = sheet;
  const gap = plan.bends - plan.bendsBound;
  const rows: readonly (readonly [string, ReactNode])[] = [
    ['Finished size', `${formatLength(sheet.widthMm, system)} × ${formatLength(sheet.heightMm, system)}`],
    ['Seams', `${seams.count}, ${formatLong(seams.lengthMm, system)} in all`],
    ['Intersections inside', seams.innerIntersections],
    ['Open edges', `${seams.openEdges}, ${formatLong(seams.openLengthMm, system)}`],
    ['Joins', plan.joins],
    [
      'Bends',
      gap <= 0 ? `${plan.bends}; no order has fewer` : `${plan.bends}; none can go below ${plan.bendsBound}`,
    ],
    ['Tails that clash', plan.clashes === 0 ? 'none: every patch folds the same way round' : plan.clashes],
    [
      'Thread',
      `${thread.metres.toFixed(1)} m, about ${thread.needlefuls} needlefuls, ${thread.stitches} stitches`,
    ],
    ['Time', `${formatMinutes(plan.bastingMinutes)} basting, ${formatMinutes(plan.joinMinutes)} sewing`],
  ];
  return (
    <Box>
      <Typography variant="h3" gutterBottom>
        Seam report
      </Typography>
      <Box
        component="dl"
        sx={{
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'auto 1fr',
          gap: '4px 16px',
          '& dt': { color: 'text.secondary' },
          '& dd': { m: 0 },
        }}
      >
        {rows.map(([label, value]) => [
          <dt key={`${label}t`}>{label}</dt>,
          <dd key={`${label}d`}>{value}</dd>,
        ])}
      </Box>
    </Box>
  );
}

/** Long runs in yards or metres read better than in hundreds of inches. */
function formatLong(millimetres: number, system: UnitSystem): string {
  return system === 'inch'
    ? `${(millimetres / 914.4).toFixed(2)} yd`
    : `${(millimetres / 1000).toFixed(2)} m`;
}
