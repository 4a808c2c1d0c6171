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
    <Box sx={NAMES}>
      {blocks.map(({ id, name }, index) => {
        const isLast = index === blocks.length - 1 && index > 0;
        const top = NAME_HEIGHT * (index % NAME_ROWS);
        return (
          <button
            type="button"
            key={id}
            title={`${name}: its units, maker by maker`}
            onClick={() => onBlock(id)}
            style={isLast ? { top, right: 0 } : { top, left: `${(100 * scale.from(index)) / LINE_WIDTH}%` }}
          >
            {name}
          </button>
        );
      })}
    </Box>
  );
} // prettier-ignore

/** One style for all names. */
const NAMES = {
  position: 'relative',
  height: NAME_ROWS * NAME_HEIGHT + 4,
  minWidth: 380,
  '& > button': { position: 'absolute', p: 0, minHeight: NAME_HEIGHT, border: 0, bgcolor: 'transparent', color: 'text.primary', font: 'inherit', fontSize: '0.8rem', lineHeight: `${NAME_HEIGHT}px`, whiteSpace: 'nowrap', cursor: 'pointer' },
  '& > button:hover': { textDecoration: 'underline' },
} as const; // prettier-ignore

const COLOURS = ['primary', 'success', 'error'] as const;
type Colour = (typeof COLOURS)[number];

/** Room before and after a block’s part of the line, and what share of a short one it may be. */
const [BEFORE, AFTER] = [
  { most: 2, share: 0.1 },
  { most: 6, share: 0.3 },
];

function seamOf(scale: WallScale, block: number): { readonly from: number; readonly to: number } {
  const [from, to] = [scale.from(block), scale.to(block)];
  const room = ({ most, share }: typeof BEFORE) => Math.min(most, share * (to - from));
  return { from: from + room(BEFORE), to: to - room(AFTER) };
}

const n = (value: number) => String(Math.round(value * 100) / 100);

interface WallLineProps {
  readonly blocks: readonly NamedBlock[];
  /** By block; undefined for one that this maker does not sew. */
  readonly own: readonly (BlockProgress | undefined)[];
  readonly scale: WallScale;
}

/** One maker's line, sewn as far as they have come. */
export function WallLine({ blocks, own, scale }: WallLineProps) {
  // A path for all blocks together: a wall of two hundred lines is drawn at once.
  const [base, ends, sewn]: [string[], string[], { colour: Colour; d: string }[]] = [[], [], []];
  own.forEach((entry, index) => {
    if (!entry) return;
    const { from, to } = seamOf(scale, index);
    const share = entry.totalMinutes === 0 ? 0 : entry.doneMinutes / entry.totalMinutes;
    base.push(`M${n(from)} 17H${n(to)}`);
    ends.push(`M${n(from)} 11V23M${n(to)} 11V23`);
    if (share > 0)
      sewn.push({
        colour: entry.stuckOn ? 'error' : share >= 0.999 ? 'success' : 'primary',
        d: `M${n(from)} 17H${n(from + (to - from) * share)}`,
      });
  });
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
      <path d={base.join('')} stroke="var(--mui-palette-divider)" strokeWidth={1.5} />
      <path d={ends.join('')} stroke="var(--mui-palette-text-secondary)" strokeWidth={1} />
      {COLOURS.map((colour) => {
        const d = sewn.flatMap((one) => (one.colour === colour ? [one.d] : [])).join('');
        return (
          d && (
            <path
              key={colour}
              data-colour={colour}
              d={d}
              stroke={`var(--mui-palette-${colour}-main)`}
              strokeWidth={6}
              strokeDasharray="9 3"
            />
          )
        );
      })}
    </svg>
  );
}
