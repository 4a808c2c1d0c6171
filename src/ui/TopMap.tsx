'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import type { MapShape } from './mapShapes';
import { swatchFill, SwatchPatterns } from './swatches';

/** Of the swatches of the map, which all its blocks share. */
const PREFIX = 'top';

export interface TopMapBlock {
  readonly id: string;
  readonly name: string;
  readonly place: number;
  /** What it looks like, in the order of drawing, and its size, mm. */
  readonly shapes: readonly MapShape[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly href: string;
  /** The station's own measure of the block, with its unit. */
  readonly text: string;
  /** Share to ink, 0 to 1, where the station has one. */
  readonly share?: number;
}

interface TopMapProps {
  readonly blocks: readonly TopMapBlock[];
  readonly fabrics: readonly string[];
  readonly columns: number;
  readonly current?: string;
  readonly title: string;
}

/** One style for all places: a project may have two hundred. */
const GRID = {
  display: 'grid',
  gap: '6px',
  p: '6px',
  bgcolor: 'divider',
  border: 1,
  borderColor: 'divider',
  '& > .empty': { aspectRatio: '1', bgcolor: 'background.default' },
  '& > a': { display: 'block', bgcolor: 'background.paper', color: 'text.primary', textDecoration: 'none', position: 'relative', pb: '3px' },
  '& > a[aria-current]': { outline: '3px solid var(--mui-palette-primary-main)' },
  '& > a > svg': { display: 'block', width: '100%', aspectRatio: '1' },
  '& path': { stroke: 'var(--mui-palette-text-primary)', strokeWidth: 0.5, vectorEffect: 'non-scaling-stroke' },
  '& .words': { px: 0.5, fontSize: '0.78rem', lineHeight: 1.25, minHeight: 34 },
  '& .words > span': { display: 'block', color: 'text.secondary' },
  '& .share': { height: 0, mx: 0.5, borderBottom: '3px dashed', borderColor: 'success.main' },
} as const; // prettier-ignore

/** The finished project drawn small and true: how one picks a block. A block's place never moves. */
export function TopMap({ blocks, fabrics, columns, current, title }: TopMapProps) {
  const rows = Math.max(1, Math.ceil(blocks.length / columns));
  const largest = Math.max(1, ...blocks.map(({ widthMm, heightMm }) => Math.max(widthMm, heightMm)));
  return (
    <Box component="nav" aria-label={`The top: ${title}`} className="no-print">
      <Typography variant="overline" component="p" color="textSecondary">
        {title}
      </Typography>
      <svg width={0} height={0} aria-hidden="true" style={{ position: 'absolute' }}>
        <defs>
          <SwatchPatterns prefix={PREFIX} fabrics={fabrics} scale={largest / 120} />
        </defs>
      </svg>
      <Box sx={{ ...GRID, gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}>
        {Array.from({ length: rows * columns }, (_, place) => {
          const block = blocks[place];
          if (!block) return <div key={place} className="empty" />;
          const pad = (largest * 1.06 - block.widthMm) / 2;
          const padY = (largest * 1.06 - block.heightMm) / 2;
          return (
            // Two hundred blocks are not fetched before one is wanted.
            <Link key={place} prefetch={false} href={block.href} aria-current={current === block.id ? 'true' : undefined}>
              <svg aria-hidden="true" viewBox={`${-pad} ${-padY} ${largest * 1.06} ${largest * 1.06}`}>
                {block.shapes.map(({ fabric, d }, index) => (
                  <path key={index} d={d} fill={swatchFill(PREFIX, fabrics, fabric)} />
                ))}
              </svg>
              <div className="words">
                <strong>{block.name}</strong>
                <span>{block.text}</span>
              </div>
              {block.share !== undefined && <div aria-hidden="true" className="share" style={{ width: `calc(${Math.round(block.share * 100)}% - 8px)` }} />}
            </Link>
          );
        })}
      </Box>
    </Box>
  );
} // prettier-ignore
