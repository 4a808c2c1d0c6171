import type { Join } from './join';
import type { SewingSettings } from './sewingSettings';

/**
 * Minutes that a join takes: aligning, folding at each bend and beginning threads, and the stitches; all of it slower by a
 * share for each paper in the hand beyond those that are light. A join that is laid over and sewn down folds nothing and takes
 * smaller stitches.
 */
export function joinMinutes(
  {
    lengthMm,
    bends,
    threadStarts,
    papersInHand,
    isLaid,
  }: Pick<Join, 'lengthMm' | 'bends' | 'threadStarts' | 'papersInHand' | 'isLaid'>,
  settings: SewingSettings,
): number {
  const { alignMinutes, bendMinutes, threadStartMinutes, lightPapers, heavyShare } = settings;
  const stitching = isLaid
    ? lengthMm / settings.appliqueMmPerMinute
    : (lengthMm * settings.stitchesPerMm) / settings.stitchesPerMinute;
  const folding = isLaid ? 0 : bends * bendMinutes;
  const heavy = 1 + heavyShare * Math.max(0, papersInHand - lightPapers);
  return (alignMinutes + folding + threadStarts * threadStartMinutes + stitching) * heavy;
}
