import Typography from '@mui/material/Typography';
import { formatLength, type UnitSystem } from '@/core/length';
import type { Setting } from '@/core/setting';
import { counted } from '@/core/words';

/** What each size of strip is and how many of it the whole top takes. */
export function StripSizes({
  setting,
  counts,
  system,
}: {
  setting: Setting;
  counts: readonly { kind: string; width: number; height: number }[];
  system: UnitSystem;
}) {
  const sizes = new Map<string, number>();
  for (const { kind, width, height } of counts) {
    const size = `${kind === 'cornerstone' ? 'cornerstone' : 'strip'} ${formatLength(Math.min(width, height), system)} × ${formatLength(Math.max(width, height), system)}`;
    sizes.set(size, (sizes.get(size) ?? 0) + 1);
  }
  return (
    <Typography>
      In all, finished: {[...sizes].map(([size, count]) => sayCount(count, size)).join('; ')}
      {setting.borderMm > 0 ? `; border ${formatLength(setting.borderMm, system)} all round` : ''}.
    </Typography>
  );
}

/** “4 strips 1½″ × 12″”. */
function sayCount(count: number, size: string): string {
  const [what = '', ...measures] = size.split(' ');
  return `${counted(count, what)} ${measures.join(' ')}`;
}
