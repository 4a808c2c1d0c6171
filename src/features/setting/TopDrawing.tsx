'use client';
import Box from '@mui/material/Box';
import { useId } from 'react';
import type { PlacedBlock, TopLayout } from '@/core/setting';
import { PatchPaths } from '@/ui/PatchPaths';
import { SwatchPatterns } from '@/ui/swatches';

interface TopDrawingProps {
  readonly layout: TopLayout;
  readonly placed: readonly PlacedBlock[];
  readonly fabrics: readonly string[];
  /** For each strip the name of the block that it goes with. */
  readonly stripOf: ReadonlyMap<string, string>;
  /** Strips of this cell stand out. */
  readonly shownCell?: number;
  readonly pickedCell?: number;
  readonly nameOf: (cell: number) => string;
  readonly onCell: (cell: number) => void;
}

/** The whole top in its setting: blocks in their cells, strips and cornerstones between them. */
export function TopDrawing(props: TopDrawingProps) {
  const { layout, placed, fabrics, stripOf, shownCell, pickedCell, nameOf, onCell } = props;
  const prefix = `top${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const size = Math.max(layout.widthMm, layout.heightMm);
  const own = new Set(
    shownCell === undefined
      ? []
      : [...stripOf].filter(([, name]) => name === nameOf(shownCell)).map(([id]) => id),
  );
  return (
    <Box
      component="svg"
      role="group"
      aria-label="The top in its setting"
      viewBox={`-4 -4 ${layout.widthMm + 8} ${layout.heightMm + 8}`}
      sx={{ display: 'block', width: '100%', maxHeight: 'calc(100vh - 250px)', minHeight: 300 }}
    >
      <defs>
        <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={Math.max(1, size / 260)} />
      </defs>
      <rect
        width={layout.widthMm}
        height={layout.heightMm}
        fill="var(--mui-palette-background-paper)"
        stroke="var(--mui-palette-text-primary)"
        vectorEffect="non-scaling-stroke"
      />
      {layout.strips.map(({ id, kind, x, y, width, height }) => (
        <rect
          key={id}
          x={x}
          y={y}
          width={width}
          height={height}
          fill={own.has(id) ? 'var(--mui-palette-primary-main)' : 'var(--mui-palette-divider)'}
          fillOpacity={
            own.has(id) ? (kind === 'cornerstone' ? 0.95 : 0.7) : kind === 'cornerstone' ? 1 : 0.55
          }
          stroke="var(--mui-palette-background-default)"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        >
          <title>{stripOf.has(id) ? `goes with ${stripOf.get(id)}` : 'left over'}</title>
        </rect>
      ))}
      {layout.cells.map(({ x, y, width, height, half }, cell) => {
        const block = placed.find((one) => one.cell === cell);
        const label = `Place ${cell + 1}${half ? ', half a block' : ''}: ${nameOf(cell) || 'empty'}`;
        return (
          <g
            key={cell}
            role="button"
            tabIndex={0}
            aria-label={label}
            aria-pressed={pickedCell === cell}
            onClick={() => onCell(cell)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              onCell(cell);
            }}
            style={{ cursor: 'pointer' }}
          >
            <clipPath id={`${prefix}-${cell}`}>
              <rect x={x} y={y} width={width} height={height} />
            </clipPath>
            <rect
              x={x}
              y={y}
              width={width}
              height={height}
              fill="var(--mui-palette-background-paper)"
              stroke={
                pickedCell === cell ? 'var(--mui-palette-primary-main)' : 'var(--mui-palette-text-secondary)'
              }
              strokeWidth={pickedCell === cell ? 5 : 1}
              vectorEffect="non-scaling-stroke"
            />
            <g clipPath={half ? `url(#${prefix}-${cell})` : undefined} pointerEvents="none">
              <PatchPaths patches={block?.patches ?? []} prefix={prefix} fabrics={fabrics} />
            </g>
            {!block && (
              <text
                x={x + width / 2}
                y={y + height / 2}
                textAnchor="middle"
                fontSize={size / 30}
                fill="var(--mui-palette-text-secondary)"
              >
                {cell + 1}
              </text>
            )}
          </g>
        );
      })}
    </Box>
  );
}
