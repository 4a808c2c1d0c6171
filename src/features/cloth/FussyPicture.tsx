'use client';
import Box from '@mui/material/Box';
import { pointer } from 'd3';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { hasRepeat, type ShelfCloth } from '@/core/cloth';
import { outlineAbout, pushed, type Motif } from '@/core/fussy';
import { boxOfPoints } from '@/core/geometry';
import { RepeatPattern } from '@/ui/swatches';
import type { FussyPaper } from './fussyRequest';
import { usePictureOf } from './pictureOf';

interface FussyPictureProps {
  readonly paper: FussyPaper;
  readonly cloth: ShelfCloth;
  readonly fabrics: readonly string[];
  readonly motif: Motif;
  readonly onChange: (motif: Motif) => void;
}

/** An arrow key moves the paper by this, mm; with Shift by ten times as much. Brackets turn it. */
const NUDGE_MM = 0.5;
const TURN_DEG = 5;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }; // prettier-ignore

/** The print at its true repeat with the paper on it: dragged or nudged until the motif is where it is wanted. */
export function FussyPicture({ paper, cloth, fabrics, motif, onChange }: FussyPictureProps) {
  const photo = usePictureOf(paper.fabric);
  const from = useRef<readonly [number, number] | undefined>(undefined);
  if (!hasRepeat(cloth)) return null;
  const cut = outlineAbout(paper.cut, motif);
  const { minX, minY, maxX, maxY } = boxOfPoints([...cut, { x: -cloth.repeatWidthMm, y: -cloth.repeatHeightMm }, { x: cloth.repeatWidthMm, y: cloth.repeatHeightMm }]); // prettier-ignore
  const side = Math.max(maxX - minX, maxY - minY);
  const drag = (event: PointerEvent<SVGSVGElement>) => {
    const before = from.current;
    if (!before) return;
    const [x, y] = pointer(event.nativeEvent, event.currentTarget);
    from.current = [x, y];
    onChange(pushed(motif, x - before[0], y - before[1]));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    const turn = event.key === ']' ? TURN_DEG : event.key === '[' ? -TURN_DEG : 0;
    if (!arrow && turn === 0) return;
    event.preventDefault();
    const step = NUDGE_MM * (event.shiftKey ? 10 : 1);
    onChange(arrow ? pushed(motif, arrow[0] * step, arrow[1] * step) : { ...motif, turnDeg: motif.turnDeg + turn });
  };
  const points = (list: readonly { x: number; y: number }[]) => list.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <Box
      component="svg"
      tabIndex={0}
      role="application"
      aria-roledescription="paper on the print"
      aria-label={`${paper.id} on ${paper.fabric}: arrows push the paper, Shift makes ten steps of one, brackets turn it. Turned by ${Math.round(motif.turnDeg)}°.`}
      viewBox={`${(minX + maxX - side) / 2} ${(minY + maxY - side) / 2} ${side} ${side}`}
      onPointerDown={(event: PointerEvent<SVGSVGElement>) => {
        event.currentTarget.setPointerCapture?.(event.pointerId);
        const [x, y] = pointer(event.nativeEvent, event.currentTarget);
        from.current = [x, y];
      }}
      onPointerMove={drag}
      onPointerUp={() => (from.current = undefined)}
      onKeyDown={onKeyDown}
      sx={{ width: '100%', maxWidth: 320, aspectRatio: '1', display: 'block', border: 1, borderColor: 'divider', cursor: 'move', touchAction: 'none' }}
    >
      <defs>
        <RepeatPattern id="fussy-print" fabric={paper.fabric} fabrics={fabrics} widthMm={cloth.repeatWidthMm} heightMm={cloth.repeatHeightMm} isHalfDrop={cloth.isHalfDrop} picture={photo} />
      </defs>
      <rect x={minX - side} y={minY - side} width={3 * side} height={3 * side} fill="url(#fussy-print)" />
      <polygon points={points(cut)} fill="var(--mui-palette-background-paper)" fillOpacity={0.35} stroke="var(--mui-palette-text-primary)" strokeWidth={side / 250} strokeDasharray={`${side / 60} ${side / 90}`} />
      <polygon points={points(outlineAbout(paper.paper, motif))} fill="none" stroke="var(--mui-palette-error-main)" strokeWidth={side / 140} />
      <path d={`M${-side / 40} 0H${side / 40}M0 ${-side / 40}V${side / 40}`} stroke="var(--mui-palette-text-primary)" strokeWidth={side / 160} />
    </Box>
  );
} // prettier-ignore
