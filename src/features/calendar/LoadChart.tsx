import Box from '@mui/material/Box';
import { max, scaleBand, scaleLinear } from 'd3';
import { dayWords, type WeekLoad } from '@/core/calendar';
import { counted } from '@/core/words';
import { formatMinutes } from '@/ui/formatMinutes';

const [WIDTH, HEIGHT] = [420, 170];
const EDGE = { left: 40, right: 8, top: 10, bottom: 26 };

interface LoadChartProps {
  readonly title: string;
  readonly weeks: readonly WeekLoad[];
  /** The same scale for charts that are compared, minutes. */
  readonly most: number;
}

/** Minutes to sew in each week, and a dashed line where a maker’s hours end. */
export function LoadChart({ title, weeks, most }: LoadChartProps) {
  const x = scaleBand(weeks.map(({ monday }) => monday), [EDGE.left, WIDTH - EDGE.right]).padding(0.15);
  const y = scaleLinear([0, Math.max(60, most) / 60], [HEIGHT - EDGE.bottom, EDGE.top]).nice();
  const heaviest = max(weeks, ({ minutes }) => minutes) ?? 0;
  const labels = weeks.filter((_, index) => index % Math.ceil(weeks.length / 6) === 0);
  const over = weeks.filter(({ minutes, room }) => minutes > room * 1.001).length;
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box component="figcaption" sx={{ fontWeight: 600 }}>
        {title}: heaviest week {formatMinutes(heaviest)}, {over} of {counted(weeks.length, 'week')} over the hours
      </Box>
      <Box
        component="svg"
        role="img"
        aria-label={weeks.map(({ monday, minutes }) => `${dayWords(monday)}: ${formatMinutes(minutes)}`).join('; ')}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        sx={{ display: 'block', width: '100%', bgcolor: 'background.paper', border: 1, borderColor: 'divider' }}
      >
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <path d={`M${EDGE.left} ${y(tick)}H${WIDTH - EDGE.right}`} stroke="var(--mui-palette-divider)" />
            <text x={EDGE.left - 5} y={y(tick) + 4} fontSize={11} textAnchor="end" fill="var(--mui-palette-text-secondary)">
              {tick === 0 ? '0' : `${tick} h`}
            </text>
          </g>
        ))}
        {weeks.map(({ monday, minutes, room }) => {
          const left = x(monday) ?? 0;
          const kept = Math.min(minutes, room);
          return (
            <g key={monday}>
              <rect x={left} width={x.bandwidth()} y={y(kept / 60)} height={y(0) - y(kept / 60)} fill="var(--mui-palette-success-main)" />
              <rect x={left} width={x.bandwidth()} y={y(minutes / 60)} height={Math.max(0, y(kept / 60) - y(minutes / 60))} fill="var(--mui-palette-error-main)" />
              <path d={`M${left - 1} ${y(room / 60)}h${x.bandwidth() + 2}`} stroke="var(--mui-palette-text-primary)" strokeWidth={1.6} strokeDasharray="4 2" />
            </g>
          );
        })}
        {labels.map(({ monday }) => (
          <text key={monday} x={x(monday)} y={HEIGHT - 9} fontSize={11} fill="var(--mui-palette-text-secondary)">
            {dayWords(monday).slice(4, 10)}
          </text>
        ))}
      </Box>
    </Box>
  );
} // prettier-ignore
