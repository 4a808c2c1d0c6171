import Box from '@mui/material/Box';
import { scaleLinear, sum } from 'd3';
import type { BlockProgress } from '@/server/progress';
import { counted } from '@/core/words';

const LINE_WIDTH = 520;
const LINE_HEIGHT = 34;
/** Names of blocks stand in turn in this many rows, so that they do not run into each other. */
const NAME_ROWS = 3;
/** A name is a target for a finger: 24 px. */
const NAME_HEIGHT = 24;

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

/** Names of the blocks over the lines; each leads to its units. */
export function WallNames({ blocks, scale, onBlock }: { blocks: readonly NamedBlock[]; scale: WallScale; onBlock: (id: string) => void }) {
  return (
    <Box sx={{ position: 'relative', height: NAME_ROWS * NAME_HEIGHT + 4, minWidth: 380 }}>
      {blocks.map(({ id, name }, index) => {
        const isLast = index === blocks.length - 1 && index > 0;
        return (
          <Box
            component="button"
            type="button"
            key={id}
            title={`${name}: its units, maker by maker`}
            onClick={() => onBlock(id)}
            sx={{
              position: 'absolute',
              top: NAME_HEIGHT * (index % NAME_ROWS),
              ...(isLast ? { right: 0 } : { left: `${(100 * scale.from(index)) / LINE_WIDTH}%` }),
              p: 0,
              minHeight: NAME_HEIGHT,
              border: 0,
              bgcolor: 'transparent',
              color: 'text.primary',
              font: 'inherit',
              fontSize: '0.8rem',
              lineHeight: `${NAME_HEIGHT}px`,
              whiteSpace: 'nowrap',
              cursor: 'pointer',
              '&:hover': { textDecoration: 'underline' },
            }}
          >
            {name}
          </Box>
        );
      })}
    </Box>
  );
} // prettier-ignore

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
