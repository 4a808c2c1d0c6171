import type { ReactNode } from 'react';
import type { Outline, Point } from '@/core/geometry';
import { outlinePath, sidePath } from '../outlinePath';

interface PatchMarkProps {
  readonly outline: Outline;
  readonly fill: string;
  readonly stroke?: string;
  /** Screen points. */
  readonly strokeWidth?: number;
  readonly dash?: string | undefined;
  /** Sides that stay raw: dotted, along their curves. */
  readonly rawSides?: readonly number[];
  /** What lies over the cloth and under the label. */
  readonly children?: ReactNode;
}

/** One patch as it is drawn everywhere: its cloth, its outline and its raw sides. */
export function PatchMark({
  outline,
  fill,
  stroke = 'var(--mui-palette-text-primary)',
  strokeWidth = 1,
  dash,
  rawSides = [],
  children,
}: PatchMarkProps) {
  return (
    <>
      <path
        d={outlinePath(outline)}
        fill={fill}
        stroke={stroke}
        strokeWidth={strokeWidth}
        strokeDasharray={dash}
        vectorEffect="non-scaling-stroke"
      />
      {children}
      {rawSides.map((side) => (
        <path
          key={side}
          d={sidePath(outline, side)}
          fill="none"
          stroke="var(--mui-palette-background-paper)"
          strokeWidth={4}
          strokeDasharray="2 4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </>
  );
}

interface PatchLabelProps {
  readonly at: Point;
  readonly text: string;
  /** Height of the letters, mm. */
  readonly size: number;
  /** Whether the drawing is seen from behind: letters stay readable. */
  readonly isFlipped?: boolean;
  readonly children?: ReactNode;
}

/** A patch's number and hand on a light disc. */
export function PatchLabel({ at, text, size, isFlipped = false, children }: PatchLabelProps) {
  return (
    <g transform={`translate(${at.x} ${at.y})${isFlipped ? ' scale(-1 1)' : ''}`} aria-hidden="true">
      <circle r={size * 0.79} fill="#fffdf7" opacity={0.86} />
      <text y={size * 0.34} fontSize={size} textAnchor="middle" fill="#22262b">
        {text}
      </text>
      {children}
    </g>
  );
}
