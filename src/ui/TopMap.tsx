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
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
          gap: '6px',
          p: '6px',
          bgcolor: 'divider',
          border: 1,
          borderColor: 'divider',
        }}
      >
        {Array.from({ length: rows * columns }, (_, place) => {
          const block = blocks[place];
          if (!block) return <Box key={place} sx={{ aspectRatio: '1', bgcolor: 'background.default' }} />;
          const pad = (largest * 1.06 - block.widthMm) / 2;
          const padY = (largest * 1.06 - block.heightMm) / 2;
          return (
            <Box
              key={place}
              component={Link}
              href={block.href}
              aria-current={current === block.id ? 'true' : undefined}
              sx={{
                display: 'block',
                bgcolor: 'background.paper',
                color: 'text.primary',
                textDecoration: 'none',
                outline: current === block.id ? '3px solid var(--mui-palette-primary-main)' : undefined,
                position: 'relative',
                pb: '3px',
              }}
            >
              <Box
                component="svg"
                aria-hidden="true"
                viewBox={`${-pad} ${-padY} ${largest * 1.06} ${largest * 1.06}`}
                sx={{ display: 'block', width: '100%', aspectRatio: '1' }}
              >
                {block.shapes.map(({ fabric, d }, index) => (
                  <path
                    key={index}
                    d={d}
                    fill={swatchFill(PREFIX, fabrics, fabric)}
                    stroke="var(--mui-palette-text-primary)"
                    strokeWidth={0.5}
                    vectorEffect="non-scaling-stroke"
                  />
                ))}
              </Box>
              <Box sx={{ px: 0.5, fontSize: '0.78rem', lineHeight: 1.25, minHeight: 34 }}>
                <strong>{block.name}</strong>
                <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
                  {block.text}
                </Box>
              </Box>
              {block.share !== undefined && (
                <Box
                  aria-hidden="true"
                  sx={{
                    height: 0,
                    mx: 0.5,
                    width: `calc(${Math.round(block.share * 100)}% - 8px)`,
                    borderBottom: '3px dashed',
                    borderColor: 'success.main',
                  }}
                />
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
