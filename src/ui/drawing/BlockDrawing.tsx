'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useId, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { counted } from '@/core/words';
import type { SheetPatch } from '@/core/sheet';
import { MM_PER_INCH, formatLength, type UnitSystem } from '@/core/length';
import { PlainButton } from '../PlainButton';
import { SwatchPatterns } from '../swatches';
import { PatchLayer, type PatchInk } from './PatchLayer';
import { usePanZoom } from './usePanZoom';

/** A mark on the drawing, such as a problem's place. */
export interface DrawingMark {
  readonly at: { readonly x: number; readonly y: number };
  readonly label: string;
}

export interface BlockDrawingProps {
  readonly label: string;
  readonly patches: readonly SheetPatch[];
  readonly kindNames: readonly string[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly isFlipped?: boolean;
  readonly onFlip?: () => void;
  readonly showTails?: boolean;
  readonly ink?: (patch: number) => PatchInk;
  /** How far a patch is moved from its place, mm. */
  readonly shift?: (patch: number) => { x: number; y: number } | undefined;
  readonly marks?: readonly DrawingMark[];
  /** Further things in drawing coordinates: threads, knots. Mirrored with the drawing. */
  readonly children?: ReactNode;
  readonly height?: number | string;
}

const PLAIN_INK: PatchInk = 'normal';

/**
 * The block, true to shape: pan by dragging, zoom by wheel, pinch or + and −, F flips front and back, ↑ ↓ go from
 * patch to patch. Zooming moves one group and redraws nothing, so that a thousand patches stay smooth.
 */
export function BlockDrawing(props: BlockDrawingProps) {
  const { patches, widthMm, heightMm, isFlipped = false, ink = () => PLAIN_INK, showTails = false } = props;
  const prefix = `sw${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const groupRef = useRef<SVGGElement>(null);
  const [focused, setFocused] = useState<number | undefined>();
  const margin = Math.max(widthMm, heightMm) * 0.08 + 4;
  const { frameRef, svgRef, zoomBy } = usePanZoom(
    groupRef,
    widthMm + 2 * margin,
    heightMm + 2 * margin,
    margin,
  );
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) {
      event.preventDefault();
      setFocused((now) => ((now ?? (step > 0 ? -1 : 0)) + step + patches.length) % patches.length);
    } else if (event.key === '+' || event.key === '=') zoomBy(1.25);
    else if (event.key === '-') zoomBy(0.8);
    else if (event.key === '0') zoomBy('fit');
  };
  const spoken = focused === undefined ? '' : describe(props, focused);
  const layer = useMemo(
    () => (
      <PatchLayer
        patches={patches}
        fabrics={props.fabrics}
        prefix={prefix}
        ink={ink}
        isFlipped={isFlipped}
        showTails={showTails}
        {...(props.shift ? { shift: props.shift } : {})}
        {...(focused === undefined ? {} : { focused })}
      />
    ),
    [patches, props.fabrics, prefix, ink, isFlipped, showTails, props.shift, focused],
  );
  return (
    <Box>
      <Box sx={{ border: 1, borderColor: 'divider', bgcolor: 'background.paper' }}>
        <ZoomBar isFlipped={isFlipped} onFlip={props.onFlip} zoomBy={zoomBy} />
        <Box ref={frameRef} sx={{ overflow: 'hidden', touchAction: 'none', cursor: 'grab' }}>
          <Box
            component="svg"
            ref={svgRef}
            role="img"
            tabIndex={0}
            aria-label={`${props.label}, seen from the ${isFlipped ? 'back' : 'front'}, ${counted(patches.length, 'patch', 'patches')}. Arrow up and down go from patch to patch.`}
            viewBox={`${-margin} ${-margin} ${widthMm + 2 * margin} ${heightMm + 2 * margin}`}
            onKeyDown={onKeyDown}
            sx={{
              display: 'block',
              width: '100%',
              height: props.height ?? 520,
              transformOrigin: '0 0',
            }}
          >
            <defs>
              <SwatchPatterns prefix={prefix} fabrics={props.fabrics} scale={Math.max(1, widthMm / 250)} />
            </defs>
            <g ref={groupRef}>
              <g transform={isFlipped ? `matrix(-1 0 0 1 ${widthMm} 0)` : undefined}>
                {layer}
                {props.children}
                <Marks marks={props.marks ?? []} widthMm={widthMm} />
              </g>
              <Ruler widthMm={widthMm} heightMm={heightMm} system={props.system} margin={margin} />
            </g>
          </Box>
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary" aria-live="polite" sx={{ minHeight: 22 }}>
        {spoken}
      </Typography>
    </Box>
  );
}

interface ZoomBarProps {
  readonly isFlipped: boolean;
  readonly onFlip: (() => void) | undefined;
  readonly zoomBy: (factor: number | 'fit') => void;
}

/** What turns the drawing over and moves it, for those who use neither wheel nor fingers. */
function ZoomBar({ isFlipped, onFlip, zoomBy }: ZoomBarProps) {
  return (
    <Stack
      direction="row"
      spacing={0.5}
      className="no-print"
      sx={{ justifyContent: 'flex-end', borderBottom: 1, borderColor: 'divider', p: 0.5 }}
    >
      {onFlip && (
        <PlainButton look="text" onClick={onFlip} aria-pressed={isFlipped} aria-keyshortcuts="f">
          {isFlipped ? 'Back' : 'Front'} · flip (F)
        </PlainButton>
      )}
      <PlainButton look="text" aria-label="Zoom in" onClick={() => zoomBy(1.25)} sx={{ minWidth: 40, px: 1 }}>
        +
      </PlainButton>
      <PlainButton look="text" aria-label="Zoom out" onClick={() => zoomBy(0.8)} sx={{ minWidth: 40, px: 1 }}>
        −
      </PlainButton>
      <PlainButton look="text" onClick={() => zoomBy('fit')}>
        Fit
      </PlainButton>
    </Stack>
  );
}

/** Places that are marked, such as problems. */
function Marks({ marks, widthMm }: { readonly marks: readonly DrawingMark[]; readonly widthMm: number }) {
  return marks.map(({ at, label }, index) => (
    <g key={index} role="presentation">
      <title>{label}</title>
      <circle
        cx={at.x}
        cy={at.y}
        r={Math.max(2.5, widthMm / 60)}
        fill="none"
        stroke="var(--mui-palette-error-main)"
        strokeWidth={2.5}
        vectorEffect="non-scaling-stroke"
      />
      <circle cx={at.x} cy={at.y} r={Math.max(0.8, widthMm / 250)} fill="var(--mui-palette-error-main)" />
    </g>
  ));
}

function describe({ patches, kindNames, isFlipped = false }: BlockDrawingProps, index: number): string {
  const patch = patches[index];
  if (!patch) return '';
  const hand = patch.hand === 'none' ? '' : `, ${patch.hand === 'L' ? 'left' : 'right'} hand`;
  return `Patch ${index + 1} (${patch.id}): ${kindNames[patch.kind] ?? 'background'}${hand}, ${patch.fabric}${isFlipped ? ', seen from the back' : ''}`;
}

function Ruler({
  widthMm,
  heightMm,
  system,
  margin,
}: {
  widthMm: number;
  heightMm: number;
  system: UnitSystem;
  margin: number;
}) {
  const step = system === 'inch' ? MM_PER_INCH : 10;
  const every = Math.max(1, Math.ceil(widthMm / step / 14));
  const count = Math.floor(widthMm / step);
  const size = margin * 0.3;
  const y = heightMm + margin * 0.4;
  return (
    <g stroke="var(--mui-palette-text-secondary)" fill="var(--mui-palette-text-secondary)" aria-hidden="true">
      <path d={`M0 ${y}H${widthMm}`} strokeWidth={1} vectorEffect="non-scaling-stroke" />
      {Array.from({ length: count + 1 }, (_, i) => (
        <g key={i}>
          <path
            d={`M${i * step} ${y}v${i % every === 0 ? size * 0.5 : size * 0.25}`}
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
          {i % every === 0 && (
            <text x={i * step} y={y + size * 1.35} fontSize={size * 0.85} textAnchor="middle" stroke="none">
              {system === 'inch' ? formatLength(i * step, 'inch') : `${(i * step) / 10} cm`}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}
