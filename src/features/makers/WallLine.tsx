import Box from '@mui/material/Box';
import { scaleLinear, sum } from 'd3';
import type { BlockProgress } from '@/server/progress';
import { counted } from '@/core/words';

const LINE_WIDTH = 520;
const LINE_HEIGHT = 34;
/** Names of blocks stand in turn in this many rows, so that they do not run into each other. */
const NAME_ROWS = 3;
const NAME_HEIGHT = 16;

interface NamedBlock {
  readonly id: string;
  readonly name: string;
}

/** Where each block begins and ends along a line, by its hours. */
export interface WallScale {
  readonly from: (block: number) => number;
  readonly to: (block: number) => number;
}

/** Lays the blocks along a line by the minutes that each takes. */
export function wallScale(minutes: readonly number[]): WallScale {
  const scale = scaleLinear([0, Math.max(1, sum(minutes))], [0, LINE_WIDTH]);
  const starts = minutes.map((_, index) => sum(minutes.slice(0, index)));
  return {
    from: (block) => scale(starts[block] ?? 0),
    to: (block) => scale((starts[block] ?? 0) + (minutes[block] ?? 0)),
  };
}

/** Names of the blocks over the lines. */
export function WallNames({ blocks, scale }: { blocks: readonly NamedBlock[]; scale: WallScale }) {
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${LINE_WIDTH} ${NAME_ROWS * NAME_HEIGHT + 4}`}
      sx={{ width: '100%', minWidth: 380, display: 'block' }}
      aria-label={blocks.map(({ name }) => name).join(', ')}
      role="img"
    >
      {blocks.map(({ id, name }, index) => (
        <text
          key={id}
          x={index === blocks.length - 1 ? LINE_WIDTH : scale.from(index)}
          textAnchor={index === blocks.length - 1 && index > 0 ? 'end' : 'start'}
          y={NAME_HEIGHT * ((index % NAME_ROWS) + 1) - 2}
          fontSize={15}
          fill="currentColor"
        >
          {name}
        </text>
      ))}
    </Box>
  );
}

interface WallLineProps {
  readonly blocks: readonly NamedBlock[];
  /** By block; undefined for one that this maker does not sew. */
  readonly own: readonly (BlockProgress | undefined)[];
  readonly scale: WallScale;
}

/** One maker's line, sewn as far as they have come. */
export function WallLine({ blocks, own, scale }: WallLineProps) {
  return (
    <svg
      viewBox={`0 0 ${LINE_WIDTH} ${LINE_HEIGHT}`}
      width="100%"
      role="img"
      aria-label={own
        .map((entry, i) =>
          entry
            ? `${blocks[i]?.name} ${entry.done} of ${counted(entry.total, 'step')}`
            : `${blocks[i]?.name} not sewn`,
        )
        .join(', ')}
    >
      {own.map((entry, index) => {
        if (!entry) return null;
        const [from, to] = [scale.from(index) + 2, scale.to(index) - 6];
        const share = entry.totalMinutes === 0 ? 0 : entry.doneMinutes / entry.totalMinutes;
        const colour = entry.stuckOn ? 'error' : share >= 0.999 ? 'success' : 'primary';
        return (
          <g key={entry.blockId}>
            <path d={`M${from} 17H${to}`} stroke="var(--mui-palette-divider)" strokeWidth={1.5} />
            <path
              d={`M${from} 11V23M${to} 11V23`}
              stroke="var(--mui-palette-text-secondary)"
              strokeWidth={1}
            />
            {share > 0 && (
              <path
                d={`M${from} 17H${from + (to - from) * share}`}
                stroke={`var(--mui-palette-${colour}-main)`}
                strokeWidth={6}
                strokeDasharray="9 3"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
