/** Laying the paper on the cloth and pinning it, minutes. */
const LAY_MINUTES = 0.5;
/** Folding and tacking one corner, minutes. */
const CORNER_MINUTES = 0.1;
/** Basting stitches about 10 mm long, fifteen a minute: mm sewn in a minute. */
const BASTED_MM_PER_MINUTE = 150;

/** Minutes to baste one patch with thread, from its perimeter (mm) and corners. */
export function basteMinutes(perimeterMm: number, corners: number): number {
  return LAY_MINUTES + CORNER_MINUTES * corners + perimeterMm / BASTED_MM_PER_MINUTE;
}
