import type { Chance } from '../chance';

/** A counter scale as its maker describes it, g. */
export interface Scale {
  /** The step of its display. */
  readonly resolutionG: number;
  /** Spread (one standard deviation) of readings of the same load. */
  readonly repeatabilityG: number;
  /** What the display wanders off in ten minutes without being set to zero. */
  readonly driftG: number;
  readonly mostG: number;
}

export const USUAL_SCALE: Scale = { resolutionG: 0.1, repeatabilityG: 0.05, driftG: 0.1, mostG: 2000 };

/** The card that papers are cut from. */
export interface Card {
  readonly gramsPerM2: number;
  /** Spread (one standard deviation) of single papers, per cent of their weight. */
  readonly variesPercent: number;
}

export const USUAL_CARD: Card = { gramsPerM2: 160, variesPercent: 2 };

export const WEIGHING_LIMITS = {
  resolutionG: { least: 0.001, most: 50 },
  repeatabilityG: { least: 0, most: 50 },
  driftG: { least: 0, most: 50 },
  gramsPerM2: { least: 30, most: 1000 },
  variesPercent: { least: 0, most: 50 },
} as const;

/** What a scale can say of one paper. */
export interface Weighing {
  readonly paperG: number;
  /** Whether it can tell one paper more from one less at all. */
  readonly canTell: boolean;
  /** The greatest count that can be trusted to the paper; 0 where none can. */
  readonly most: number;
}

const MM2_PER_M2 = 1e6;
/** So many standard deviations are taken as certain: about one slip in 370. */
const SIGMAS = 3;
/** No pile is weighed above this count. */
const MOST_COUNT = 9999;

/**
 * Whether weighing can tell one paper from none: it must weigh more than the step of the display and than three times the spread of
 * two readings (empty and full), w > max(r, 3σ√2). And the greatest count n that is right but once in 370: half a paper, where the next
 * count begins, must be more than three times all that spreads, w/2 ≥ 3·√(2(σ² + r²/12) + n·(c·w)²); a display's step spreads by r/√12.
 * @param areaMm2 of one paper, mm²
 */
export function weighing(areaMm2: number, { gramsPerM2, variesPercent }: Card, scale: Scale): Weighing {
  const paperG = (areaMm2 / MM2_PER_M2) * gramsPerM2;
  const { resolutionG, repeatabilityG } = scale;
  const canTell = paperG > Math.max(resolutionG, SIGMAS * Math.SQRT2 * repeatabilityG);
  const room = (paperG / 2 / SIGMAS) ** 2 - 2 * (repeatabilityG ** 2 + resolutionG ** 2 / 12);
  const spread = ((variesPercent / 100) * paperG) ** 2;
  const byWeight = Math.floor(scale.mostG / paperG);
  const byVariation = spread === 0 ? MOST_COUNT : Math.floor(room / spread + 1e-9);
  const most = canTell && room > 0 ? Math.min(MOST_COUNT, byWeight, byVariation) : 0;
  return { paperG, canTell, most };
}

/** What a pile should weigh, and how far off it may be and still be that count, g. */
export function targetOf(count: number, { paperG }: Weighing): { readonly grams: number; readonly offG: number } {
  return { grams: count * paperG, offG: paperG / 2 };
} // prettier-ignore

/** What a reading says of a pile. */
export interface WeighedCount {
  readonly count: number;
  /** False where the count is more than can be trusted, or the reading lies as near to the next count. */
  readonly isSure: boolean;
  /** From the weight of that count, g. */
  readonly offG: number;
}

/** Papers in a pile of a weight. A reading that lies further than a third of a paper from any count is not sure. */
export function countOf(grams: number, { paperG, most }: Weighing): WeighedCount {
  const count = Math.max(0, Math.round(grams / paperG));
  const offG = grams - count * paperG;
  return { count, offG, isSure: count <= most && Math.abs(offG) <= paperG / 3 };
}

/** A bag weighed against what it should hold: whether the difference can be told from nothing. */
export interface WeighedBag {
  readonly targetG: number;
  readonly offG: number;
  /** Of the lightest thing in it; less than this may be missing unseen. */
  readonly leastSeenG: number;
  readonly verdict: 'as it should be' | 'something is missing' | 'something is too much';
}

/**
 * Weighs a whole bag against its papers: what differs by more than the readings and the papers' own spread can is told.
 * @param papers how many of which weight go in, g
 */
export function weighBag(grams: number, papers: readonly { readonly count: number; readonly paperG: number }[], { variesPercent }: Card, scale: Scale): WeighedBag {
  const targetG = papers.reduce((sum, { count, paperG }) => sum + count * paperG, 0);
  const variance = papers.reduce((sum, { count, paperG }) => sum + count * ((variesPercent / 100) * paperG) ** 2, 2 * scale.repeatabilityG ** 2);
  const leastSeenG = Math.max(scale.resolutionG, SIGMAS * Math.sqrt(variance));
  const offG = grams - targetG;
  const verdict = Math.abs(offG) <= leastSeenG ? 'as it should be' : offG < 0 ? 'something is missing' : 'something is too much';
  return { targetG, offG, leastSeenG, verdict };
} // prettier-ignore

/**
 * What the display of a simulated scale shows.
 * @param loadG what truly lies on it, g
 * @param minutes since it was set to zero
 * @param chance for the spread of readings (Box–Muller)
 */
export function scaleReading(loadG: number, minutes: number, scale: Scale, chance: Chance): number {
  const gauss = Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const shown = loadG + scale.repeatabilityG * gauss + (scale.driftG * minutes) / 10;
  return Math.round(shown / scale.resolutionG) * scale.resolutionG;
}
