import Box from '@mui/material/Box';
import { pointer } from 'd3';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Pixels, Quad } from '@/core/cloth';

interface QuadPictureProps {
  readonly picture: Pixels;
  readonly quad: Quad;
  readonly onChange: (quad: Quad) => void;
}

const NAMES = ['upper left', 'upper right', 'lower right', 'lower left'] as const;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }; // prettier-ignore

/** A photo with the four corners of a rectangle on it: dragged, or pushed by arrow keys (Shift: ten times as far). */
export function QuadPicture({ picture, quad, onChange }: QuadPictureProps) {
  const { width, height } = picture;
  const canvas = useRef<HTMLCanvasElement>(null);
  const held = useRef<number | undefined>(undefined);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    context?.putImageData(new ImageData(new Uint8ClampedArray(picture.data), width, height), 0, 0);
  }, [picture, width, height]);
  const put = (corner: number, x: number, y: number) => {
    const to = { x: Math.max(0, Math.min(width, x)), y: Math.max(0, Math.min(height, y)) };
    onChange(quad.map((one, index) => (index === corner ? to : one)) as unknown as Quad);
  };
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    if (held.current === undefined) return;
    const [x, y] = pointer(event.nativeEvent, event.currentTarget);
    put(held.current, x, y);
  };
  const onKey = (corner: number, event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    const own = quad[corner];
    if (!arrow || !own) return;
    event.preventDefault();
    const step = (event.shiftKey ? 10 : 1) * Math.max(1, width / 800);
    put(corner, own.x + arrow[0] * step, own.y + arrow[1] * step);
  };
  const radius = Math.max(width, height) / 45;
  return (
    <Box sx={{ position: 'relative' }}>
      <canvas ref={canvas} width={width} height={height} aria-hidden style={{ width: '100%', display: 'block' }} />
      <Box
        component="svg"
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label="Corners of the known rectangle on the photo"
        onPointerMove={onMove}
        onPointerUp={() => (held.current = undefined)}
        sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', touchAction: 'none' }}
      >
        <polygon points={quad.map(({ x, y }) => `${x},${y}`).join(' ')} fill="#ffffff" fillOpacity={0.12} stroke="#ffffff" strokeWidth={radius / 4} />
        <polygon points={quad.map(({ x, y }) => `${x},${y}`).join(' ')} fill="none" stroke="#111111" strokeWidth={radius / 10} />
        {quad.map(({ x, y }, corner) => (
          <circle
            key={corner}
            cx={x}
            cy={y}
            r={radius}
            tabIndex={0}
            role="button"
            aria-label={`Corner ${NAMES[corner]}: drag it, or push it with the arrow keys`}
            fill="#ffffff"
            fillOpacity={0.75}
            stroke="#111111"
            strokeWidth={radius / 6}
            style={{ cursor: 'move' }}
            onPointerDown={(event) => {
              held.current = corner;
              event.currentTarget.ownerSVGElement?.setPointerCapture?.(event.pointerId);
            }}
            onKeyDown={(event) => onKey(corner, event)}
          />
        ))}
      </Box>
    </Box>
  );
} // prettier-ignore
