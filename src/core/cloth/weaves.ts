import { WEAVE_COUNT, type ClothLook } from './looks';

/** Side of a swatch’s repeat, mm of the drawing. */
export const REPEAT_MM = 7;

/** One stroke of a weave’s figure within a repeat of 7 × 7: an SVG path, its width, or filled. */
export interface WeaveStroke {
  readonly d: string;
  /** mm. */
  readonly width: number;
  readonly isFilled?: true;
}

const line = (d: string, width = 0.7): readonly WeaveStroke[] => [{ d, width }];
const circle = (x: number, y: number, r: number) => `M${x - r} ${y}A${r} ${r} 0 1 0 ${x + r} ${y}A${r} ${r} 0 1 0 ${x - r} ${y}Z`; // prettier-ignore

const WEAVES: readonly (readonly WeaveStroke[])[] = [
  [
    { d: circle(1.75, 1.75, 0.75), width: 0, isFilled: true },
    { d: circle(5.25, 5.25, 0.75), width: 0, isFilled: true },
  ],
  line('M0 7L7 0', 0.35),
  line('M0 2H7M0 5.5H7', 0.5),
  line('M3.5 1.5V5.5M1.5 3.5H5.5', 0.6),
  line('M0 7L7 0M-1 1L1 -1M6 8L8 6'),
  line('M0 3.5H7M3.5 0V7', 0.5),
  line('M1 5Q2.25 2 3.5 5T6 5', 0.6),
  line('M1.75 0V7M5.25 0V7', 0.8),
  line('M2 2H5V5H2Z', 0.6),
  line('M0 0L3.5 3.5L7 0M0 3.5L3.5 7L7 3.5', 0.5),
  line(circle(3.5, 3.5, 2), 0.6),
  line('M0 0L7 7M0 7L7 0', 0.45),
];

/** The figure of a cloth’s weave, drawn in its figure’s colour on its ground. */
export function weaveOf({ weave }: Pick<ClothLook, 'weave'>): readonly WeaveStroke[] {
  return WEAVES[weave % WEAVE_COUNT] ?? [];
}
