import { MM_PER_INCH } from '../length';

/** How a project sews; every figure can be changed by the project. */
export interface SewingSettings {
  readonly stitchesPerMm: number;
  readonly stitchesPerMinute: number;
  readonly alignMinutes: number;
  readonly bendMinutes: number;
  readonly threadStartMinutes: number;
  /** Sliding the needle hidden through a fold to where it goes on. */
  readonly slideMinutes: number;
  /** Papers that a unit may hold before it slows the hand, and the share each further one adds to the time. */
  readonly lightPapers: number;
  readonly heavyShare: number;
  /** Length of a needleful that ends up in stitches, mm: 500 mm less knots, tail and what is too short to sew. */
  readonly usableNeedlefulMm: number;
  /** Appliqué stitches are smaller: mm sewn in a minute. */
  readonly appliqueMmPerMinute: number;
  /** The number on the spool: the higher, the finer. It is said where thread is chosen; times do not depend on it. */
  readonly threadWeight: number;
}

export type SewingFigure = keyof SewingSettings;

/** Defaults of the craft: 10 stitches per inch at 12 a minute, half a minute to align, a minute per bend. */
export const DEFAULT_SEWING: SewingSettings = {
  stitchesPerMm: 10 / MM_PER_INCH,
  stitchesPerMinute: 12,
  alignMinutes: 0.5,
  bendMinutes: 1,
  threadStartMinutes: 0.75,
  slideMinutes: 0.2,
  lightPapers: 12,
  heavyShare: 0.01,
  usableNeedlefulMm: 380,
  appliqueMmPerMinute: 25,
  threadWeight: 50,
};

/** What a figure is a number of: how it is typed and printed. */
export type SewingMeasure = 'per length' | 'length' | 'length per minute' | 'minutes' | 'share' | 'count';

interface SewingFigureText {
  readonly name: string;
  readonly measure: SewingMeasure;
  /** What it changes, in a sentence. */
  readonly what: string;
  /** In the unit of the setting. */
  readonly least: number;
  readonly most: number;
}

/** Every figure of sewing as forms and files know it: the one place where a figure that can be set is named. */
export const SEWING_FIGURES: Readonly<Record<SewingFigure, SewingFigureText>> = {
  stitchesPerMm: {
    name: 'Whip stitches',
    measure: 'per length',
    what: 'More of them take more time and more thread.',
    least: 0.05,
    most: 2,
  },
  stitchesPerMinute: {
    name: 'Stitches in a minute',
    measure: 'count',
    what: 'A steady hand that is neither new nor hurried.',
    least: 1,
    most: 120,
  },
  alignMinutes: {
    name: 'Laying two units together',
    measure: 'minutes',
    what: 'Once for each join.',
    least: 0,
    most: 30,
  },
  bendMinutes: {
    name: 'A bend',
    measure: 'minutes',
    what: 'Folding the papers, turning and knotting there, where it turns by 90°; less for a slight turn, more for a sharp one.',
    least: 0,
    most: 30,
  },
  threadStartMinutes: {
    name: 'A new thread',
    measure: 'minutes',
    what: 'Cutting, threading, knotting and finishing off.',
    least: 0,
    most: 30,
  },
  slideMinutes: {
    name: 'A slide',
    measure: 'minutes',
    what: 'The needle passes hidden through a fold to where the next seam begins.',
    least: 0,
    most: 30,
  },
  lightPapers: {
    name: 'Papers that a unit may hold before it is heavy',
    measure: 'count',
    what: 'Each further paper slows the hand.',
    least: 1,
    most: 500,
  },
  heavyShare: {
    name: 'Each paper above that slows by',
    measure: 'share',
    what: 'Added to the time of the join.',
    least: 0,
    most: 1,
  },
  usableNeedlefulMm: {
    name: 'Needleful that ends up in stitches',
    measure: 'length',
    what: 'The thread as it is cut less knots, tail and what is too short to sew.',
    least: 50,
    most: 3000,
  },
  appliqueMmPerMinute: {
    name: 'Appliqué in a minute',
    measure: 'length per minute',
    what: 'Smaller stitches through a folded edge.',
    least: 1,
    most: 1000,
  },
  threadWeight: {
    name: 'Weight of the thread',
    measure: 'count',
    what: 'The number on the spool: the higher, the finer. It is said where thread is chosen.',
    least: 8,
    most: 200,
  },
};

/** Figures that a block may have of its own: what lies in the needle. */
export const BLOCK_FIGURES = [
  'stitchesPerMm',
  'usableNeedlefulMm',
  'threadWeight',
] as const satisfies readonly SewingFigure[];

/** All figures of a project that changed some. */
export function sewingOf(changed: Partial<SewingSettings> = {}): SewingSettings {
  return { ...DEFAULT_SEWING, ...changed };
}

/** Figures that are not those of the craft; none for a project that sews as everybody does. */
export function ownSewing(sewing: Partial<SewingSettings>): Partial<SewingSettings> {
  const own = Object.entries(sewing).filter(([key, value]) => DEFAULT_SEWING[key as SewingFigure] !== value);
  return Object.fromEntries(own);
}
