import Box from '@mui/material/Box';
import { scaleLinear } from 'd3';
import type { WeekLoad } from '@/core/calendar';
import { formatMinutes } from '@/ui/formatMinutes';

const [WIDTH, HEIGHT] = [112, 14];

/** What a maker has to sew in a week as a bar, with a line where the hours of such a week end. */
export function LoadBar({ week, most }: { week: WeekLoad | undefined; most: number }) {
  if (!week || week.minutes < 1) return <Box role="cell" sx={{ borderLeft: 1, borderColor: 'divider' }} />;
  const x = scaleLinear([0, most], [0, WIDTH]);
  const isOver = week.minutes > week.room * 1.001;
  const words = isOver ? `${formatMinutes(week.minutes - week.room)} too much` : '';
  return (
    <Box role="cell" sx={{ borderLeft: 1, borderColor: 'divider', p: 0.5, fontSize: '0.82rem', lineHeight: 1.2 }}>
      <span>{formatMinutes(week.minutes)}</span>
      <svg width={WIDTH} height={HEIGHT} aria-hidden style={{ display: 'block' }}>
        <rect width={x(Math.min(week.minutes, week.room))} height={8} y={3} fill="var(--mui-palette-success-main)" />
        {isOver && (
          <rect x={x(week.room)} width={x(week.minutes) - x(week.room)} height={8} y={3} fill="var(--mui-palette-error-main)" />
        )}
        <path d={`M${x(week.room)} 0V${HEIGHT}`} stroke="var(--mui-palette-text-primary)" strokeWidth={2} strokeDasharray="3 2" />
      </svg>
      <span>{words}</span>
    </Box>
  );
} // prettier-ignore
