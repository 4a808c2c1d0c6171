import { itemAt } from '@/core/lists';
import Box from '@mui/material/Box';
import { curveStepAfter, line, max, scaleLinear } from 'd3';
import type { BastePolicy, PapersAt } from '@/core/papers';
import { formatMinutes } from '@/ui/formatMinutes';

const [WIDTH, HEIGHT] = [760, 210];
const EDGE = { left: 40, right: 170, top: 12, bottom: 30 };

interface Line {
  readonly name: string;
  readonly color: string;
  readonly dash?: string;
  readonly of: (at: PapersAt) => number;
}

const linesOf = (policy: BastePolicy): readonly Line[] => [
  { name: 'in the hand', color: 'var(--mui-palette-error-main)', of: ({ inHand }) => inHand },
  {
    name: 'in the hand, all left in',
    color: 'var(--mui-palette-warning-main)',
    dash: '9 3 2 3',
    of: ({ inHandKept }) => inHandKept,
  },
  {
    name: 'in use',
    color: 'var(--mui-palette-primary-main)',
    dash: '7 4',
    of: ({ inUse }) => inUse[policy],
  },
  ...(policy === 'all-first'
    ? []
    : [
        {
          name: 'in use, all at first',
          color: 'var(--mui-palette-text-secondary)',
          dash: '2 4',
          of: ({ inUse }: PapersAt) => inUse['all-first'],
        },
      ]),
];

interface PapersChartProps {
  readonly moments: readonly PapersAt[];
  readonly policy: BastePolicy;
}

/** Papers in the hand and in use over the time of sewing: when the work is stiff and heavy, and when papers come back. */
export function PapersChart({ moments, policy }: PapersChartProps) {
  const end = moments.at(-1)?.minutes ?? 1;
  const most = max(moments, (at) => at.inUse['all-first']) ?? 1;
  const x = scaleLinear([0, Math.max(1, end)], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([0, most], [HEIGHT - EDGE.bottom, EDGE.top]).nice();
  const heaviest = moments.reduce((top, at) => (at.inHand > top.inHand ? at : top), itemAt(moments, 0));
  return (
    <Box>
      <Box
        component="svg"
        role="img"
        aria-label={`Papers over the time of sewing. At most ${heaviest.inHand} in the hand, after ${formatMinutes(heaviest.minutes)}.`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        sx={{
          display: 'block',
          width: '100%',
          maxWidth: 860,
          bgcolor: 'background.paper',
          border: 1,
          borderColor: 'divider',
        }}
      >
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <path d={`M${EDGE.left} ${y(tick)}H${WIDTH - EDGE.right}`} stroke="var(--mui-palette-divider)" />
            <text
              x={EDGE.left - 6}
              y={y(tick) + 4}
              fontSize={12}
              textAnchor="end"
              fill="var(--mui-palette-text-secondary)"
            >
              {tick}
            </text>
          </g>
        ))}
        {x.ticks(6).map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={HEIGHT - 10}
            fontSize={12}
            textAnchor="middle"
            fill="var(--mui-palette-text-secondary)"
          >
            {tick === 0 ? '0' : formatMinutes(tick)}
          </text>
        ))}
        {linesOf(policy).map(({ name, color, dash, of }, index) => {
          const path = line<PapersAt>()
            .x((at) => x(at.minutes))
            .y((at) => y(of(at)))
            .curve(curveStepAfter);
          return (
            <g key={name}>
              <path
                d={path([...moments]) ?? ''}
                fill="none"
                stroke={color}
                strokeWidth={2.2}
                strokeDasharray={dash}
              />
              <path
                d={`M${WIDTH - EDGE.right + 12} ${24 + index * 22}h22`}
                stroke={color}
                strokeWidth={2.2}
                strokeDasharray={dash}
              />
              <text
                x={WIDTH - EDGE.right + 40}
                y={28 + index * 22}
                fontSize={12}
                fill="var(--mui-palette-text-primary)"
              >
                {name}
              </text>
            </g>
          );
        })}
      </Box>
    </Box>
  );
}
