'use client';
import Chip from '@mui/material/Chip';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { BlockSheet } from '@/core/sheet';
import { useProjectBasting } from '@/ui/useProjectBasting';

/** Which cloths are very pale: glue may show in them, so another way of basting is proposed. For the whole project. */
export function PaleCloths({ projectId, sheet }: { projectId: string; sheet: BlockSheet }) {
  const put = useProjectBasting(projectId);
  const cloths = [...new Set(sheet.patches.map(({ fabric }) => fabric))].sort();
  const { pale } = sheet.basting;
  return (
    <Stack direction="row" className="no-print" sx={{ flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
      <Typography color="textSecondary">Very pale cloths, where glue could show:</Typography>
      {cloths.map((fabric) => {
        const isPale = pale.includes(fabric);
        const text = isPale ? `${fabric} is not very pale.` : `${fabric} is very pale.`;
        return (
          <Chip
            key={fabric}
            clickable
            aria-pressed={isPale}
            label={isPale ? `${fabric} ✓` : fabric}
            variant={isPale ? 'filled' : 'outlined'}
            onClick={() => void put(text, { fabric, isPale: !isPale }, () => ({ fabric, isPale }))}
            sx={{ borderRadius: 0.5 }}
          />
        );
      })}
    </Stack>
  );
}
